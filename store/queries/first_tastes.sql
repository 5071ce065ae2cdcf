-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutFirstTaste :one
INSERT INTO first_tastes (id, person_id, species_id, part, day)
VALUES (sqlc.narg('id'), sqlc.arg('person_id'), sqlc.arg('species_id'), sqlc.arg('part'), sqlc.arg('day'))
ON CONFLICT (id) DO UPDATE SET
    person_id = excluded.person_id,
    species_id = excluded.species_id,
    part = excluded.part,
    day = excluded.day
RETURNING *;

-- name: GetFirstTaste :one
SELECT * FROM first_tastes WHERE id = ?;

-- name: DropFirstTaste :exec
DELETE FROM first_tastes WHERE id = ?;

-- name: ListFirstTastes :many
SELECT * FROM first_tastes ORDER BY id;
