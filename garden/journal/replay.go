package journal

import (
	"context"
	"encoding/json"
	"fmt"

	"bramblyacre/store"
)

// Replayed is what the plot's rows are against what its ledger says.
type Replayed struct {
	Entries, Rows int
	// Apart are the rows that are not as the ledger says: "beds 3".
	Apart []string
}

// ReplayLedger goes through the whole ledger, puts every change to the rows in order, and
// compares what comes of it with what stands.
func (j *Journal) ReplayLedger(ctx context.Context) (replayed Replayed, err error) {
	type key struct {
		table string
		id    int64
	}
	rows := map[key]json.RawMessage{}
	err = j.store.InTransaction(ctx, func(q *store.Queries) error {
		entries, err := q.WholeLedger(ctx)
		if err != nil {
			return err
		}
		replayed.Entries = len(entries)
		for _, entry := range entries {
			var changes []RowChange
			if err := json.Unmarshal([]byte(entry.Changes), &changes); err != nil {
				return fmt.Errorf("ledger entry %d: %w", entry.ID, err)
			}
			for _, c := range changes {
				rows[key{c.Table, c.ID}] = c.After
			}
		}
		d := &Draft{Queries: q, Journal: j}
		for k, want := range rows {
			t, known := j.tables[k.table]
			if !known {
				replayed.Apart = append(replayed.Apart, fmt.Sprintf("%s, a table that is not known", k.table))
				continue
			}
			now, err := currentRow(ctx, d, t, k.id)
			if err != nil {
				return err
			}
			if !sameRow(now, want) {
				replayed.Apart = append(replayed.Apart, fmt.Sprintf("%s %d", k.table, k.id))
			}
		}
		replayed.Rows = len(rows)
		return nil
	})
	return replayed, err
}
