-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutFrontSighting :one
INSERT INTO front_sightings (id, planting_id, day, kind, x, y, note)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.arg('day'), sqlc.arg('kind'), sqlc.narg('x'), sqlc.narg('y'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    day = excluded.day,
    kind = excluded.kind,
    x = excluded.x,
    y = excluded.y,
    note = excluded.note
RETURNING *;

-- name: GetFrontSighting :one
SELECT * FROM front_sightings WHERE id = ?;

-- name: DropFrontSighting :exec
DELETE FROM front_sightings WHERE id = ?;

-- name: ListFrontSightings :many
SELECT * FROM front_sightings ORDER BY id;
