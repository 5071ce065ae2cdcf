-- Put writes a whole row: a new one where id is null, else in place of the old.
-- It is the only way rows change, so that the ledger can put any row back.
-- name: PutBench :one
INSERT INTO bench (id, scoop_l, bucket_l, packet_price, plant_price, mix_price, currency, soon, cheap, certain, easy, tray_cells, cell_l, cell_cm)
VALUES (sqlc.narg('id'), sqlc.narg('scoop_l'), sqlc.narg('bucket_l'), sqlc.narg('packet_price'), sqlc.narg('plant_price'), sqlc.narg('mix_price'), sqlc.arg('currency'), sqlc.arg('soon'), sqlc.arg('cheap'), sqlc.arg('certain'), sqlc.arg('easy'), sqlc.arg('tray_cells'), sqlc.arg('cell_l'), sqlc.arg('cell_cm'))
ON CONFLICT (id) DO UPDATE SET
    scoop_l = excluded.scoop_l,
    bucket_l = excluded.bucket_l,
    packet_price = excluded.packet_price,
    plant_price = excluded.plant_price,
    mix_price = excluded.mix_price,
    currency = excluded.currency,
    soon = excluded.soon,
    cheap = excluded.cheap,
    certain = excluded.certain,
    easy = excluded.easy,
    tray_cells = excluded.tray_cells,
    cell_l = excluded.cell_l,
    cell_cm = excluded.cell_cm
RETURNING *;

-- name: GetBench :one
SELECT * FROM bench WHERE id = ?;

-- name: DropBench :exec
DELETE FROM bench WHERE id = ?;

-- name: ListBenchs :many
SELECT * FROM bench ORDER BY id;
