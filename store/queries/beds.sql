-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutBed :one
INSERT INTO beds (id, name, x_m, y_m, width_m, depth_m, turn_deg, sun_hours, moisture, unsafe, note, round_order, removed_on, shape, points, inner_m, texture, drainage, winter, ph, fertility, soil_depth, mulch_m, shelter, warmth, frost_hollow, edge, purpose)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('x_m'), sqlc.arg('y_m'), sqlc.arg('width_m'), sqlc.arg('depth_m'), sqlc.arg('turn_deg'), sqlc.narg('sun_hours'), sqlc.arg('moisture'), sqlc.arg('unsafe'), sqlc.arg('note'), sqlc.arg('round_order'), sqlc.narg('removed_on'), sqlc.arg('shape'), sqlc.arg('points'), sqlc.arg('inner_m'), sqlc.arg('texture'), sqlc.arg('drainage'), sqlc.arg('winter'), sqlc.arg('ph'), sqlc.arg('fertility'), sqlc.arg('soil_depth'), sqlc.arg('mulch_m'), sqlc.arg('shelter'), sqlc.arg('warmth'), sqlc.arg('frost_hollow'), sqlc.arg('edge'), sqlc.arg('purpose'))
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
    removed_on = excluded.removed_on,
    shape = excluded.shape,
    points = excluded.points,
    inner_m = excluded.inner_m,
    texture = excluded.texture,
    drainage = excluded.drainage,
    winter = excluded.winter,
    ph = excluded.ph,
    fertility = excluded.fertility,
    soil_depth = excluded.soil_depth,
    mulch_m = excluded.mulch_m,
    shelter = excluded.shelter,
    warmth = excluded.warmth,
    frost_hollow = excluded.frost_hollow,
    edge = excluded.edge,
    purpose = excluded.purpose
RETURNING *;

-- name: GetBed :one
SELECT * FROM beds WHERE id = ?;

-- name: DropBed :exec
DELETE FROM beds WHERE id = ?;

-- name: ListBeds :many
SELECT * FROM beds ORDER BY round_order, id;
