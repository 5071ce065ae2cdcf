-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutLotFlow :one
INSERT INTO lot_flows (id, lot_id, side, name, picking_id, jar_flow_id, grams)
VALUES (sqlc.narg('id'), sqlc.arg('lot_id'), sqlc.arg('side'), sqlc.arg('name'), sqlc.narg('picking_id'), sqlc.narg('jar_flow_id'), sqlc.arg('grams'))
ON CONFLICT (id) DO UPDATE SET
    lot_id = excluded.lot_id,
    side = excluded.side,
    name = excluded.name,
    picking_id = excluded.picking_id,
    jar_flow_id = excluded.jar_flow_id,
    grams = excluded.grams
RETURNING *;

-- name: GetLotFlow :one
SELECT * FROM lot_flows WHERE id = ?;

-- name: DropLotFlow :exec
DELETE FROM lot_flows WHERE id = ?;

-- name: ListLotFlows :many
SELECT * FROM lot_flows ORDER BY lot_id, id;
