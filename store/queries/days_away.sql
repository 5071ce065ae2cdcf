-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutDaysAway :one
INSERT INTO days_away (id, first_day, last_day, note)
VALUES (sqlc.narg('id'), sqlc.arg('first_day'), sqlc.arg('last_day'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    first_day = excluded.first_day,
    last_day = excluded.last_day,
    note = excluded.note
RETURNING *;

-- name: GetDaysAway :one
SELECT * FROM days_away WHERE id = ?;

-- name: DropDaysAway :exec
DELETE FROM days_away WHERE id = ?;

-- name: ListDaysAway :many
SELECT * FROM days_away ORDER BY id;
