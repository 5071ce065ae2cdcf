-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutSorting :one
INSERT INTO sortings (id, picking_id, day, by_whom, answers, rejected, note, handling, rejected_to)
VALUES (sqlc.narg('id'), sqlc.arg('picking_id'), sqlc.arg('day'), sqlc.arg('by_whom'), sqlc.arg('answers'), sqlc.arg('rejected'), sqlc.arg('note'), sqlc.arg('handling'), sqlc.arg('rejected_to'))
ON CONFLICT (id) DO UPDATE SET
    picking_id = excluded.picking_id,
    day = excluded.day,
    by_whom = excluded.by_whom,
    answers = excluded.answers,
    rejected = excluded.rejected,
    note = excluded.note,
    handling = excluded.handling,
    rejected_to = excluded.rejected_to
RETURNING *;

-- name: GetSorting :one
SELECT * FROM sortings WHERE id = ?;

-- name: DropSorting :exec
DELETE FROM sortings WHERE id = ?;

-- name: ListSortings :many
SELECT * FROM sortings ORDER BY day, id;
