-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutShelf :one
INSERT INTO shelves (id, name, position, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('position'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    position = excluded.position,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetShelf :one
SELECT * FROM shelves WHERE id = ?;

-- name: DropShelf :exec
DELETE FROM shelves WHERE id = ?;

-- name: ListShelves :many
SELECT * FROM shelves ORDER BY id;
