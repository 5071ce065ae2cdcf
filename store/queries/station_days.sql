-- name: KeepStationDay :exec
INSERT INTO station_days (station, day, tmin_c, tmax_c, rain_mm)
VALUES (sqlc.arg('station'), sqlc.arg('day'), sqlc.narg('tmin_c'), sqlc.narg('tmax_c'), sqlc.narg('rain_mm'))
ON CONFLICT (station, day) DO NOTHING;

-- name: ListStationDays :many
SELECT * FROM station_days WHERE station = sqlc.arg('station') AND day >= sqlc.arg('first') AND day <= sqlc.arg('last') ORDER BY day;
