-- name: ListDevices :many
SELECT * FROM devices ORDER BY id;

-- name: AddDevice :exec
INSERT INTO devices (id, token_hash, name, person, paired_at, seen_at, seen_from)
VALUES (?, ?, ?, ?, ?, ?, ?);

-- name: SeeDevice :exec
UPDATE devices SET seen_at = ?, seen_from = ? WHERE id = ?;

-- name: RenameDevice :exec
UPDATE devices SET name = ?, person = ? WHERE id = ?;

-- name: DropDevice :exec
DELETE FROM devices WHERE id = ?;

-- name: GetCalendarFeed :one
SELECT secret FROM calendar_feed WHERE id = 1;

-- name: PutCalendarFeed :exec
INSERT INTO calendar_feed (id, secret, renewed_at) VALUES (1, ?, ?)
ON CONFLICT (id) DO UPDATE SET secret = excluded.secret, renewed_at = excluded.renewed_at;

-- name: DropCalendarFeed :exec
DELETE FROM calendar_feed;
