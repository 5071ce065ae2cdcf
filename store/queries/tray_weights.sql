-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutTrayWeight :one
INSERT INTO tray_weights (id, lot_id, at, grams, source)
VALUES (sqlc.narg('id'), sqlc.arg('lot_id'), sqlc.arg('at'), sqlc.arg('grams'), sqlc.arg('source'))
ON CONFLICT (id) DO UPDATE SET
    lot_id = excluded.lot_id,
    at = excluded.at,
    grams = excluded.grams,
    source = excluded.source
RETURNING *;

-- name: GetTrayWeight :one
SELECT * FROM tray_weights WHERE id = ?;

-- name: DropTrayWeight :exec
DELETE FROM tray_weights WHERE id = ?;

-- name: ListTrayWeights :many
SELECT * FROM tray_weights ORDER BY lot_id, id;
