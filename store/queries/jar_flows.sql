-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutJarFlow :one
INSERT INTO jar_flows (id, jar_id, day, kind, grams, lot_id, typed, whom, why, told_on)
VALUES (sqlc.narg('id'), sqlc.arg('jar_id'), sqlc.arg('day'), sqlc.arg('kind'), sqlc.arg('grams'), sqlc.narg('lot_id'), sqlc.arg('typed'), sqlc.arg('whom'), sqlc.arg('why'), sqlc.narg('told_on'))
ON CONFLICT (id) DO UPDATE SET
    jar_id = excluded.jar_id,
    day = excluded.day,
    kind = excluded.kind,
    grams = excluded.grams,
    lot_id = excluded.lot_id,
    typed = excluded.typed,
    whom = excluded.whom,
    why = excluded.why,
    told_on = excluded.told_on
RETURNING *;

-- name: GetJarFlow :one
SELECT * FROM jar_flows WHERE id = ?;

-- name: DropJarFlow :exec
DELETE FROM jar_flows WHERE id = ?;

-- name: ListJarFlows :many
SELECT * FROM jar_flows ORDER BY jar_id, id;
