-- Devices of the house that were let in, and the address that calendar programs read. They are of the machine that serves
-- the plot, and go neither into an archive nor back with a copy. Of a device's token only the hash is kept.

-- +goose Up
CREATE TABLE devices (
    id         TEXT PRIMARY KEY CHECK (length(id) = 16),
    token_hash TEXT NOT NULL UNIQUE CHECK (length(token_hash) = 64),
    name       TEXT NOT NULL,
    person     TEXT NOT NULL,
    paired_at  TEXT NOT NULL,
    seen_at    TEXT NOT NULL,
    seen_from  TEXT NOT NULL
) STRICT;
CREATE TABLE calendar_feed (
    id         INTEGER PRIMARY KEY CHECK (id = 1),
    secret     TEXT NOT NULL CHECK (length(secret) >= 32),
    renewed_at TEXT NOT NULL
) STRICT;
-- Whose device an entry came from, and the device; empty where it was noted on the machine itself.
ALTER TABLE ledger ADD COLUMN by_whom TEXT NOT NULL DEFAULT '';
ALTER TABLE ledger ADD COLUMN device TEXT NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE ledger DROP COLUMN device;
ALTER TABLE ledger DROP COLUMN by_whom;
DROP TABLE calendar_feed;
DROP TABLE devices;
