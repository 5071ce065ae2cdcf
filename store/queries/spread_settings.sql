-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutSpreadSetting :one
INSERT INTO spread_settings (id, board_price, sheet_price, pot_price, currency, animals)
VALUES (sqlc.narg('id'), sqlc.narg('board_price'), sqlc.narg('sheet_price'), sqlc.narg('pot_price'), sqlc.arg('currency'), sqlc.arg('animals'))
ON CONFLICT (id) DO UPDATE SET
    board_price = excluded.board_price,
    sheet_price = excluded.sheet_price,
    pot_price = excluded.pot_price,
    currency = excluded.currency,
    animals = excluded.animals
RETURNING *;

-- name: GetSpreadSetting :one
SELECT * FROM spread_settings WHERE id = ?;

-- name: DropSpreadSetting :exec
DELETE FROM spread_settings WHERE id = ?;

-- name: ListSpreadSettings :many
SELECT * FROM spread_settings ORDER BY id;
