-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutPicking :one
INSERT INTO pickings (id, planting_id, day, part, units, grams, share, took_anyway, note, client_key, crowns_back, noted_after, where_on, left_words, weather)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.arg('day'), sqlc.arg('part'), sqlc.arg('units'), sqlc.arg('grams'), sqlc.arg('share'), sqlc.arg('took_anyway'), sqlc.arg('note'), sqlc.narg('client_key'), sqlc.arg('crowns_back'), sqlc.arg('noted_after'), sqlc.arg('where_on'), sqlc.arg('left_words'), sqlc.arg('weather'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    day = excluded.day,
    part = excluded.part,
    units = excluded.units,
    grams = excluded.grams,
    share = excluded.share,
    took_anyway = excluded.took_anyway,
    note = excluded.note,
    client_key = excluded.client_key,
    crowns_back = excluded.crowns_back,
    noted_after = excluded.noted_after,
    where_on = excluded.where_on,
    left_words = excluded.left_words,
    weather = excluded.weather
RETURNING *;

-- name: GetPicking :one
SELECT * FROM pickings WHERE id = ?;

-- name: DropPicking :exec
DELETE FROM pickings WHERE id = ?;

-- name: ListPickings :many
SELECT * FROM pickings ORDER BY day, id;
