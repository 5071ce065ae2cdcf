-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutReading :one
INSERT INTO readings (id, bed_id, day, kind, detail, note)
VALUES (sqlc.narg('id'), sqlc.arg('bed_id'), sqlc.arg('day'), sqlc.arg('kind'), sqlc.arg('detail'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    bed_id = excluded.bed_id,
    day = excluded.day,
    kind = excluded.kind,
    detail = excluded.detail,
    note = excluded.note
RETURNING *;

-- name: GetReading :one
SELECT * FROM readings WHERE id = ?;

-- name: DropReading :exec
DELETE FROM readings WHERE id = ?;

-- name: ListReadings :many
SELECT * FROM readings ORDER BY day, id;
