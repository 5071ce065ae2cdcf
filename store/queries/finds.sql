-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutFind :one
INSERT INTO finds (id, day, place, species_id, seen, note, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('day'), sqlc.arg('place'), sqlc.arg('species_id'), sqlc.arg('seen'), sqlc.arg('note'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    day = excluded.day,
    place = excluded.place,
    species_id = excluded.species_id,
    seen = excluded.seen,
    note = excluded.note,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetFind :one
SELECT * FROM finds WHERE id = ?;

-- name: DropFind :exec
DELETE FROM finds WHERE id = ?;

-- name: ListFinds :many
SELECT * FROM finds ORDER BY day, id;
