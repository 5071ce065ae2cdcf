-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutWorkSettings :one
INSERT INTO work_settings (id, monday, tuesday, wednesday, thursday, friday, saturday, sunday, night_chance)
VALUES (sqlc.narg('id'), sqlc.narg('monday'), sqlc.narg('tuesday'), sqlc.narg('wednesday'), sqlc.narg('thursday'), sqlc.narg('friday'), sqlc.narg('saturday'), sqlc.narg('sunday'), sqlc.arg('night_chance'))
ON CONFLICT (id) DO UPDATE SET
    monday = excluded.monday,
    tuesday = excluded.tuesday,
    wednesday = excluded.wednesday,
    thursday = excluded.thursday,
    friday = excluded.friday,
    saturday = excluded.saturday,
    sunday = excluded.sunday,
    night_chance = excluded.night_chance
RETURNING *;

-- name: GetWorkSettings :one
SELECT * FROM work_settings WHERE id = ?;

-- name: DropWorkSettings :exec
DELETE FROM work_settings WHERE id = ?;

-- name: ListWorkSettings :many
SELECT * FROM work_settings ORDER BY id;
