-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutInsuredSowing :one
INSERT INTO insured_sowings (id, planting_id, since)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.arg('since'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    since = excluded.since
RETURNING *;

-- name: GetInsuredSowing :one
SELECT * FROM insured_sowings WHERE id = ?;

-- name: DropInsuredSowing :exec
DELETE FROM insured_sowings WHERE id = ?;

-- name: ListInsuredSowings :many
SELECT * FROM insured_sowings ORDER BY id;
