package journal

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"time"

	"bramblyacre/store"
)

// Entry is a ledger entry as an answer to a change: what was noted, and the id
// to take it back by.
type Entry struct {
	ID      int64  `json:"id"`
	Summary string `json:"summary"`
	// Made is the id of what the change made, the last where it made several; 0 where it
	// changed what stood.
	Made int64 `json:"made" doc:"The id of what the change made, such as the bed; 0 where it changed what stood"`
}

// madeBy is the id of what changes made.
func madeBy(changes []RowChange) (id int64) {
	for _, c := range changes {
		if IsNull(c.Before) {
			id = c.ID
		}
	}
	return id
}

// RowChange is one row before and after a change; null where it was not or is
// no more. The ledger keeps it, and puts Before back when the entry is undone.
type RowChange struct {
	Table  string          `json:"table"`
	ID     int64           `json:"id"`
	Before json.RawMessage `json:"before"`
	After  json.RawMessage `json:"after"`
}

// Draft is a change while it is made: its transaction and the rows it moved.
type Draft struct {
	*store.Queries
	Journal *Journal
	Changes []RowChange
}

// Moves tells whether the change has moved a row of one of these tables.
func (d *Draft) Moves(names ...string) bool {
	return slices.ContainsFunc(d.Changes, func(c RowChange) bool { return slices.Contains(names, c.Table) })
}

// Record is what the ledger says of a change.
type Record struct {
	Kind, Summary string
	Bed, Planting *int64
	TakesBack     *int64
}

// Write runs work in one transaction and notes it in the ledger with its undo. Whatever
// fails, nothing is written. What is sent twice, as after a lost connection, counts once
// and is answered with the same entry. Where ready is not nil it is called before the
// transaction begins, while no other change is under way.
func (j *Journal) Write(
	ctx context.Context,
	sent Sending,
	ready func() error,
	work func(*Draft) (Record, error),
) (Entry, error) {
	j.writing.Lock()
	defer j.writing.Unlock()
	if ready != nil {
		if err := ready(); err != nil {
			return Entry{}, err
		}
	}
	sent = sent.orOf(ctx)
	var entry Entry
	var made *Draft
	err := j.store.InTransaction(ctx, func(q *store.Queries) error {
		before, known, err := sent.before(ctx, q)
		if err != nil || known {
			entry = before
			return err
		}
		d := &Draft{Queries: q, Journal: j}
		noted, err := work(d)
		if err != nil {
			return err
		}
		for _, rule := range j.rules {
			if err := rule(ctx, d); err != nil {
				return err
			}
		}
		if entry, err = j.note(ctx, d, noted); err != nil {
			return err
		}
		made = d
		return sent.keep(ctx, q, entry.ID)
	})
	if made != nil {
		j.tell(ctx, entry, made.Changes, err)
	}
	return entry, err
}

// tell says that an entry was written. Where the end of its transaction failed it may have
// been written all the same, as when the one who sent it left in that moment: then the ledger
// is asked, and what it moved is not known.
func (j *Journal) tell(ctx context.Context, entry Entry, moved []RowChange, failed error) {
	if j.Noted == nil {
		return
	}
	if failed == nil {
		j.Noted(entry.ID, moved)
		return
	}
	if last, err := j.store.LastLedgerID(context.WithoutCancel(ctx)); err == nil && last >= entry.ID {
		j.Noted(last, nil)
	}
}

// note writes the ledger entry of a change.
func (j *Journal) note(ctx context.Context, d *Draft, noted Record) (Entry, error) {
	if !slices.Contains(j.kinds, noted.Kind) {
		return Entry{}, fmt.Errorf("no area has told of the kind of entry %q", noted.Kind)
	}
	changes, err := json.Marshal(d.Changes)
	if err != nil {
		return Entry{}, fmt.Errorf("note the change: %w", err)
	}
	writer := WriterOf(ctx)
	row, err := d.AddLedgerEntry(ctx, store.AddLedgerEntryParams{
		At: j.clock().UTC().Format(time.RFC3339), Day: j.day(),
		Kind: noted.Kind, Summary: noted.Summary, BedID: noted.Bed, PlantingID: noted.Planting,
		Changes: string(changes), TakesBack: noted.TakesBack,
		ByWhom: writer.Person, Device: writer.Device,
	})
	if err != nil {
		return Entry{}, fmt.Errorf("write the ledger: %w", err)
	}
	if noted.TakesBack != nil {
		if err := d.MarkTakenBack(ctx, store.MarkTakenBackParams{TakenBackBy: &row.ID, ID: *noted.TakesBack}); err != nil {
			return Entry{}, fmt.Errorf("mark as taken back: %w", err)
		}
	}
	return Entry{row.ID, row.Summary, madeBy(d.Changes)}, nil
}

// DiskFault tells whether a change could not be written because of the disk, and why.
func DiskFault(err error) (why string, is bool) { return store.DiskFault(err) }
