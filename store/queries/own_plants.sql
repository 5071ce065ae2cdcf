-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutOwnPlant :one
INSERT INTO own_plants (id, species_id, text)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('text'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    text = excluded.text
RETURNING *;

-- name: GetOwnPlant :one
SELECT * FROM own_plants WHERE id = ?;

-- name: DropOwnPlant :exec
DELETE FROM own_plants WHERE id = ?;

-- name: ListOwnPlants :many
SELECT * FROM own_plants ORDER BY species_id;
