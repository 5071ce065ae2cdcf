-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutBatch :one
INSERT INTO batches (id, wish_id, species_id, way, lot_id, mother_id, volunteer_id, wanted, starts, trays, planned_on, begun_on, stays, out_on, bed_id, food, priority, note, ended_on)
VALUES (sqlc.narg('id'), sqlc.narg('wish_id'), sqlc.arg('species_id'), sqlc.arg('way'), sqlc.narg('lot_id'), sqlc.narg('mother_id'), sqlc.narg('volunteer_id'), sqlc.arg('wanted'), sqlc.arg('starts'), sqlc.arg('trays'), sqlc.arg('planned_on'), sqlc.narg('begun_on'), sqlc.arg('stays'), sqlc.arg('out_on'), sqlc.narg('bed_id'), sqlc.arg('food'), sqlc.arg('priority'), sqlc.arg('note'), sqlc.narg('ended_on'))
ON CONFLICT (id) DO UPDATE SET
    wish_id = excluded.wish_id,
    species_id = excluded.species_id,
    way = excluded.way,
    lot_id = excluded.lot_id,
    mother_id = excluded.mother_id,
    volunteer_id = excluded.volunteer_id,
    wanted = excluded.wanted,
    starts = excluded.starts,
    trays = excluded.trays,
    planned_on = excluded.planned_on,
    begun_on = excluded.begun_on,
    stays = excluded.stays,
    out_on = excluded.out_on,
    bed_id = excluded.bed_id,
    food = excluded.food,
    priority = excluded.priority,
    note = excluded.note,
    ended_on = excluded.ended_on
RETURNING *;

-- name: GetBatch :one
SELECT * FROM batches WHERE id = ?;

-- name: DropBatch :exec
DELETE FROM batches WHERE id = ?;

-- name: ListBatchs :many
SELECT * FROM batches ORDER BY id;
