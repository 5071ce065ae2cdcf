-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutRaisingPlace :one
INSERT INTO raising_places (id, name, kind, trays, set_c, offset_c, floor_c, light_h, note, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.arg('kind'), sqlc.arg('trays'), sqlc.narg('set_c'), sqlc.arg('offset_c'), sqlc.narg('floor_c'), sqlc.narg('light_h'), sqlc.arg('note'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    kind = excluded.kind,
    trays = excluded.trays,
    set_c = excluded.set_c,
    offset_c = excluded.offset_c,
    floor_c = excluded.floor_c,
    light_h = excluded.light_h,
    note = excluded.note,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetRaisingPlace :one
SELECT * FROM raising_places WHERE id = ?;

-- name: DropRaisingPlace :exec
DELETE FROM raising_places WHERE id = ?;

-- name: ListRaisingPlaces :many
SELECT * FROM raising_places ORDER BY id;
