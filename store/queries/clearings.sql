-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutClearing :one
INSERT INTO clearings (id, bed_id, animal, head, day, days, then_do, note, ended_on)
VALUES (sqlc.narg('id'), sqlc.arg('bed_id'), sqlc.arg('animal'), sqlc.arg('head'), sqlc.arg('day'), sqlc.arg('days'), sqlc.arg('then_do'), sqlc.arg('note'), sqlc.narg('ended_on'))
ON CONFLICT (id) DO UPDATE SET
    bed_id = excluded.bed_id,
    animal = excluded.animal,
    head = excluded.head,
    day = excluded.day,
    days = excluded.days,
    then_do = excluded.then_do,
    note = excluded.note,
    ended_on = excluded.ended_on
RETURNING *;

-- name: GetClearing :one
SELECT * FROM clearings WHERE id = ?;

-- name: DropClearing :exec
DELETE FROM clearings WHERE id = ?;

-- name: ListClearings :many
SELECT * FROM clearings ORDER BY id;
