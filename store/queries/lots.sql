-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutLot :one
INSERT INTO lots (id, year, number, making, species_id, part, name, recipe_id, fresh, begun_at, ended_at, tray, days, grams, density, keeps_months, strength, bought_from, cautions, note, celsius, moving_air)
VALUES (sqlc.narg('id'), sqlc.arg('year'), sqlc.arg('number'), sqlc.arg('making'), sqlc.arg('species_id'), sqlc.arg('part'), sqlc.arg('name'), sqlc.narg('recipe_id'), sqlc.arg('fresh'), sqlc.arg('begun_at'), sqlc.narg('ended_at'), sqlc.narg('tray'), sqlc.arg('days'), sqlc.narg('grams'), sqlc.arg('density'), sqlc.arg('keeps_months'), sqlc.narg('strength'), sqlc.arg('bought_from'), sqlc.arg('cautions'), sqlc.arg('note'), sqlc.narg('celsius'), sqlc.narg('moving_air'))
ON CONFLICT (id) DO UPDATE SET
    year = excluded.year,
    number = excluded.number,
    making = excluded.making,
    species_id = excluded.species_id,
    part = excluded.part,
    name = excluded.name,
    recipe_id = excluded.recipe_id,
    fresh = excluded.fresh,
    begun_at = excluded.begun_at,
    ended_at = excluded.ended_at,
    tray = excluded.tray,
    days = excluded.days,
    grams = excluded.grams,
    density = excluded.density,
    keeps_months = excluded.keeps_months,
    strength = excluded.strength,
    bought_from = excluded.bought_from,
    cautions = excluded.cautions,
    note = excluded.note,
    celsius = excluded.celsius,
    moving_air = excluded.moving_air
RETURNING *;

-- name: GetLot :one
SELECT * FROM lots WHERE id = ?;

-- name: DropLot :exec
DELETE FROM lots WHERE id = ?;

-- name: ListLots :many
SELECT * FROM lots ORDER BY id;
