-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutJar :one
INSERT INTO jars (id, shelf_id, vessel, ml, name, opened_on, ended_on, note)
VALUES (sqlc.narg('id'), sqlc.narg('shelf_id'), sqlc.arg('vessel'), sqlc.arg('ml'), sqlc.arg('name'), sqlc.narg('opened_on'), sqlc.narg('ended_on'), sqlc.arg('note'))
ON CONFLICT (id) DO UPDATE SET
    shelf_id = excluded.shelf_id,
    vessel = excluded.vessel,
    ml = excluded.ml,
    name = excluded.name,
    opened_on = excluded.opened_on,
    ended_on = excluded.ended_on,
    note = excluded.note
RETURNING *;

-- name: GetJar :one
SELECT * FROM jars WHERE id = ?;

-- name: DropJar :exec
DELETE FROM jars WHERE id = ?;

-- name: ListJars :many
SELECT * FROM jars ORDER BY id;
