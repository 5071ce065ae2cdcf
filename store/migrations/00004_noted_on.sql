-- +goose Up
-- A look counts on the day it was noted, by the plot's clock, or on the day a device
-- kept it: two days typed in one sitting are one. Looks of before are dated by the
-- ledger's entry that brought them.
ALTER TABLE looks ADD COLUMN noted_on TEXT NOT NULL DEFAULT '';
UPDATE looks SET noted_on = coalesce(
    (SELECT ledger.day FROM ledger, json_each(ledger.changes) AS change
     WHERE json_extract(change.value, '$.table') = 'looks' AND json_extract(change.value, '$.id') = looks.id
     ORDER BY ledger.id LIMIT 1),
    day);

-- +goose Down
ALTER TABLE looks DROP COLUMN noted_on;
