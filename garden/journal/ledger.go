package journal

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"math"

	"bramblyacre/garden/say"
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
	ByWhom     string `json:"byWhom" doc:"Whose device it came from; empty where it was noted on the machine itself"`
	Device     string `json:"device" doc:"The name of that device"`
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

// LedgerView is a page of the ledger, the newest first.
type LedgerView struct {
	Lines []LedgerLine `json:"lines"`
	Kinds []string     `json:"kinds"`
	More  bool         `json:"more"`
}

// Ledger returns a page of the ledger.
func (j *Journal) Ledger(ctx context.Context, filter LedgerFilter) (LedgerView, error) {
	most := filter.Most
	filter.Most++
	lines, err := j.LedgerLines(ctx, filter)
	v := LedgerView{Lines: lines, Kinds: j.kinds}
	if len(lines) > most {
		v.Lines, v.More = lines[:most], true
	}
	return v, err
}

// LedgerLines returns the newest entries that a filter lets through.
func (j *Journal) LedgerLines(ctx context.Context, filter LedgerFilter) ([]LedgerLine, error) {
	before := filter.Before
	if before <= 0 {
		before = math.MaxInt64
	}
	rows, err := j.store.ListLedger(ctx, store.ListLedgerParams{
		Kind:       filter.Kind,
		Planting:   filter.PlantingID,
		Containing: filter.Containing,
		Before:     before,
		Most:       int64(filter.Most),
	})
	if err != nil {
		return nil, fmt.Errorf("read the ledger: %w", err)
	}
	lines := []LedgerLine{}
	for _, row := range rows {
		lines = append(lines, LedgerLine{
			ID:      row.ID,
			Day:     row.Day,
			At:      row.At,
			Kind:    row.Kind,
			Summary: row.Summary,
			BedID: orZero(
				row.BedID,
			),
			PlantingID: orZero(row.PlantingID),
			TakenBack:  row.TakenBackBy != nil,
			TakesBack:  orZero(row.TakesBack),
			ByWhom:     row.ByWhom,
			Device:     row.Device,
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
func (j *Journal) TakeBack(ctx context.Context, id int64) (Entry, error) {
	return j.Write(ctx, Sending{}, nil, func(d *Draft) (Record, error) {
		row, err := d.GetLedgerEntry(ctx, id)
		if errors.Is(err, sql.ErrNoRows) {
			return Record{}, say.NotFoundError{What: "ledger entry"}
		}
		if err != nil {
			return Record{}, fmt.Errorf("read ledger entry %d: %w", id, err)
		}
		if row.TakenBackBy != nil {
			return Record{}, say.ConflictError{Why: "This entry was taken back already."}
		}
		var changes []RowChange
		if err := json.Unmarshal([]byte(row.Changes), &changes); err != nil {
			return Record{}, fmt.Errorf("ledger entry %d: %w", id, err)
		}
		if err := undo(ctx, d, changes); err != nil {
			return Record{}, err
		}
		return Record{
			Kind:      takenBack,
			Summary:   "Took back: " + row.Summary,
			Bed:       row.BedID,
			Planting:  row.PlantingID,
			TakesBack: &row.ID,
		}, nil
	})
}
