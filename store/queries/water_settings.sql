-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutWaterSettings :one
INSERT INTO water_settings (id, flow_l, probe)
VALUES (sqlc.narg('id'), sqlc.arg('flow_l'), sqlc.arg('probe'))
ON CONFLICT (id) DO UPDATE SET
    flow_l = excluded.flow_l,
    probe = excluded.probe
RETURNING *;

-- name: GetWaterSettings :one
SELECT * FROM water_settings WHERE id = ?;

-- name: DropWaterSettings :exec
DELETE FROM water_settings WHERE id = ?;

-- name: ListWaterSettings :many
SELECT * FROM water_settings ORDER BY id;
