-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutWish :one
INSERT INTO wishes (id, species_id, plants, bed_id, by_day, cause, cause_key, day, note, ended_on)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('plants'), sqlc.narg('bed_id'), sqlc.narg('by_day'), sqlc.arg('cause'), sqlc.arg('cause_key'), sqlc.arg('day'), sqlc.arg('note'), sqlc.narg('ended_on'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    plants = excluded.plants,
    bed_id = excluded.bed_id,
    by_day = excluded.by_day,
    cause = excluded.cause,
    cause_key = excluded.cause_key,
    day = excluded.day,
    note = excluded.note,
    ended_on = excluded.ended_on
RETURNING *;

-- name: GetWish :one
SELECT * FROM wishes WHERE id = ?;

-- name: DropWish :exec
DELETE FROM wishes WHERE id = ?;

-- name: ListWishs :many
SELECT * FROM wishes ORDER BY id;
