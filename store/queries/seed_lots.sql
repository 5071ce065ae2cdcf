-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutSeedLot :one
INSERT INTO seed_lots (id, species_id, name, origin, mother_id, mothers, source, ripe_on, sign, dried, storage, grams, seeds_gram, labelled, note, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('name'), sqlc.arg('origin'), sqlc.narg('mother_id'), sqlc.narg('mothers'), sqlc.arg('source'), sqlc.arg('ripe_on'), sqlc.arg('sign'), sqlc.arg('dried'), sqlc.arg('storage'), sqlc.narg('grams'), sqlc.narg('seeds_gram'), sqlc.arg('labelled'), sqlc.arg('note'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    name = excluded.name,
    origin = excluded.origin,
    mother_id = excluded.mother_id,
    mothers = excluded.mothers,
    source = excluded.source,
    ripe_on = excluded.ripe_on,
    sign = excluded.sign,
    dried = excluded.dried,
    storage = excluded.storage,
    grams = excluded.grams,
    seeds_gram = excluded.seeds_gram,
    labelled = excluded.labelled,
    note = excluded.note,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetSeedLot :one
SELECT * FROM seed_lots WHERE id = ?;

-- name: DropSeedLot :exec
DELETE FROM seed_lots WHERE id = ?;

-- name: ListSeedLots :many
SELECT * FROM seed_lots ORDER BY id;
