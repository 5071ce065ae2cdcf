-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutOwnClimate :one
INSERT INTO own_climates (id, text)
VALUES (sqlc.narg('id'), sqlc.arg('text'))
ON CONFLICT (id) DO UPDATE SET
    text = excluded.text
RETURNING *;

-- name: GetOwnClimate :one
SELECT * FROM own_climates WHERE id = ?;

-- name: DropOwnClimate :exec
DELETE FROM own_climates WHERE id = ?;

-- name: ListOwnClimates :many
SELECT * FROM own_climates ORDER BY id;
