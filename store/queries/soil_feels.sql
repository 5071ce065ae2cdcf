-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutSoilFeel :one
INSERT INTO soil_feels (id, bed_id, day, kind, feel, gone, note)
VALUES (sqlc.narg('id'), sqlc.arg('bed_id'), sqlc.arg('day'), sqlc.arg('kind'), sqlc.arg('feel'), sqlc.arg('gone'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    bed_id = excluded.bed_id,
    day = excluded.day,
    kind = excluded.kind,
    feel = excluded.feel,
    gone = excluded.gone,
    note = excluded.note
RETURNING *;

-- name: GetSoilFeel :one
SELECT * FROM soil_feels WHERE id = ?;

-- name: DropSoilFeel :exec
DELETE FROM soil_feels WHERE id = ?;

-- name: ListSoilFeels :many
SELECT * FROM soil_feels ORDER BY day, id;
