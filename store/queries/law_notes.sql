-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutLawNote :one
INSERT INTO law_notes (id, species_id, day, listed, note)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('day'), sqlc.arg('listed'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    day = excluded.day,
    listed = excluded.listed,
    note = excluded.note
RETURNING *;

-- name: GetLawNote :one
SELECT * FROM law_notes WHERE id = ?;

-- name: DropLawNote :exec
DELETE FROM law_notes WHERE id = ?;

-- name: ListLawNotes :many
SELECT * FROM law_notes ORDER BY id;
