-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutWatering :one
INSERT INTO waterings (id, bed_id, day, litres, note)
VALUES (sqlc.narg('id'), sqlc.arg('bed_id'), sqlc.arg('day'), sqlc.arg('litres'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    bed_id = excluded.bed_id,
    day = excluded.day,
    litres = excluded.litres,
    note = excluded.note
RETURNING *;

-- name: GetWatering :one
SELECT * FROM waterings WHERE id = ?;

-- name: DropWatering :exec
DELETE FROM waterings WHERE id = ?;

-- name: ListWaterings :many
SELECT * FROM waterings ORDER BY day, id;
