-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutBed :one
INSERT INTO beds (id, name, x_m, y_m, width_m, depth_m, turn_deg, sun_hours, moisture, unsafe, note, round_order, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('x_m'), sqlc.arg('y_m'), sqlc.arg('width_m'), sqlc.arg('depth_m'), sqlc.arg('turn_deg'), sqlc.arg('sun_hours'), sqlc.arg('moisture'), sqlc.arg('unsafe'), sqlc.arg('note'), sqlc.arg('round_order'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    x_m = excluded.x_m,
    y_m = excluded.y_m,
    width_m = excluded.width_m,
    depth_m = excluded.depth_m,
    turn_deg = excluded.turn_deg,
    sun_hours = excluded.sun_hours,
    moisture = excluded.moisture,
    unsafe = excluded.unsafe,
    note = excluded.note,
    round_order = excluded.round_order,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetBed :one
SELECT * FROM beds WHERE id = ?;

-- name: DropBed :exec
DELETE FROM beds WHERE id = ?;

-- name: ListBeds :many
SELECT * FROM beds ORDER BY round_order, id;
