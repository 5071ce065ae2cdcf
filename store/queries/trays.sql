-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutTray :one
INSERT INTO trays (id, name, place_id, rows, columns, cell_l, cell_cm, mix, cells, filled_on, removed_on)
VALUES (sqlc.narg('id'), sqlc.arg('name'), sqlc.narg('place_id'), sqlc.arg('rows'), sqlc.arg('columns'), sqlc.arg('cell_l'), sqlc.arg('cell_cm'), sqlc.arg('mix'), sqlc.arg('cells'), sqlc.narg('filled_on'), sqlc.narg('removed_on'))
ON CONFLICT (id) DO UPDATE SET
    name = excluded.name,
    place_id = excluded.place_id,
    rows = excluded.rows,
    columns = excluded.columns,
    cell_l = excluded.cell_l,
    cell_cm = excluded.cell_cm,
    mix = excluded.mix,
    cells = excluded.cells,
    filled_on = excluded.filled_on,
    removed_on = excluded.removed_on
RETURNING *;

-- name: GetTray :one
SELECT * FROM trays WHERE id = ?;

-- name: DropTray :exec
DELETE FROM trays WHERE id = ?;

-- name: ListTrays :many
SELECT * FROM trays ORDER BY id;
