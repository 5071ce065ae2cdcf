-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutGatherSettings :one
INSERT INTO gather_settings (id, trays, tray_m2, celsius, moving_air, monday, tuesday, wednesday, thursday, friday, saturday, sunday, drier, watts)
VALUES (sqlc.narg('id'), sqlc.narg('trays'), sqlc.arg('tray_m2'), sqlc.arg('celsius'), sqlc.arg('moving_air'), sqlc.narg('monday'), sqlc.narg('tuesday'), sqlc.narg('wednesday'), sqlc.narg('thursday'), sqlc.narg('friday'), sqlc.narg('saturday'), sqlc.narg('sunday'), sqlc.arg('drier'), sqlc.narg('watts'))
ON CONFLICT (id) DO UPDATE SET
    trays = excluded.trays,
    tray_m2 = excluded.tray_m2,
    celsius = excluded.celsius,
    moving_air = excluded.moving_air,
    monday = excluded.monday,
    tuesday = excluded.tuesday,
    wednesday = excluded.wednesday,
    thursday = excluded.thursday,
    friday = excluded.friday,
    saturday = excluded.saturday,
    sunday = excluded.sunday,
    drier = excluded.drier,
    watts = excluded.watts
RETURNING *;

-- name: GetGatherSettings :one
SELECT * FROM gather_settings WHERE id = ?;

-- name: DropGatherSettings :exec
DELETE FROM gather_settings WHERE id = ?;

-- name: ListGatherSettings :many
SELECT * FROM gather_settings ORDER BY id;
