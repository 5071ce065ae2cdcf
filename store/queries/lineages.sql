-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutLineage :one
INSERT INTO lineages (id, planting_id, batch_id, mother_id, lot_id)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.narg('batch_id'), sqlc.narg('mother_id'), sqlc.narg('lot_id'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    batch_id = excluded.batch_id,
    mother_id = excluded.mother_id,
    lot_id = excluded.lot_id
RETURNING *;

-- name: GetLineage :one
SELECT * FROM lineages WHERE id = ?;

-- name: DropLineage :exec
DELETE FROM lineages WHERE id = ?;

-- name: ListLineages :many
SELECT * FROM lineages ORDER BY id;
