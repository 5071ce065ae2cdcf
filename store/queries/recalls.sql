-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutRecall :one
INSERT INTO recalls (id, picking_id, lot_id, day, why, undone_on)
VALUES (sqlc.narg('id'), sqlc.narg('picking_id'), sqlc.narg('lot_id'), sqlc.arg('day'), sqlc.arg('why'), sqlc.narg('undone_on'))
ON CONFLICT (id) DO UPDATE SET
    picking_id = excluded.picking_id,
    lot_id = excluded.lot_id,
    day = excluded.day,
    why = excluded.why,
    undone_on = excluded.undone_on
RETURNING *;

-- name: GetRecall :one
SELECT * FROM recalls WHERE id = ?;

-- name: DropRecall :exec
DELETE FROM recalls WHERE id = ?;

-- name: ListRecalls :many
SELECT * FROM recalls ORDER BY id;
