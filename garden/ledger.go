package garden

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"math"

	"bramblyacre/store"
)

// LedgerLine is one thing noted.
type LedgerLine struct {
	ID         int64  `json:"id"`
	Day        string `json:"day"`
	At         string `json:"at" doc:"The moment it was noted, RFC 3339"`
	Kind       string `json:"kind"`
	Summary    string `json:"summary"`
	BedID      int64  `json:"bedId"`
	PlantingID int64  `json:"plantingId"`
	TakenBack  bool   `json:"takenBack"`
	TakesBack  int64  `json:"takesBack" doc:"The entry that this one takes back, 0 for none"`
}

// LedgerFilter narrows the ledger. Empty fields let everything through.
type LedgerFilter struct {
	Kind       string
	PlantingID int64
	Containing string
	// Before is the id that entries must be older than, 0 for the newest.
	Before int64
	Most   int
}

// LedgerKinds lists the kinds of entry.
var LedgerKinds = []string{"observation", "picking", "job", "planting", "bed", "need", "site", "plan", "ground", "check", "find", "sorting", "making", "household", "own plant", "own figure", "plant note", "practice", "taken back"}

// LedgerView is a page of the ledger, the newest first.
type LedgerView struct {
	Lines []LedgerLine `json:"lines"`
	Kinds []string     `json:"kinds"`
	More  bool         `json:"more"`
}

// Ledger returns a page of the ledger.
func (g *Garden) Ledger(ctx context.Context, filter LedgerFilter) (LedgerView, error) {
	most := filter.Most
	filter.Most++
	lines, err := g.ledgerLines(ctx, filter)
	v := LedgerView{Lines: lines, Kinds: LedgerKinds}
	if len(lines) > most {
		v.Lines, v.More = lines[:most], true
	}
	return v, err
}

func (g *Garden) ledgerLines(ctx context.Context, filter LedgerFilter) ([]LedgerLine, error) {
	before := filter.Before
	if before <= 0 {
		before = math.MaxInt64
	}
	rows, err := g.Store.ListLedger(ctx, store.ListLedgerParams{
		Kind: filter.Kind, Planting: filter.PlantingID, Containing: filter.Containing, Before: before, Most: int64(filter.Most),
	})
	if err != nil {
		return nil, fmt.Errorf("read the ledger: %w", err)
	}
	lines := []LedgerLine{}
	for _, row := range rows {
		lines = append(lines, LedgerLine{
			ID: row.ID, Day: row.Day, At: row.At, Kind: row.Kind, Summary: row.Summary,
			BedID: orZero(row.BedID), PlantingID: orZero(row.PlantingID), TakenBack: row.TakenBackBy != nil, TakesBack: orZero(row.TakesBack),
		})
	}
	return lines, nil
}

func orZero(id *int64) int64 {
	if id == nil {
		return 0
	}
	return *id
}

// TakeBack undoes a ledger entry. It is itself an entry, and can be taken back.
func (g *Garden) TakeBack(ctx context.Context, id int64) (Entry, error) {
	return g.changeRows(ctx, func(d *draft) (record, error) {
		row, err := d.GetLedgerEntry(ctx, id)
		if errors.Is(err, sql.ErrNoRows) {
			return record{}, NotFoundError{"ledger entry"}
		}
		if err != nil {
			return record{}, fmt.Errorf("read ledger entry %d: %w", id, err)
		}
		if row.TakenBackBy != nil {
			return record{}, ConflictError{"This entry was taken back already."}
		}
		var changes []rowChange
		if err := json.Unmarshal([]byte(row.Changes), &changes); err != nil {
			return record{}, fmt.Errorf("ledger entry %d: %w", id, err)
		}
		if err := undo(ctx, d, changes); err != nil {
			return record{}, err
		}
		if err := g.leavesNoPlanting(ctx, d); err != nil {
			return record{}, err
		}
		return record{kind: "taken back", summary: "Took back: " + row.Summary, bed: row.BedID, planting: row.PlantingID, takesBack: &row.ID}, nil
	})
}

// leavesNoPlanting refuses to take an own plant out of the library from under a planting of
// it, as removing it is refused.
func (g *Garden) leavesNoPlanting(ctx context.Context, d *draft) error {
	for _, c := range d.changes {
		if c.Table != "own_plants" || !isNull(c.After) {
			continue
		}
		var gone store.OwnPlant
		if err := json.Unmarshal(c.Before, &gone); err != nil {
			return fmt.Errorf("own plant %d: %w", c.ID, err)
		}
		if _, ships := g.Library.Species(gone.SpeciesID); ships {
			continue
		}
		plantings, err := d.ListPlantings(ctx)
		if err != nil {
			return err
		}
		for _, p := range plantings {
			if p.SpeciesID == gone.SpeciesID {
				return ConflictError{fmt.Sprintf("%s stands or stood in a bed, so it stays in the library. Take back what was noted of it first.", capital(gone.SpeciesID))}
			}
		}
	}
	return nil
}
