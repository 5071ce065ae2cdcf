-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutMeasure :one
INSERT INTO measures (id, name, species_id, part, grams)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('species_id'), sqlc.arg('part'), sqlc.arg('grams'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    species_id = excluded.species_id,
    part = excluded.part,
    grams = excluded.grams
RETURNING *;

-- name: GetMeasure :one
SELECT * FROM measures WHERE id = ?;

-- name: DropMeasure :exec
DELETE FROM measures WHERE id = ?;

-- name: ListMeasures :many
SELECT * FROM measures ORDER BY name, species_id, part;
