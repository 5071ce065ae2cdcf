-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutWeatherReading :one
INSERT INTO weather_readings (id, day, source, tmin_c, tmax_c, rain_mm, note)
VALUES (sqlc.narg('id'), sqlc.arg('day'), sqlc.arg('source'), sqlc.narg('tmin_c'), sqlc.narg('tmax_c'), sqlc.narg('rain_mm'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    day = excluded.day,
    source = excluded.source,
    tmin_c = excluded.tmin_c,
    tmax_c = excluded.tmax_c,
    rain_mm = excluded.rain_mm,
    note = excluded.note
RETURNING *;

-- name: GetWeatherReading :one
SELECT * FROM weather_readings WHERE id = ?;

-- name: DropWeatherReading :exec
DELETE FROM weather_readings WHERE id = ?;

-- name: ListWeatherReadings :many
SELECT * FROM weather_readings ORDER BY day, id;
