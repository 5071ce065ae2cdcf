-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutNeed :one
INSERT INTO needs (id, species_id, part, grams)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('part'), sqlc.arg('grams'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    part = excluded.part,
    grams = excluded.grams
RETURNING *;

-- name: GetNeed :one
SELECT * FROM needs WHERE id = ?;

-- name: DropNeed :exec
DELETE FROM needs WHERE id = ?;

-- name: ListNeeds :many
SELECT * FROM needs ORDER BY species_id, part;

-- name: GetNeedOf :one
SELECT * FROM needs WHERE species_id = ? AND part = ?;
