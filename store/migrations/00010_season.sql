-- +goose Up

-- A look may count the plants that stand, and carry photographs: names as looks carry them.
ALTER TABLE observations ADD COLUMN counted INTEGER CHECK (counted >= 0);
ALTER TABLE observations ADD COLUMN photos TEXT NOT NULL DEFAULT '';

-- Small pictures of the photographs, made of them: no part of the plot's files, and made anew where they are missing.
CREATE TABLE thumbnails (
    sha256 TEXT PRIMARY KEY REFERENCES photographs (sha256),
    bytes  BLOB NOT NULL
) STRICT;

-- How the household works, one row: the minutes there are for the garden on each weekday, NULL where nobody said, and
-- from which chance on a cold night is told.
CREATE TABLE work_settings (
    id           INTEGER PRIMARY KEY,
    monday       INTEGER CHECK (monday BETWEEN 0 AND 1440),
    tuesday      INTEGER CHECK (tuesday BETWEEN 0 AND 1440),
    wednesday    INTEGER CHECK (wednesday BETWEEN 0 AND 1440),
    thursday     INTEGER CHECK (thursday BETWEEN 0 AND 1440),
    friday       INTEGER CHECK (friday BETWEEN 0 AND 1440),
    saturday     INTEGER CHECK (saturday BETWEEN 0 AND 1440),
    sunday       INTEGER CHECK (sunday BETWEEN 0 AND 1440),
    night_chance REAL NOT NULL CHECK (night_chance > 0 AND night_chance < 1)
) STRICT;

-- The grower's own monthly means, one row, as a climate's file is written.
CREATE TABLE own_climates (
    id   INTEGER PRIMARY KEY,
    text TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE own_climates;
DROP TABLE work_settings;
DROP TABLE thumbnails;
ALTER TABLE observations DROP COLUMN photos;
ALTER TABLE observations DROP COLUMN counted;
