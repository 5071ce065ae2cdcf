-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutKeptRoom :one
INSERT INTO kept_rooms (id, place_id, name, trays, from_day, until_day, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('place_id'), sqlc.arg('name'), sqlc.arg('trays'), sqlc.arg('from_day'), sqlc.arg('until_day'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    place_id = excluded.place_id,
    name = excluded.name,
    trays = excluded.trays,
    from_day = excluded.from_day,
    until_day = excluded.until_day,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetKeptRoom :one
SELECT * FROM kept_rooms WHERE id = ?;

-- name: DropKeptRoom :exec
DELETE FROM kept_rooms WHERE id = ?;

-- name: ListKeptRooms :many
SELECT * FROM kept_rooms ORDER BY id;
