-- +goose Up

-- What came up by itself may be shown on the plan, may have set seed, and something was done with it: the deed, and the
-- planting that it became where it is to be eaten.
ALTER TABLE volunteers ADD COLUMN x REAL;
ALTER TABLE volunteers ADD COLUMN y REAL;
ALTER TABLE volunteers ADD COLUMN seeding INTEGER NOT NULL DEFAULT 0;
ALTER TABLE volunteers ADD COLUMN deed TEXT NOT NULL DEFAULT '';
ALTER TABLE volunteers ADD COLUMN planting_id INTEGER REFERENCES plantings (id);

-- Where a stand's front was seen: the farthest it has come, a place that it has passed, or nothing past its bed's edge
-- (then without a place).
CREATE TABLE front_sightings (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL REFERENCES plantings (id),
    day         TEXT NOT NULL,
    kind        TEXT NOT NULL,
    x           REAL,
    y           REAL,
    note        TEXT NOT NULL
) STRICT;

-- How a stand is held: its policy, the ways as JSON, what it is not to reach and the chance within which it is to be
-- kept from it.
CREATE TABLE stand_holds (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL UNIQUE REFERENCES plantings (id),
    policy      TEXT NOT NULL,
    ways        TEXT NOT NULL,
    target      TEXT NOT NULL,
    line        REAL NOT NULL CHECK (line > 0 AND line < 1),
    since       TEXT NOT NULL
) STRICT;

-- What a household found on its own list of a kind.
CREATE TABLE law_notes (
    id         INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL UNIQUE,
    day        TEXT NOT NULL,
    listed     TEXT NOT NULL,
    note       TEXT NOT NULL
) STRICT;

-- Animals that are let into a bed after its crop, and what comes after them.
CREATE TABLE clearings (
    id       INTEGER PRIMARY KEY,
    bed_id   INTEGER NOT NULL REFERENCES beds (id),
    animal   TEXT NOT NULL,
    head     INTEGER NOT NULL CHECK (head > 0),
    day      TEXT NOT NULL,
    days     INTEGER NOT NULL CHECK (days > 0),
    then_do  TEXT NOT NULL,
    note     TEXT NOT NULL,
    ended_on TEXT
) STRICT;

-- What holding costs here, one row: prices, and which animals are kept, by commas.
CREATE TABLE spread_settings (
    id          INTEGER PRIMARY KEY,
    board_price REAL CHECK (board_price >= 0),
    sheet_price REAL CHECK (sheet_price >= 0),
    pot_price   REAL CHECK (pot_price >= 0),
    currency    TEXT NOT NULL,
    animals     TEXT NOT NULL
) STRICT;

CREATE INDEX front_sightings_by_planting ON front_sightings (planting_id);

-- +goose Down
DROP TABLE spread_settings;
DROP TABLE clearings;
DROP TABLE law_notes;
DROP TABLE stand_holds;
DROP TABLE front_sightings;
ALTER TABLE volunteers DROP COLUMN planting_id;
ALTER TABLE volunteers DROP COLUMN deed;
ALTER TABLE volunteers DROP COLUMN seeding;
ALTER TABLE volunteers DROP COLUMN y;
ALTER TABLE volunteers DROP COLUMN x;
