-- +goose Up

-- What the grower read of a day's weather, or brought in from a file; what is null was not read.
CREATE TABLE weather_readings (
    id     INTEGER PRIMARY KEY,
    day    TEXT NOT NULL,
    source TEXT NOT NULL CHECK (source IN ('typed', 'file')),
    tmin_c REAL,
    tmax_c REAL,
    rain_mm REAL CHECK (rain_mm >= 0),
    note   TEXT NOT NULL,
    CHECK (tmin_c IS NOT NULL OR tmax_c IS NOT NULL OR rain_mm IS NOT NULL),
    CHECK (tmin_c <= tmax_c)
) STRICT;

-- What a station read, kept as it was read. No person wrote it: it is no part of the ledger.
CREATE TABLE station_days (
    station TEXT NOT NULL,
    day     TEXT NOT NULL,
    tmin_c  REAL,
    tmax_c  REAL,
    rain_mm REAL,
    PRIMARY KEY (station, day)
) STRICT;

-- Water given to a bed, in litres over the whole bed.
CREATE TABLE waterings (
    id     INTEGER PRIMARY KEY,
    bed_id INTEGER NOT NULL REFERENCES beds (id),
    day    TEXT NOT NULL,
    litres REAL NOT NULL CHECK (litres > 0),
    note   TEXT NOT NULL
) STRICT;

-- How much of a bed's available water was gone by the feel of its soil or by a probe, as a share; below 0
-- where it was wetter than the ground holds.
CREATE TABLE soil_feels (
    id     INTEGER PRIMARY KEY,
    bed_id INTEGER NOT NULL REFERENCES beds (id),
    day    TEXT NOT NULL,
    kind   TEXT NOT NULL CHECK (kind IN ('feel', 'probe')),
    feel   TEXT NOT NULL,
    gone   REAL NOT NULL,
    note   TEXT NOT NULL
) STRICT;

-- How the household waters, one row: what its hose or can brings a minute, and that a soil probe is at hand.
CREATE TABLE water_settings (
    id        INTEGER PRIMARY KEY,
    flow_l    REAL NOT NULL CHECK (flow_l > 0),
    probe     TEXT NOT NULL CHECK (probe IN ('', 'simulated'))
) STRICT;

-- What a bed is for, in a word that plants' uses go by; empty for nothing in particular.
ALTER TABLE beds ADD COLUMN purpose TEXT NOT NULL DEFAULT '';

CREATE INDEX waterings_by_bed ON waterings (bed_id);
CREATE INDEX soil_feels_by_bed ON soil_feels (bed_id);

-- +goose Down
ALTER TABLE beds DROP COLUMN purpose;
DROP TABLE water_settings;
DROP TABLE soil_feels;
DROP TABLE waterings;
DROP TABLE station_days;
DROP TABLE weather_readings;
