-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutLook :one
INSERT INTO looks (id, planting_id, find_id, day, by_whom, answers, shown, photos, note, noted_on)
VALUES (sqlc.narg('id'), sqlc.narg('planting_id'), sqlc.narg('find_id'), sqlc.arg('day'), sqlc.arg('by_whom'), sqlc.arg('answers'), sqlc.arg('shown'), sqlc.arg('photos'), sqlc.arg('note'), sqlc.arg('noted_on'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    find_id = excluded.find_id,
    day = excluded.day,
    by_whom = excluded.by_whom,
    answers = excluded.answers,
    shown = excluded.shown,
    photos = excluded.photos,
    note = excluded.note,
    noted_on = excluded.noted_on
RETURNING *;

-- name: GetLook :one
SELECT * FROM looks WHERE id = ?;

-- name: DropLook :exec
DELETE FROM looks WHERE id = ?;

-- name: ListLooks :many
SELECT * FROM looks ORDER BY day, id;
