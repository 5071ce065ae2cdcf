-- +goose Up
-- What a plot is known by, wherever its file is moved or served: what a device kept for
-- one plot is never written into another.
CREATE TABLE plot (
    id      INTEGER PRIMARY KEY CHECK (id = 1),
    plot_id TEXT NOT NULL CHECK (length(plot_id) = 32)
) STRICT;
INSERT INTO plot VALUES (1, lower(hex(randomblob(16))));

-- The last id that each table gave out. An id is never given out again, also when its row
-- was dropped: the ledger speaks of it for good.
CREATE TABLE last_ids (
    name TEXT PRIMARY KEY,
    newest INTEGER NOT NULL
) STRICT;
INSERT INTO last_ids
SELECT json_extract(change.value, '$.table'), max(json_extract(change.value, '$.id'))
FROM ledger, json_each(ledger.changes) AS change
GROUP BY 1;
-- Rows that no entry of the ledger brought.
INSERT INTO last_ids
SELECT name, newest FROM (
    SELECT 'beds' AS name, max(id) AS newest FROM beds
    UNION ALL SELECT 'plantings', max(id) FROM plantings
    UNION ALL SELECT 'observations', max(id) FROM observations
    UNION ALL SELECT 'pickings', max(id) FROM pickings
    UNION ALL SELECT 'job_answers', max(id) FROM job_answers
    UNION ALL SELECT 'needs', max(id) FROM needs
    UNION ALL SELECT 'plan_items', max(id) FROM plan_items
    UNION ALL SELECT 'readings', max(id) FROM readings
    UNION ALL SELECT 'fates', max(id) FROM fates
    UNION ALL SELECT 'looks', max(id) FROM looks
    UNION ALL SELECT 'finds', max(id) FROM finds
    UNION ALL SELECT 'sortings', max(id) FROM sortings
    UNION ALL SELECT 'makings', max(id) FROM makings
    UNION ALL SELECT 'people', max(id) FROM people
    UNION ALL SELECT 'own_plants', max(id) FROM own_plants
    UNION ALL SELECT 'own_figures', max(id) FROM own_figures
    UNION ALL SELECT 'plant_notes', max(id) FROM plant_notes
    UNION ALL SELECT 'practice', max(id) FROM practice
    UNION ALL SELECT 'measures', max(id) FROM measures
) WHERE newest IS NOT NULL
ON CONFLICT (name) DO UPDATE SET newest = max(newest, excluded.newest);

-- What was sent under which key, and the entry that it made: sent again, it answers that
-- entry, and the same key with other content is a fault. Keys of before are known without
-- what they were sent with.
CREATE TABLE sent (
    client_key TEXT PRIMARY KEY,
    digest     TEXT    NOT NULL,
    entry_id   INTEGER NOT NULL REFERENCES ledger (id)
) STRICT;
INSERT INTO sent
SELECT json_extract(change.value, '$.after.client_key'), '', min(ledger.id)
FROM ledger, json_each(ledger.changes) AS change
WHERE json_extract(change.value, '$.table') IN ('observations', 'pickings')
  AND json_extract(change.value, '$.after.client_key') IS NOT NULL
GROUP BY 1;

-- How many nights' copies are kept.
ALTER TABLE site ADD COLUMN copies_kept INTEGER NOT NULL DEFAULT 7 CHECK (copies_kept BETWEEN 1 AND 60);

-- +goose Down
ALTER TABLE site DROP COLUMN copies_kept;
DROP TABLE sent;
DROP TABLE last_ids;
DROP TABLE plot;
