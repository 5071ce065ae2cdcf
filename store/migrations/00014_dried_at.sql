-- How warm the drier was as a lot was laid in, and whether its air moved: what a drying tells holds for those.

-- +goose Up
ALTER TABLE lots ADD COLUMN celsius REAL;
ALTER TABLE lots ADD COLUMN moving_air INTEGER CHECK (moving_air IN (0, 1));

-- +goose Down
ALTER TABLE lots DROP COLUMN moving_air;
ALTER TABLE lots DROP COLUMN celsius;
