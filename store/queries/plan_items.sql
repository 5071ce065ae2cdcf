-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutPlanItem :one
INSERT INTO plan_items (id, kind, name, shape, x_m, y_m, width_m, depth_m, turn_deg, points, traits, note, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('kind'), sqlc.arg('name'), sqlc.arg('shape'), sqlc.arg('x_m'), sqlc.arg('y_m'), sqlc.arg('width_m'), sqlc.arg('depth_m'), sqlc.arg('turn_deg'), sqlc.arg('points'), sqlc.arg('traits'), sqlc.arg('note'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    kind = excluded.kind,
    name = excluded.name,
    shape = excluded.shape,
    x_m = excluded.x_m,
    y_m = excluded.y_m,
    width_m = excluded.width_m,
    depth_m = excluded.depth_m,
    turn_deg = excluded.turn_deg,
    points = excluded.points,
    traits = excluded.traits,
    note = excluded.note,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetPlanItem :one
SELECT * FROM plan_items WHERE id = ?;

-- name: DropPlanItem :exec
DELETE FROM plan_items WHERE id = ?;

-- name: ListPlanItems :many
SELECT * FROM plan_items ORDER BY id;
