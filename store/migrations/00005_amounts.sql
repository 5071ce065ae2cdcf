-- +goose Up
-- A look that was asked back as surprising, and affirmed.
ALTER TABLE observations ADD COLUMN affirmed INTEGER NOT NULL DEFAULT 0;

-- Crowns that were put back with a lifting stay in the stand. What was noted after which
-- entry of the ledger tells a lifting from a recount on the same day.
ALTER TABLE pickings ADD COLUMN crowns_back REAL NOT NULL DEFAULT 0;
ALTER TABLE pickings ADD COLUMN noted_after INTEGER NOT NULL DEFAULT 0;
ALTER TABLE plantings ADD COLUMN counted_after INTEGER NOT NULL DEFAULT 0;
-- The year of life that it was in when it was set; null where nobody said.
ALTER TABLE plantings ADD COLUMN start_year INTEGER CHECK (start_year > 0);

-- How much of a picking was made into something, fresh; null is all that was left.
ALTER TABLE makings ADD COLUMN grams REAL CHECK (grams > 0);

-- The grower's own measures: what a handful, a bowl or a cup of a part weighs, weighed
-- once.
CREATE TABLE measures (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL CHECK (name <> ''),
    species_id TEXT NOT NULL,
    part       TEXT NOT NULL,
    grams      REAL NOT NULL CHECK (grams > 0),
    UNIQUE (name, species_id, part)
) STRICT;

-- Where the weather is read from: the simulated station, or nothing but the climate.
ALTER TABLE site ADD COLUMN station TEXT NOT NULL DEFAULT '' CHECK (station IN ('', 'simulated'));

-- +goose Down
ALTER TABLE site DROP COLUMN station;
DROP TABLE measures;
ALTER TABLE makings DROP COLUMN grams;
ALTER TABLE plantings DROP COLUMN start_year;
ALTER TABLE plantings DROP COLUMN counted_after;
ALTER TABLE pickings DROP COLUMN noted_after;
ALTER TABLE pickings DROP COLUMN crowns_back;
ALTER TABLE observations DROP COLUMN affirmed;
