-- +goose Up
-- What is seen of a plant to prove it: of a planting, or of a find. The claim in
-- plantings.identity that it came labelled, with its note, stays; it proves nothing
-- by itself any more.
CREATE TABLE finds (
    id         INTEGER PRIMARY KEY,
    day        TEXT NOT NULL,
    place      TEXT NOT NULL CHECK (place <> ''),
    species_id TEXT NOT NULL,
    seen       TEXT NOT NULL,
    note       TEXT NOT NULL,
    removed_on TEXT
) STRICT;

CREATE TABLE looks (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER REFERENCES plantings (id),
    find_id     INTEGER REFERENCES finds (id),
    day         TEXT    NOT NULL,
    by_whom     TEXT    NOT NULL CHECK (by_whom <> ''),
    answers     TEXT    NOT NULL,
    -- What the species was said to show in each character when it was answered: an
    -- answer speaks of these states, whatever the species is called or shows later.
    shown       TEXT    NOT NULL,
    photos      TEXT    NOT NULL,
    note        TEXT    NOT NULL,
    CHECK ((planting_id IS NULL) <> (find_id IS NULL))
) STRICT;
CREATE INDEX looks_by_planting ON looks (planting_id, day);

-- Photographs are kept once by what they hold, and never changed.
CREATE TABLE photographs (
    sha256 TEXT PRIMARY KEY,
    kind   TEXT NOT NULL,
    bytes  BLOB NOT NULL
) STRICT;

-- A picking sorted again at the table.
CREATE TABLE sortings (
    id         INTEGER PRIMARY KEY,
    picking_id INTEGER NOT NULL REFERENCES pickings (id),
    day        TEXT    NOT NULL,
    by_whom    TEXT    NOT NULL CHECK (by_whom <> ''),
    answers    TEXT    NOT NULL,
    rejected   REAL    NOT NULL CHECK (rejected >= 0),
    note       TEXT    NOT NULL
) STRICT;
CREATE INDEX sortings_by_picking ON sortings (picking_id);

-- What was made of a picking.
CREATE TABLE makings (
    id          INTEGER PRIMARY KEY,
    picking_id  INTEGER NOT NULL REFERENCES pickings (id),
    day         TEXT    NOT NULL,
    preparation TEXT    NOT NULL,
    note        TEXT    NOT NULL
) STRICT;
CREATE INDEX makings_by_picking ON makings (picking_id);

CREATE TABLE people (
    id            INTEGER PRIMARY KEY,
    name          TEXT NOT NULL CHECK (name <> ''),
    born          TEXT,
    circumstances TEXT NOT NULL,
    note          TEXT NOT NULL,
    removed_on    TEXT
) STRICT;

CREATE TABLE own_plants (
    id   INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL UNIQUE,
    text TEXT NOT NULL
) STRICT;

CREATE TABLE own_figures (
    id         INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL,
    key        TEXT NOT NULL,
    figure     TEXT NOT NULL,
    was        TEXT NOT NULL,
    UNIQUE (species_id, key)
) STRICT;

-- The grower's own notes on a plant: the local list, or a custom with its author.
CREATE TABLE plant_notes (
    id         INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL,
    kind       TEXT NOT NULL CHECK (kind IN ('law', 'custom', 'note')),
    author     TEXT NOT NULL,
    text       TEXT NOT NULL CHECK (text <> ''),
    removed_on TEXT
) STRICT;

CREATE TABLE practice (
    id         INTEGER PRIMARY KEY,
    species_id TEXT    NOT NULL,
    other_id   TEXT    NOT NULL,
    box        INTEGER NOT NULL CHECK (box BETWEEN 1 AND 6),
    due        TEXT    NOT NULL,
    tries      INTEGER NOT NULL,
    correct    INTEGER NOT NULL,
    deadly     INTEGER NOT NULL,
    last       TEXT    NOT NULL,
    UNIQUE (species_id, other_id)
) STRICT;

ALTER TABLE site ADD COLUMN customs INTEGER NOT NULL DEFAULT 0;

-- +goose Down
ALTER TABLE site DROP COLUMN customs;
DROP TABLE practice;
DROP TABLE plant_notes;
DROP TABLE own_figures;
DROP TABLE own_plants;
DROP TABLE people;
DROP TABLE makings;
DROP TABLE sortings;
DROP TABLE photographs;
DROP TABLE looks;
DROP TABLE finds;
