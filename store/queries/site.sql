-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutSite :one
INSERT INTO site (id, name, latitude, altitude_m, climate_id, width_m, depth_m, units, weather_seed, bearing_deg, longitude, boundary, customs, station, copies_kept, placed)
VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    latitude = excluded.latitude,
    altitude_m = excluded.altitude_m,
    climate_id = excluded.climate_id,
    width_m = excluded.width_m,
    depth_m = excluded.depth_m,
    units = excluded.units,
    weather_seed = excluded.weather_seed,
    bearing_deg = excluded.bearing_deg,
    longitude = excluded.longitude,
    boundary = excluded.boundary,
    customs = excluded.customs,
    station = excluded.station,
    copies_kept = excluded.copies_kept,
    placed = excluded.placed
RETURNING *;

-- name: GetSite :one
SELECT * FROM site WHERE id = 1;
