-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutFeast :one
INSERT INTO feasts (id, name, day, species_id, part, grams, typed)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('day'), sqlc.arg('species_id'), sqlc.arg('part'), sqlc.arg('grams'), sqlc.arg('typed'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    day = excluded.day,
    species_id = excluded.species_id,
    part = excluded.part,
    grams = excluded.grams,
    typed = excluded.typed
RETURNING *;

-- name: GetFeast :one
SELECT * FROM feasts WHERE id = ?;

-- name: DropFeast :exec
DELETE FROM feasts WHERE id = ?;

-- name: ListFeasts :many
SELECT * FROM feasts ORDER BY id;
