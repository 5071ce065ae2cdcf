-- +goose Up
-- Whether anybody said where the plot lies: the place that a new plot begins with is no answer.
ALTER TABLE site ADD COLUMN placed INTEGER NOT NULL DEFAULT 0 CHECK (placed IN (0, 1));
UPDATE site SET placed = 1 WHERE EXISTS (SELECT 1 FROM ledger);

-- +goose Down
ALTER TABLE site DROP COLUMN placed;
