-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutBedWork :one
INSERT INTO bed_works (id, bed_id, day, what, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('bed_id'), sqlc.arg('day'), sqlc.arg('what'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    bed_id = excluded.bed_id,
    day = excluded.day,
    what = excluded.what,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetBedWork :one
SELECT * FROM bed_works WHERE id = ?;

-- name: DropBedWork :exec
DELETE FROM bed_works WHERE id = ?;

-- name: ListBedWorks :many
SELECT * FROM bed_works ORDER BY day, id;
