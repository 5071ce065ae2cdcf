-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutNeed :one
INSERT INTO needs (id, species_id, part, grams, typed, weight)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('part'), sqlc.arg('grams'), sqlc.arg('typed'), sqlc.arg('weight'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    part = excluded.part,
    grams = excluded.grams,
    typed = excluded.typed,
    weight = excluded.weight
RETURNING *;

-- name: GetNeed :one
SELECT * FROM needs WHERE id = ?;

-- name: DropNeed :exec
DELETE FROM needs WHERE id = ?;

-- name: ListNeeds :many
SELECT * FROM needs ORDER BY species_id, part;

-- name: GetNeedOf :one
SELECT * FROM needs WHERE species_id = ? AND part = ?;
