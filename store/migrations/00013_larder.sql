-- +goose Up

-- What the drier is, beside its trays, and what it draws.
ALTER TABLE gather_settings ADD COLUMN drier TEXT NOT NULL DEFAULT 'drier';
ALTER TABLE gather_settings ADD COLUMN watts REAL CHECK (watts BETWEEN 0 AND 20000);

-- The shelves on which jars stand.
CREATE TABLE shelves (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL CHECK (name <> ''),
    position   INTEGER NOT NULL,
    removed_on TEXT
) STRICT;

-- A lot: what was made at one time of what went in, or bought. While it is under way ended_at and grams are NULL: a tray
-- that dries is one, a jar of herb in oil another. density is the grams of a millilitre, 0 for what is measured by weight.
-- cautions are those that were told when it was made or last read, one a line.
CREATE TABLE lots (
    id           INTEGER PRIMARY KEY,
    year         INTEGER NOT NULL,
    number       INTEGER NOT NULL CHECK (number > 0),
    making       TEXT NOT NULL CHECK (making <> ''),
    species_id   TEXT NOT NULL,
    part         TEXT NOT NULL,
    name         TEXT NOT NULL,
    recipe_id    INTEGER,
    fresh        INTEGER NOT NULL CHECK (fresh IN (0, 1)),
    begun_at     TEXT NOT NULL,
    ended_at     TEXT,
    tray         INTEGER,
    days         INTEGER NOT NULL CHECK (days >= 0),
    grams        REAL CHECK (grams >= 0),
    density      REAL NOT NULL CHECK (density >= 0),
    keeps_months REAL NOT NULL CHECK (keeps_months >= 0),
    strength     REAL CHECK (strength BETWEEN 0 AND 100),
    bought_from  TEXT NOT NULL,
    cautions     TEXT NOT NULL,
    note         TEXT NOT NULL
) STRICT;

-- What went into a lot, was added to it, and was lost on the way, in grams: together they are what it weighs.
CREATE TABLE lot_flows (
    id          INTEGER PRIMARY KEY,
    lot_id      INTEGER NOT NULL REFERENCES lots (id),
    side        TEXT NOT NULL CHECK (side IN ('in', 'added', 'loss')),
    name        TEXT NOT NULL,
    picking_id  INTEGER REFERENCES pickings (id),
    jar_flow_id INTEGER,
    grams       REAL NOT NULL CHECK (grams >= 0)
) STRICT;

-- What a tray weighed, without the tray.
CREATE TABLE tray_weights (
    id     INTEGER PRIMARY KEY,
    lot_id INTEGER NOT NULL REFERENCES lots (id),
    at     TEXT NOT NULL,
    grams  REAL NOT NULL CHECK (grams > 0),
    source TEXT NOT NULL
) STRICT;

-- A step of a lot that was done on a day: shaken, turned.
CREATE TABLE lot_steps (
    id     INTEGER PRIMARY KEY,
    lot_id INTEGER NOT NULL REFERENCES lots (id),
    step   TEXT NOT NULL CHECK (step <> ''),
    day    TEXT NOT NULL
) STRICT;

-- A jar, bottle, tin or bag as it was filled; one that is filled anew once it was empty is another.
CREATE TABLE jars (
    id        INTEGER PRIMARY KEY,
    shelf_id  INTEGER REFERENCES shelves (id),
    vessel    TEXT NOT NULL CHECK (vessel <> ''),
    ml        REAL NOT NULL CHECK (ml > 0),
    name      TEXT NOT NULL,
    opened_on TEXT,
    ended_on  TEXT,
    note      TEXT NOT NULL
) STRICT;

-- What went into a jar and out of it, in grams, below 0 for out: filled from a lot, taken for use, given, thrown out,
-- made into a lot, or found to be more or less when it was weighed.
CREATE TABLE jar_flows (
    id      INTEGER PRIMARY KEY,
    jar_id  INTEGER NOT NULL REFERENCES jars (id),
    day     TEXT NOT NULL,
    kind    TEXT NOT NULL CHECK (kind IN ('filled', 'taken', 'given', 'thrown', 'made', 'weighed')),
    grams   REAL NOT NULL,
    lot_id  INTEGER REFERENCES lots (id),
    typed   TEXT NOT NULL,
    whom    TEXT NOT NULL,
    why     TEXT NOT NULL,
    told_on TEXT
) STRICT;

-- What the household holds back itself: a picking or a lot, and why, until that was an error.
CREATE TABLE recalls (
    id         INTEGER PRIMARY KEY,
    picking_id INTEGER REFERENCES pickings (id),
    lot_id     INTEGER REFERENCES lots (id),
    day        TEXT NOT NULL,
    why        TEXT NOT NULL CHECK (why <> ''),
    undone_on  TEXT,
    CHECK ((picking_id IS NULL) <> (lot_id IS NULL))
) STRICT;

-- The household's own recipes, each as its file says it.
CREATE TABLE own_recipes (
    id         INTEGER PRIMARY KEY,
    text       TEXT NOT NULL,
    removed_on TEXT
) STRICT;

-- The larder itself, one row: the address at which the household's own devices reach this house, for what is printed.
CREATE TABLE larder_settings (
    id      INTEGER PRIMARY KEY CHECK (id = 1),
    address TEXT NOT NULL
) STRICT;

CREATE INDEX lot_flows_by_lot ON lot_flows (lot_id);
CREATE INDEX tray_weights_by_lot ON tray_weights (lot_id);
CREATE INDEX lot_steps_by_lot ON lot_steps (lot_id);
CREATE INDEX jar_flows_by_jar ON jar_flows (jar_id);

-- +goose Down
DROP TABLE larder_settings;
DROP TABLE own_recipes;
DROP TABLE recalls;
DROP TABLE jar_flows;
DROP TABLE jars;
DROP TABLE lot_steps;
DROP TABLE tray_weights;
DROP TABLE lot_flows;
DROP TABLE lots;
DROP TABLE shelves;
ALTER TABLE gather_settings DROP COLUMN watts;
ALTER TABLE gather_settings DROP COLUMN drier;
