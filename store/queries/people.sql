-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutPerson :one
INSERT INTO people (id, name, born, circumstances, note, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.narg('born'), sqlc.arg('circumstances'), sqlc.arg('note'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    born = excluded.born,
    circumstances = excluded.circumstances,
    note = excluded.note,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetPerson :one
SELECT * FROM people WHERE id = ?;

-- name: DropPerson :exec
DELETE FROM people WHERE id = ?;

-- name: ListPeople :many
SELECT * FROM people ORDER BY id;
