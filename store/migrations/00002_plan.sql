-- +goose Up
ALTER TABLE site ADD COLUMN bearing_deg REAL NOT NULL DEFAULT 0;
ALTER TABLE site ADD COLUMN longitude REAL CHECK (longitude BETWEEN -180 AND 180);
ALTER TABLE site ADD COLUMN boundary TEXT NOT NULL DEFAULT '[]';

-- Until now a bed's hours of sun were the grower's own; they stay so, as the
-- measured hours that replace the computed ones.
ALTER TABLE beds RENAME COLUMN sun_hours TO sun_before;
ALTER TABLE beds ADD COLUMN sun_hours REAL CHECK (sun_hours BETWEEN 0 AND 24);
UPDATE beds SET sun_hours = sun_before;
ALTER TABLE beds DROP COLUMN sun_before;

ALTER TABLE beds ADD COLUMN shape TEXT NOT NULL DEFAULT 'rectangle';
ALTER TABLE beds ADD COLUMN points TEXT NOT NULL DEFAULT '[]';
ALTER TABLE beds ADD COLUMN inner_m REAL NOT NULL DEFAULT 0;
ALTER TABLE beds ADD COLUMN texture TEXT NOT NULL DEFAULT '';
ALTER TABLE beds ADD COLUMN drainage TEXT NOT NULL DEFAULT '';
ALTER TABLE beds ADD COLUMN winter TEXT NOT NULL DEFAULT '';
ALTER TABLE beds ADD COLUMN ph TEXT NOT NULL DEFAULT '';
ALTER TABLE beds ADD COLUMN fertility TEXT NOT NULL DEFAULT '';
ALTER TABLE beds ADD COLUMN soil_depth TEXT NOT NULL DEFAULT '';
ALTER TABLE beds ADD COLUMN mulch_m REAL NOT NULL DEFAULT 0 CHECK (mulch_m BETWEEN 0 AND 0.5);
ALTER TABLE beds ADD COLUMN shelter TEXT NOT NULL DEFAULT '';
ALTER TABLE beds ADD COLUMN warmth TEXT NOT NULL DEFAULT '';
ALTER TABLE beds ADD COLUMN frost_hollow INTEGER NOT NULL DEFAULT 0;
ALTER TABLE beds ADD COLUMN edge TEXT NOT NULL DEFAULT '';

CREATE TABLE plan_items (
    id         INTEGER PRIMARY KEY,
    kind       TEXT    NOT NULL,
    name       TEXT    NOT NULL,
    shape      TEXT    NOT NULL,
    x_m        REAL    NOT NULL,
    y_m        REAL    NOT NULL,
    width_m    REAL    NOT NULL,
    depth_m    REAL    NOT NULL,
    turn_deg   REAL    NOT NULL,
    points     TEXT    NOT NULL,
    traits     TEXT    NOT NULL,
    note       TEXT    NOT NULL,
    removed_on TEXT
) STRICT;

CREATE TABLE readings (
    id     INTEGER PRIMARY KEY,
    bed_id INTEGER NOT NULL REFERENCES beds (id),
    day    TEXT    NOT NULL,
    kind   TEXT    NOT NULL,
    detail TEXT    NOT NULL,
    note   TEXT    NOT NULL
) STRICT;
CREATE INDEX readings_by_bed ON readings (bed_id, day);

CREATE TABLE fates (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL REFERENCES plantings (id),
    day         TEXT    NOT NULL,
    outcome     TEXT    NOT NULL CHECK (outcome IN ('throve', 'failed')),
    cause       TEXT    NOT NULL,
    note        TEXT    NOT NULL
) STRICT;
CREATE INDEX fates_by_planting ON fates (planting_id);

-- +goose Down
DROP TABLE fates;
DROP TABLE readings;
DROP TABLE plan_items;
ALTER TABLE beds DROP COLUMN edge;
ALTER TABLE beds DROP COLUMN frost_hollow;
ALTER TABLE beds DROP COLUMN warmth;
ALTER TABLE beds DROP COLUMN shelter;
ALTER TABLE beds DROP COLUMN mulch_m;
ALTER TABLE beds DROP COLUMN soil_depth;
ALTER TABLE beds DROP COLUMN fertility;
ALTER TABLE beds DROP COLUMN ph;
ALTER TABLE beds DROP COLUMN winter;
ALTER TABLE beds DROP COLUMN drainage;
ALTER TABLE beds DROP COLUMN texture;
ALTER TABLE beds DROP COLUMN inner_m;
ALTER TABLE beds DROP COLUMN points;
ALTER TABLE beds DROP COLUMN shape;
ALTER TABLE site DROP COLUMN boundary;
ALTER TABLE site DROP COLUMN longitude;
ALTER TABLE site DROP COLUMN bearing_deg;
