-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutStandHold :one
INSERT INTO stand_holds (id, planting_id, policy, ways, target, line, since)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.arg('policy'), sqlc.arg('ways'), sqlc.arg('target'), sqlc.arg('line'), sqlc.arg('since'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    policy = excluded.policy,
    ways = excluded.ways,
    target = excluded.target,
    line = excluded.line,
    since = excluded.since
RETURNING *;

-- name: GetStandHold :one
SELECT * FROM stand_holds WHERE id = ?;

-- name: DropStandHold :exec
DELETE FROM stand_holds WHERE id = ?;

-- name: ListStandHolds :many
SELECT * FROM stand_holds ORDER BY id;
