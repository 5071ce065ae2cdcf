-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutPlanting :one
INSERT INTO plantings (id, bed_id, species_id, plants, area_m2, counted_on, started_on, origin, identity, identity_note, note, removed_on, counted_after, start_year)
VALUES (sqlc.narg('id'), sqlc.arg('bed_id'), sqlc.arg('species_id'), sqlc.arg('plants'), sqlc.narg('area_m2'), sqlc.arg('counted_on'), sqlc.arg('started_on'), sqlc.arg('origin'), sqlc.arg('identity'), sqlc.arg('identity_note'), sqlc.arg('note'), sqlc.narg('removed_on'), sqlc.arg('counted_after'), sqlc.narg('start_year'))
ON CONFLICT (id) DO UPDATE SET
    bed_id = excluded.bed_id,
    species_id = excluded.species_id,
    plants = excluded.plants,
    area_m2 = excluded.area_m2,
    counted_on = excluded.counted_on,
    started_on = excluded.started_on,
    origin = excluded.origin,
    identity = excluded.identity,
    identity_note = excluded.identity_note,
    note = excluded.note,
    removed_on = excluded.removed_on,
    counted_after = excluded.counted_after,
    start_year = excluded.start_year
RETURNING *;

-- name: GetPlanting :one
SELECT * FROM plantings WHERE id = ?;

-- name: DropPlanting :exec
DELETE FROM plantings WHERE id = ?;

-- name: ListPlantings :many
SELECT * FROM plantings ORDER BY bed_id, id;
