-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutFate :one
INSERT INTO fates (id, planting_id, day, outcome, cause, note)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.arg('day'), sqlc.arg('outcome'), sqlc.arg('cause'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    day = excluded.day,
    outcome = excluded.outcome,
    cause = excluded.cause,
    note = excluded.note
RETURNING *;

-- name: GetFate :one
SELECT * FROM fates WHERE id = ?;

-- name: DropFate :exec
DELETE FROM fates WHERE id = ?;

-- name: ListFates :many
SELECT * FROM fates ORDER BY day, id;
