-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutObservation :one
INSERT INTO observations (id, planting_id, day, stage, share, height_m, width_m, marks, note, client_key, affirmed, counted, photos)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.arg('day'), sqlc.arg('stage'), sqlc.arg('share'), sqlc.narg('height_m'), sqlc.narg('width_m'), sqlc.arg('marks'), sqlc.arg('note'), sqlc.narg('client_key'), sqlc.arg('affirmed'), sqlc.narg('counted'), sqlc.arg('photos'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    day = excluded.day,
    stage = excluded.stage,
    share = excluded.share,
    height_m = excluded.height_m,
    width_m = excluded.width_m,
    marks = excluded.marks,
    note = excluded.note,
    client_key = excluded.client_key,
    affirmed = excluded.affirmed,
    counted = excluded.counted,
    photos = excluded.photos
RETURNING *;

-- name: GetObservation :one
SELECT * FROM observations WHERE id = ?;

-- name: DropObservation :exec
DELETE FROM observations WHERE id = ?;

-- name: ListObservations :many
SELECT * FROM observations ORDER BY day, id;
