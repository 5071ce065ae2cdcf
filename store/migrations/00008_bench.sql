-- +goose Up
-- The bench: what plants are made more of, from what, where, and what came of it.
-- Where plants are raised: how many trays have room, and how warm it is.
CREATE TABLE raising_places (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL CHECK (name <> ''),
    kind       TEXT NOT NULL,
    trays      INTEGER NOT NULL CHECK (trays > 0),
    set_c      REAL,
    offset_c   REAL NOT NULL,
    floor_c    REAL,
    light_h    REAL CHECK (light_h BETWEEN 0 AND 24),
    note       TEXT NOT NULL,
    removed_on TEXT
) STRICT;

-- Room that food crops have first call on, from a day to a day of every year (MM-DD).
CREATE TABLE kept_rooms (
    id         INTEGER PRIMARY KEY,
    place_id   INTEGER NOT NULL REFERENCES raising_places (id),
    name       TEXT NOT NULL CHECK (name <> ''),
    trays      INTEGER NOT NULL CHECK (trays > 0),
    from_day   TEXT NOT NULL,
    until_day  TEXT NOT NULL,
    removed_on TEXT
) STRICT;

-- Seed of one kind, from one source, of one age. seeds_gram is the grower's own count.
CREATE TABLE seed_lots (
    id         INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL,
    name       TEXT NOT NULL CHECK (name <> ''),
    origin     TEXT NOT NULL CHECK (origin IN ('own', 'bought')),
    mother_id  INTEGER REFERENCES plantings (id),
    mothers    INTEGER CHECK (mothers > 0),
    source     TEXT NOT NULL,
    ripe_on    TEXT NOT NULL,
    sign       TEXT NOT NULL,
    dried      TEXT NOT NULL,
    storage    TEXT NOT NULL,
    grams      REAL CHECK (grams >= 0),
    seeds_gram REAL CHECK (seeds_gram > 0),
    labelled   INTEGER NOT NULL CHECK (labelled IN (0, 1)),
    note       TEXT NOT NULL,
    removed_on TEXT
) STRICT;

-- A test of germination: how many came up of how many.
CREATE TABLE seed_tests (
    id      INTEGER PRIMARY KEY,
    lot_id  INTEGER NOT NULL REFERENCES seed_lots (id),
    day     TEXT NOT NULL,
    tried   INTEGER NOT NULL CHECK (tried > 0),
    came_up INTEGER NOT NULL CHECK (came_up BETWEEN 0 AND tried),
    note    TEXT NOT NULL
) STRICT;

-- What is to be made more of. cause says where the wish comes from, cause_key which suggestion it
-- takes up.
CREATE TABLE wishes (
    id         INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL,
    plants     INTEGER NOT NULL CHECK (plants > 0),
    bed_id     INTEGER REFERENCES beds (id),
    by_day     TEXT,
    cause      TEXT NOT NULL CHECK (cause IN ('wish', 'gap', 'need', 'failed', 'resow')),
    cause_key  TEXT NOT NULL,
    day        TEXT NOT NULL,
    note       TEXT NOT NULL,
    ended_on   TEXT
) STRICT;

-- Seedlings that came up by themselves: where, about which mother, how many, and when their ground is
-- worked.
CREATE TABLE volunteers (
    id         INTEGER PRIMARY KEY,
    species_id TEXT NOT NULL,
    mother_id  INTEGER REFERENCES plantings (id),
    bed_id     INTEGER REFERENCES beds (id),
    place      TEXT NOT NULL,
    day        TEXT NOT NULL,
    plants     INTEGER NOT NULL CHECK (plants > 0),
    worked_on  TEXT,
    checked    TEXT NOT NULL,
    checked_on TEXT,
    note       TEXT NOT NULL,
    ended_on   TEXT
) STRICT;

-- A batch raised: which way, from what, how many, and its stays, a list of place and days. begun_on is
-- null while it is planned.
CREATE TABLE batches (
    id           INTEGER PRIMARY KEY,
    wish_id      INTEGER REFERENCES wishes (id),
    species_id   TEXT NOT NULL,
    way          TEXT NOT NULL,
    lot_id       INTEGER REFERENCES seed_lots (id),
    mother_id    INTEGER REFERENCES plantings (id),
    volunteer_id INTEGER REFERENCES volunteers (id),
    wanted       INTEGER NOT NULL CHECK (wanted > 0),
    starts       INTEGER NOT NULL CHECK (starts > 0),
    trays        INTEGER NOT NULL CHECK (trays >= 0),
    planned_on   TEXT NOT NULL,
    begun_on     TEXT,
    stays        TEXT NOT NULL,
    out_on       TEXT NOT NULL,
    bed_id       INTEGER REFERENCES beds (id),
    food         INTEGER NOT NULL CHECK (food IN (0, 1)),
    priority     INTEGER NOT NULL CHECK (priority BETWEEN 1 AND 5),
    note         TEXT NOT NULL,
    ended_on     TEXT
) STRICT;

-- What was counted of a batch, and what was done: so many came up, were potted on, went out, were
-- lost.
CREATE TABLE batch_counts (
    id          INTEGER PRIMARY KEY,
    batch_id    INTEGER NOT NULL REFERENCES batches (id),
    day         TEXT NOT NULL,
    kind        TEXT NOT NULL CHECK (kind IN ('up', 'gone', 'potted', 'out')),
    plants      INTEGER NOT NULL CHECK (plants >= 0),
    planting_id INTEGER REFERENCES plantings (id),
    note        TEXT NOT NULL
) STRICT;

-- A tray of cells: what stands in each is in cells, a list of batch and state.
CREATE TABLE trays (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL CHECK (name <> ''),
    place_id   INTEGER REFERENCES raising_places (id),
    rows       INTEGER NOT NULL CHECK (rows > 0),
    columns    INTEGER NOT NULL CHECK (columns > 0),
    cell_l     REAL NOT NULL CHECK (cell_l > 0),
    cell_cm    REAL NOT NULL CHECK (cell_cm > 0),
    mix        TEXT NOT NULL,
    cells      TEXT NOT NULL,
    filled_on  TEXT,
    removed_on TEXT
) STRICT;

-- What a planting came from: its batch, mother and seed lot.
CREATE TABLE lineages (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL UNIQUE REFERENCES plantings (id),
    batch_id    INTEGER REFERENCES batches (id),
    mother_id   INTEGER REFERENCES plantings (id),
    lot_id      INTEGER REFERENCES seed_lots (id)
) STRICT;

-- Plantings of self-seeders that are sown again each year to be certain.
CREATE TABLE insured_sowings (
    id          INTEGER PRIMARY KEY,
    planting_id INTEGER NOT NULL UNIQUE REFERENCES plantings (id),
    since       TEXT NOT NULL
) STRICT;

-- The grower's own recipes: parts is a list of name, share and what it is for.
CREATE TABLE own_mixes (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL CHECK (name <> ''),
    purpose    TEXT NOT NULL,
    parts      TEXT NOT NULL,
    removed_on TEXT
) STRICT;

-- What is in the shed of what mixes are made of, in litres.
CREATE TABLE shed (
    id     INTEGER PRIMARY KEY,
    name   TEXT NOT NULL UNIQUE CHECK (name <> ''),
    litres REAL NOT NULL CHECK (litres >= 0)
) STRICT;

-- A day on which a bed is dug, tilled or hoed.
CREATE TABLE bed_works (
    id         INTEGER PRIMARY KEY,
    bed_id     INTEGER NOT NULL REFERENCES beds (id),
    day        TEXT NOT NULL,
    what       TEXT NOT NULL CHECK (what <> ''),
    removed_on TEXT
) STRICT;

-- The bench itself, one row: the grower's measures, prices, and what counts to them.
CREATE TABLE bench (
    id           INTEGER PRIMARY KEY CHECK (id = 1),
    scoop_l      REAL CHECK (scoop_l > 0),
    bucket_l     REAL CHECK (bucket_l > 0),
    packet_price REAL CHECK (packet_price >= 0),
    plant_price  REAL CHECK (plant_price >= 0),
    mix_price    REAL CHECK (mix_price >= 0),
    currency     TEXT NOT NULL,
    soon         REAL NOT NULL,
    cheap        REAL NOT NULL,
    certain      REAL NOT NULL,
    easy         REAL NOT NULL,
    tray_cells   INTEGER NOT NULL CHECK (tray_cells > 0),
    cell_l       REAL NOT NULL CHECK (cell_l > 0),
    cell_cm      REAL NOT NULL CHECK (cell_cm > 0)
) STRICT;

CREATE INDEX seed_tests_by_lot ON seed_tests (lot_id);
CREATE INDEX batch_counts_by_batch ON batch_counts (batch_id);

-- +goose Down
DROP TABLE bench;
DROP TABLE bed_works;
DROP TABLE shed;
DROP TABLE own_mixes;
DROP TABLE insured_sowings;
DROP TABLE lineages;
DROP TABLE trays;
DROP TABLE batch_counts;
DROP TABLE batches;
DROP TABLE volunteers;
DROP TABLE wishes;
DROP TABLE seed_tests;
DROP TABLE seed_lots;
DROP TABLE kept_rooms;
DROP TABLE raising_places;
