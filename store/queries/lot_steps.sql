-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutLotStep :one
INSERT INTO lot_steps (id, lot_id, step, day)
VALUES (sqlc.narg('id'), sqlc.arg('lot_id'), sqlc.arg('step'), sqlc.arg('day'))
ON CONFLICT (id) DO UPDATE SET
    lot_id = excluded.lot_id,
    step = excluded.step,
    day = excluded.day
RETURNING *;

-- name: GetLotStep :one
SELECT * FROM lot_steps WHERE id = ?;

-- name: DropLotStep :exec
DELETE FROM lot_steps WHERE id = ?;

-- name: ListLotSteps :many
SELECT * FROM lot_steps ORDER BY lot_id, id;
