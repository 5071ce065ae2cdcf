-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutOwnMix :one
INSERT INTO own_mixes (id, name, purpose, parts, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('purpose'), sqlc.arg('parts'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    purpose = excluded.purpose,
    parts = excluded.parts,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetOwnMix :one
SELECT * FROM own_mixes WHERE id = ?;

-- name: DropOwnMix :exec
DELETE FROM own_mixes WHERE id = ?;

-- name: ListOwnMixs :many
SELECT * FROM own_mixes ORDER BY id;
