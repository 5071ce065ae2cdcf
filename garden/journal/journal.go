package journal

import (
	"context"
	"fmt"
	"maps"
	"slices"
	"sync"
	"time"

	"bramblyacre/store"
)

// Rule is what every change has to keep to, whichever area makes it. It is asked before
// the change is written, and an error refuses it.
type Rule func(ctx context.Context, d *Draft) error

// Registration is what an area tells the journal: its tables, its kinds of entry, and its rules.
type Registration struct {
	Tables []AnyTable
	Kinds  []string
	Rules  []Rule
}

// Journal notes every change in the ledger with its undo, and can take it back.
type Journal struct {
	store *store.Store
	clock func() time.Time
	// day is the day that entries are noted on, as it is stored.
	day    func() string
	tables map[string]AnyTable
	kinds  []string
	rules  []Rule
	// Noted is told of every entry once it is written, in their order, with what it moved or
	// nil where that is not known; nil for nobody.
	Noted func(entry int64, changes []RowChange)
	// writing keeps a change's reading, judging and writing together: one change at a time.
	writing sync.Mutex
}

// takenBack is the journal's own kind of entry.
const takenBack = "taken back"

// NewJournal is the journal of a store, with what each area has told of itself. Two tables
// or kinds of one name are an error.
func NewJournal(s *store.Store, clock func() time.Time, day func() string, areas ...Registration) (*Journal, error) {
	j := &Journal{store: s, clock: clock, day: day, tables: map[string]AnyTable{}}
	for _, told := range append(areas, Registration{Kinds: []string{takenBack}}) {
		for _, t := range told.Tables {
			if _, twice := j.tables[t.Name()]; twice {
				return nil, fmt.Errorf("two areas tell of the table %q", t.Name())
			}
			j.tables[t.Name()] = t
		}
		j.kinds = append(j.kinds, told.Kinds...)
		j.rules = append(j.rules, told.Rules...)
	}
	return j, nil
}

// table is the table that the ledger calls by a name.
func (j *Journal) table(name string) (AnyTable, error) {
	t, known := j.tables[name]
	if !known {
		return nil, fmt.Errorf("the ledger names a table %q that is not known", name)
	}
	return t, nil
}

// Kinds lists the kinds of entry.
func (j *Journal) Kinds() []string { return j.kinds }

// Tables lists the names of the tables that the ledger can put back.
func (j *Journal) Tables() []string { return slices.Sorted(maps.Keys(j.tables)) }
