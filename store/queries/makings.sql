-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutMaking :one
INSERT INTO makings (id, picking_id, day, preparation, note, grams)
VALUES (sqlc.narg('id'), sqlc.arg('picking_id'), sqlc.arg('day'), sqlc.arg('preparation'), sqlc.arg('note'), sqlc.narg('grams'))
ON CONFLICT (id) DO UPDATE SET
    picking_id = excluded.picking_id,
    day = excluded.day,
    preparation = excluded.preparation,
    note = excluded.note,
    grams = excluded.grams
RETURNING *;

-- name: GetMaking :one
SELECT * FROM makings WHERE id = ?;

-- name: DropMaking :exec
DELETE FROM makings WHERE id = ?;

-- name: ListMakings :many
SELECT * FROM makings ORDER BY day, id;
