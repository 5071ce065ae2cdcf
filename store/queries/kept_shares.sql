-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutKeptShare :one
INSERT INTO kept_shares (id, planting_id, part, share, for_whom)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.arg('part'), sqlc.arg('share'), sqlc.arg('for_whom'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    part = excluded.part,
    share = excluded.share,
    for_whom = excluded.for_whom
RETURNING *;

-- name: GetKeptShare :one
SELECT * FROM kept_shares WHERE id = ?;

-- name: DropKeptShare :exec
DELETE FROM kept_shares WHERE id = ?;

-- name: ListKeptShares :many
SELECT * FROM kept_shares ORDER BY id;
