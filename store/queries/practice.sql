-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutPractice :one
INSERT INTO practice (id, species_id, other_id, box, due, tries, correct, deadly, last)
VALUES (sqlc.narg('id'), sqlc.arg('species_id'), sqlc.arg('other_id'), sqlc.arg('box'), sqlc.arg('due'), sqlc.arg('tries'), sqlc.arg('correct'), sqlc.arg('deadly'), sqlc.arg('last'))
ON CONFLICT (id) DO UPDATE SET
    species_id = excluded.species_id,
    other_id = excluded.other_id,
    box = excluded.box,
    due = excluded.due,
    tries = excluded.tries,
    correct = excluded.correct,
    deadly = excluded.deadly,
    last = excluded.last
RETURNING *;

-- name: GetPractice :one
SELECT * FROM practice WHERE id = ?;

-- name: DropPractice :exec
DELETE FROM practice WHERE id = ?;

-- name: ListPractice :many
SELECT * FROM practice ORDER BY id;
