-- +goose Up

-- How a need was typed, and how much it matters against the others.
ALTER TABLE needs ADD COLUMN typed TEXT NOT NULL DEFAULT '';
ALTER TABLE needs ADD COLUMN weight REAL NOT NULL DEFAULT 1 CHECK (weight >= 0);

-- Where on the plant it was taken, what was left, and in which weather.
ALTER TABLE pickings ADD COLUMN where_on TEXT NOT NULL DEFAULT '';
ALTER TABLE pickings ADD COLUMN left_words TEXT NOT NULL DEFAULT '';
ALTER TABLE pickings ADD COLUMN weather TEXT NOT NULL DEFAULT '';

-- What was done with it at the table, by commas, and where what was rejected went.
ALTER TABLE sortings ADD COLUMN handling TEXT NOT NULL DEFAULT '';
ALTER TABLE sortings ADD COLUMN rejected_to TEXT NOT NULL DEFAULT '';

-- A day on which so much of a part must be ready.
CREATE TABLE feasts (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL CHECK (name <> ''),
    day        TEXT NOT NULL,
    species_id TEXT NOT NULL,
    part       TEXT NOT NULL,
    grams      REAL NOT NULL CHECK (grams > 0),
    typed      TEXT NOT NULL
) STRICT;

-- What the season's pickings have to make do with, one row: the drier, and the minutes for picking on each weekday, NULL
-- where nobody said.
CREATE TABLE gather_settings (
    id         INTEGER PRIMARY KEY,
    trays      INTEGER CHECK (trays BETWEEN 0 AND 1000),
    tray_m2    REAL NOT NULL CHECK (tray_m2 > 0),
    celsius    REAL NOT NULL,
    moving_air INTEGER NOT NULL,
    monday     INTEGER CHECK (monday BETWEEN 0 AND 1440),
    tuesday    INTEGER CHECK (tuesday BETWEEN 0 AND 1440),
    wednesday  INTEGER CHECK (wednesday BETWEEN 0 AND 1440),
    thursday   INTEGER CHECK (thursday BETWEEN 0 AND 1440),
    friday     INTEGER CHECK (friday BETWEEN 0 AND 1440),
    saturday   INTEGER CHECK (saturday BETWEEN 0 AND 1440),
    sunday     INTEGER CHECK (sunday BETWEEN 0 AND 1440)
) STRICT;

-- Days on which nobody is there to pick.
CREATE TABLE days_away (
    id        INTEGER PRIMARY KEY,
    first_day TEXT NOT NULL,
    last_day  TEXT NOT NULL,
    note      TEXT NOT NULL
) STRICT;

-- The share of a part that a household leaves standing, more than the plant's own floor, and for whom.
CREATE TABLE kept_shares (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL REFERENCES plantings (id),
    part        TEXT NOT NULL,
    share       REAL NOT NULL CHECK (share > 0 AND share <= 1),
    for_whom    TEXT NOT NULL,
    UNIQUE (planting_id, part)
) STRICT;

-- A day of the year on which a household's custom asks for a part: month and day.
CREATE TABLE custom_days (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL CHECK (name <> ''),
    month      INTEGER NOT NULL CHECK (month BETWEEN 1 AND 12),
    day        INTEGER NOT NULL CHECK (day BETWEEN 1 AND 31),
    species_id TEXT NOT NULL,
    part       TEXT NOT NULL
) STRICT;

-- The plans of a season: the one that is followed, without a name, and those kept to be held against it. Pickings are
-- JSON; problem is a digest of what it was made from.
CREATE TABLE season_plans (
    id      INTEGER PRIMARY KEY,
    season  TEXT NOT NULL,
    name    TEXT NOT NULL,
    made_on TEXT NOT NULL,
    picks   TEXT NOT NULL,
    worth   REAL NOT NULL,
    bound   REAL NOT NULL,
    problem TEXT NOT NULL,
    UNIQUE (season, name)
) STRICT;

-- Whoever of the household took a kind by mouth and was told to begin with a little.
CREATE TABLE first_tastes (
    id         INTEGER PRIMARY KEY,
    person_id  INTEGER NOT NULL REFERENCES people (id),
    species_id TEXT NOT NULL,
    part       TEXT NOT NULL,
    day        TEXT NOT NULL,
    UNIQUE (person_id, species_id, part)
) STRICT;

-- How a stand of roots is taken: what the household saw of it, its school, and how many it settled on a year.
CREATE TABLE root_stands (
    id         INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL,
    bed_id     INTEGER NOT NULL REFERENCES beds (id),
    school     TEXT NOT NULL,
    survival   REAL CHECK (survival BETWEEN 0 AND 1),
    offspring  REAL CHECK (offspring >= 0),
    crowns     REAL CHECK (crowns BETWEEN 0 AND 1),
    take       INTEGER CHECK (take >= 0),
    UNIQUE (species_id, bed_id)
) STRICT;

-- +goose Down
DROP TABLE root_stands;
DROP TABLE first_tastes;
DROP TABLE season_plans;
DROP TABLE custom_days;
DROP TABLE kept_shares;
DROP TABLE days_away;
DROP TABLE gather_settings;
DROP TABLE feasts;
ALTER TABLE sortings DROP COLUMN rejected_to;
ALTER TABLE sortings DROP COLUMN handling;
ALTER TABLE pickings DROP COLUMN weather;
ALTER TABLE pickings DROP COLUMN left_words;
ALTER TABLE pickings DROP COLUMN where_on;
ALTER TABLE needs DROP COLUMN weight;
ALTER TABLE needs DROP COLUMN typed;
