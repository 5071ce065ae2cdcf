-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutVolunteer :one
INSERT INTO volunteers (id, species_id, mother_id, bed_id, place, day, plants, worked_on, checked, checked_on, note, ended_on, x, y, seeding, deed, planting_id)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.narg('mother_id'), sqlc.narg('bed_id'), sqlc.arg('place'), sqlc.arg('day'), sqlc.arg('plants'), sqlc.narg('worked_on'), sqlc.arg('checked'), sqlc.narg('checked_on'), sqlc.arg('note'), sqlc.narg('ended_on'), sqlc.narg('x'), sqlc.narg('y'), sqlc.arg('seeding'), sqlc.arg('deed'), sqlc.narg('planting_id'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    mother_id = excluded.mother_id,
    bed_id = excluded.bed_id,
    place = excluded.place,
    day = excluded.day,
    plants = excluded.plants,
    worked_on = excluded.worked_on,
    checked = excluded.checked,
    checked_on = excluded.checked_on,
    note = excluded.note,
    ended_on = excluded.ended_on,
    x = excluded.x,
    y = excluded.y,
    seeding = excluded.seeding,
    deed = excluded.deed,
    planting_id = excluded.planting_id
RETURNING *;

-- name: GetVolunteer :one
SELECT * FROM volunteers WHERE id = ?;

-- name: DropVolunteer :exec
DELETE FROM volunteers WHERE id = ?;

-- name: ListVolunteers :many
SELECT * FROM volunteers ORDER BY id;
