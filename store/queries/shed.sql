-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutShedPart :one
INSERT INTO shed (id, name, litres)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('litres'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    litres = excluded.litres
RETURNING *;

-- name: GetShedPart :one
SELECT * FROM shed WHERE id = ?;

-- name: DropShedPart :exec
DELETE FROM shed WHERE id = ?;

-- name: ListShedParts :many
SELECT * FROM shed ORDER BY name;
