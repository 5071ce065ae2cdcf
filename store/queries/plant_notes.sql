-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutPlantNote :one
INSERT INTO plant_notes (id, species_id, kind, author, text, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('kind'), sqlc.arg('author'), sqlc.arg('text'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    kind = excluded.kind,
    author = excluded.author,
    text = excluded.text,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetPlantNote :one
SELECT * FROM plant_notes WHERE id = ?;

-- name: DropPlantNote :exec
DELETE FROM plant_notes WHERE id = ?;

-- name: ListPlantNotes :many
SELECT * FROM plant_notes ORDER BY id;
