-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutSeasonPlan :one
INSERT INTO season_plans (id, season, name, made_on, picks, worth, bound, problem)
VALUES (sqlc.narg('id'), sqlc.arg('season'), sqlc.arg('name'), sqlc.arg('made_on'), sqlc.arg('picks'), sqlc.arg('worth'), sqlc.arg('bound'), sqlc.arg('problem'))
ON CONFLICT (id) DO UPDATE SET
    season = excluded.season,
    name = excluded.name,
    made_on = excluded.made_on,
    picks = excluded.picks,
    worth = excluded.worth,
    bound = excluded.bound,
    problem = excluded.problem
RETURNING *;

-- name: GetSeasonPlan :one
SELECT * FROM season_plans WHERE id = ?;

-- name: DropSeasonPlan :exec
DELETE FROM season_plans WHERE id = ?;

-- name: ListSeasonPlans :many
SELECT * FROM season_plans ORDER BY id;
