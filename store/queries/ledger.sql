-- name: AddLedgerEntry :one
INSERT INTO ledger (at, day, kind, summary, bed_id, planting_id, changes, takes_back, by_whom, device)
VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
RETURNING *;

-- name: GetLedgerEntry :one
SELECT * FROM ledger WHERE id = ?;

-- name: MarkTakenBack :exec
UPDATE ledger SET taken_back_by = ? WHERE id = ?;

-- name: ListLedger :many
SELECT * FROM ledger
WHERE (kind = sqlc.arg('kind') OR CAST(sqlc.arg('kind') AS TEXT) = '' AND (kind <> 'practice' OR CAST(sqlc.arg('containing') AS TEXT) <> ''))
  AND (CAST(sqlc.arg('planting') AS INTEGER) = 0 OR planting_id = sqlc.arg('planting'))
  AND (CAST(sqlc.arg('containing') AS TEXT) = '' OR instr(lower(summary), lower(sqlc.arg('containing'))) > 0)
  AND id < sqlc.arg('before')
ORDER BY id DESC
LIMIT sqlc.arg('most');

-- name: WholeLedger :many
SELECT id, changes FROM ledger ORDER BY id;

-- name: LastLedgerID :one
SELECT CAST(COALESCE(MAX(id), 0) AS INTEGER) AS newest FROM ledger;
