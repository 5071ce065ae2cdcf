-- name: GetSent :one
SELECT * FROM sent WHERE client_key = ?;

-- name: PutSent :exec
INSERT INTO sent (client_key, digest, entry_id) VALUES (?, ?, ?);
