-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutCustomDay :one
INSERT INTO custom_days (id, name, month, day, species_id, part)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('month'), sqlc.arg('day'), sqlc.arg('species_id'), sqlc.arg('part'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    month = excluded.month,
    day = excluded.day,
    species_id = excluded.species_id,
    part = excluded.part
RETURNING *;

-- name: GetCustomDay :one
SELECT * FROM custom_days WHERE id = ?;

-- name: DropCustomDay :exec
DELETE FROM custom_days WHERE id = ?;

-- name: ListCustomDays :many
SELECT * FROM custom_days ORDER BY id;
