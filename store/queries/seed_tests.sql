-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutSeedTest :one
INSERT INTO seed_tests (id, lot_id, day, tried, came_up, note)
VALUES (sqlc.narg('id'), sqlc.arg('lot_id'), sqlc.arg('day'), sqlc.arg('tried'), sqlc.arg('came_up'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    lot_id = excluded.lot_id,
    day = excluded.day,
    tried = excluded.tried,
    came_up = excluded.came_up,
    note = excluded.note
RETURNING *;

-- name: GetSeedTest :one
SELECT * FROM seed_tests WHERE id = ?;

-- name: DropSeedTest :exec
DELETE FROM seed_tests WHERE id = ?;

-- name: ListSeedTests :many
SELECT * FROM seed_tests ORDER BY day, id;
