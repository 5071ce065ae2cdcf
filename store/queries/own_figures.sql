-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutOwnFigure :one
INSERT INTO own_figures (id, species_id, key, figure, was)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('key'), sqlc.arg('figure'), sqlc.arg('was'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    key = excluded.key,
    figure = excluded.figure,
    was = excluded.was
RETURNING *;

-- name: GetOwnFigure :one
SELECT * FROM own_figures WHERE id = ?;

-- name: DropOwnFigure :exec
DELETE FROM own_figures WHERE id = ?;

-- name: ListOwnFigures :many
SELECT * FROM own_figures ORDER BY species_id, key;
