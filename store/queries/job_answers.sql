-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutJobAnswer :one
INSERT INTO job_answers (id, planting_id, job_key, answer, day, until_day)
VALUES (sqlc.narg('id'), sqlc.arg('planting_id'), sqlc.arg('job_key'), sqlc.arg('answer'), sqlc.arg('day'), sqlc.narg('until_day'))
ON CONFLICT (id) DO UPDATE SET
    planting_id = excluded.planting_id,
    job_key = excluded.job_key,
    answer = excluded.answer,
    day = excluded.day,
    until_day = excluded.until_day
RETURNING *;

-- name: GetJobAnswer :one
SELECT * FROM job_answers WHERE id = ?;

-- name: DropJobAnswer :exec
DELETE FROM job_answers WHERE id = ?;

-- name: ListJobAnswers :many
SELECT * FROM job_answers ORDER BY id;
