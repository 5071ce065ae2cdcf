-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutBatchCount :one
INSERT INTO batch_counts (id, batch_id, day, kind, plants, planting_id, note)
VALUES (sqlc.narg('id'), sqlc.arg('batch_id'), sqlc.arg('day'), sqlc.arg('kind'), sqlc.arg('plants'), sqlc.narg('planting_id'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    batch_id = excluded.batch_id,
    day = excluded.day,
    kind = excluded.kind,
    plants = excluded.plants,
    planting_id = excluded.planting_id,
    note = excluded.note
RETURNING *;

-- name: GetBatchCount :one
SELECT * FROM batch_counts WHERE id = ?;

-- name: DropBatchCount :exec
DELETE FROM batch_counts WHERE id = ?;

-- name: ListBatchCounts :many
SELECT * FROM batch_counts ORDER BY batch_id, id;
