-- +goose Up
CREATE TABLE site (
    id             INTEGER PRIMARY KEY CHECK (id = 1),
    name           TEXT    NOT NULL,
    latitude       REAL    NOT NULL CHECK (latitude BETWEEN -90 AND 90),
    altitude_m     REAL    NOT NULL,
    climate_id     TEXT    NOT NULL,
    width_m        REAL    NOT NULL CHECK (width_m > 0),
    depth_m        REAL    NOT NULL CHECK (depth_m > 0),
    units          TEXT    NOT NULL CHECK (units IN ('metric', 'us')),
    weather_seed   INTEGER NOT NULL
) STRICT;

CREATE TABLE beds (
    id          INTEGER PRIMARY KEY,
    name        TEXT    NOT NULL CHECK (name <> ''),
    x_m         REAL    NOT NULL,
    y_m         REAL    NOT NULL,
    width_m     REAL    NOT NULL CHECK (width_m > 0),
    depth_m     REAL    NOT NULL CHECK (depth_m > 0),
    turn_deg    REAL    NOT NULL,
    sun_hours   REAL    NOT NULL CHECK (sun_hours BETWEEN 0 AND 24),
    moisture    TEXT    NOT NULL,
    unsafe      TEXT    NOT NULL,
    note        TEXT    NOT NULL,
    round_order INTEGER NOT NULL,
    removed_on  TEXT
) STRICT;

CREATE TABLE plantings (
    id            INTEGER PRIMARY KEY,
    bed_id        INTEGER NOT NULL REFERENCES beds (id),
    species_id    TEXT    NOT NULL,
    plants        INTEGER NOT NULL CHECK (plants > 0),
    area_m2       REAL CHECK (area_m2 > 0),
    counted_on    TEXT    NOT NULL,
    started_on    TEXT    NOT NULL,
    origin        TEXT    NOT NULL,
    identity      TEXT    NOT NULL CHECK (identity IN ('sure', 'unproven')),
    identity_note TEXT    NOT NULL,
    note          TEXT    NOT NULL,
    removed_on    TEXT
) STRICT;
CREATE INDEX plantings_by_bed ON plantings (bed_id);

CREATE TABLE observations (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL REFERENCES plantings (id),
    day         TEXT    NOT NULL,
    stage       TEXT    NOT NULL,
    share       TEXT    NOT NULL,
    height_m    REAL CHECK (height_m > 0),
    width_m     REAL CHECK (width_m > 0),
    marks       TEXT    NOT NULL,
    note        TEXT    NOT NULL,
    client_key  TEXT UNIQUE
) STRICT;
CREATE INDEX observations_by_planting ON observations (planting_id, day);

CREATE TABLE pickings (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL REFERENCES plantings (id),
    day         TEXT    NOT NULL,
    part        TEXT    NOT NULL,
    units       REAL    NOT NULL CHECK (units > 0),
    grams       REAL    NOT NULL CHECK (grams > 0),
    share       REAL    NOT NULL,
    took_anyway INTEGER NOT NULL,
    note        TEXT    NOT NULL,
    client_key  TEXT UNIQUE
) STRICT;
CREATE INDEX pickings_by_planting ON pickings (planting_id, day);

CREATE TABLE job_answers (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL REFERENCES plantings (id),
    job_key     TEXT    NOT NULL,
    answer      TEXT    NOT NULL CHECK (answer IN ('done', 'not yet', 'skip')),
    day         TEXT    NOT NULL,
    until_day   TEXT
) STRICT;
CREATE INDEX job_answers_by_key ON job_answers (job_key);

CREATE TABLE needs (
    id         INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL,
    part       TEXT NOT NULL,
    grams      REAL NOT NULL CHECK (grams >= 0),
    UNIQUE (species_id, part)
) STRICT;

CREATE TABLE ledger (
    id            INTEGER PRIMARY KEY,
    at            TEXT    NOT NULL,
    day           TEXT    NOT NULL,
    kind          TEXT    NOT NULL,
    summary       TEXT    NOT NULL,
    bed_id        INTEGER,
    planting_id   INTEGER,
    changes       TEXT    NOT NULL,
    takes_back    INTEGER REFERENCES ledger (id),
    taken_back_by INTEGER REFERENCES ledger (id)
) STRICT;
CREATE INDEX ledger_by_planting ON ledger (planting_id);

-- +goose Down
DROP TABLE ledger;
DROP TABLE needs;
DROP TABLE job_answers;
DROP TABLE pickings;
DROP TABLE observations;
DROP TABLE plantings;
DROP TABLE beds;
DROP TABLE site;
