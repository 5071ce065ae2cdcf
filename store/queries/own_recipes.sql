-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutOwnRecipe :one
INSERT INTO own_recipes (id, text, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('text'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    text = excluded.text,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetOwnRecipe :one
SELECT * FROM own_recipes WHERE id = ?;

-- name: DropOwnRecipe :exec
DELETE FROM own_recipes WHERE id = ?;

-- name: ListOwnRecipes :many
SELECT * FROM own_recipes ORDER BY id;
