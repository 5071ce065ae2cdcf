-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutRootStand :one
INSERT INTO root_stands (id, species_id, bed_id, school, survival, offspring, crowns, take)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('bed_id'), sqlc.arg('school'), sqlc.narg('survival'), sqlc.narg('offspring'), sqlc.narg('crowns'), sqlc.narg('take'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    bed_id = excluded.bed_id,
    school = excluded.school,
    survival = excluded.survival,
    offspring = excluded.offspring,
    crowns = excluded.crowns,
    take = excluded.take
RETURNING *;

-- name: GetRootStand :one
SELECT * FROM root_stands WHERE id = ?;

-- name: DropRootStand :exec
DELETE FROM root_stands WHERE id = ?;

-- name: ListRootStands :many
SELECT * FROM root_stands ORDER BY id;
