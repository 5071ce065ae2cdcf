-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutLarderSettings :one
INSERT INTO larder_settings (id, address)
VALUES (sqlc.narg('id'), sqlc.arg('address'))
ON CONFLICT (id) DO UPDATE SET
    address = excluded.address
RETURNING *;

-- name: GetLarderSettings :one
SELECT * FROM larder_settings WHERE id = ?;

-- name: DropLarderSettings :exec
DELETE FROM larder_settings WHERE id = ?;

-- name: ListLarderSettings :many
SELECT * FROM larder_settings ORDER BY id;
