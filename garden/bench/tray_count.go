package bench

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// CellChange is what a cell shows now.
type CellChange struct {
	Cell  int    `json:"cell" minimum:"0"`
	State string `json:"state" enum:",sown,up,gone,failed,potted"`
	// From is the cell that the seedling was moved from, gapping up; -1 for none.
	From int `json:"from" doc:"The cell that a seedling was moved here from; -1 for none"`
}

// CountTrayInput is what was counted in a tray by tapping its cells.
type CountTrayInput struct {
	Changes []CellChange `json:"changes"`
	Day     string       `json:"day,omitempty" doc:"The day it was counted, where a device kept it; today where it is left out"`
}

// CountTray notes what stands in cells now: what came up, went, was gapped up or potted on. The
// counts of its batches follow.
func (u *Uses) CountTray(ctx context.Context, id int64, seen say.Version, in CountTrayInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := standingTray(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if err := seen.IsOf(say.VersionOf(row), "The tray "+row.Name); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		day := input.ReadKeptDay(s, &c, in.Day)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		before := cellsOf(row)
		after, err := changedCells(before, in.Changes)
		if err != nil {
			return journal.Record{}, err
		}
		if slices.Equal(before, after) {
			return journal.Record{}, say.Faults{{Field: "changes", Message: "Nothing was changed: tap the cells that came up."}}
		}
		row.Cells = writeCells(after)
		if _, err := traysTable.Put(ctx, d, id, trayParams(row)); err != nil {
			return journal.Record{}, err
		}
		summary, bed, err := noteCounts(ctx, s, d, row, day, before, after)
		if err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: kindBatch, Bed: bed, Summary: "Counted the tray " + row.Name + ": " + summary}, nil
	})
}

// changedCells are cells after changes, or what is wrong with those.
func changedCells(before []cell, changes []CellChange) ([]cell, error) {
	var c say.Checklist
	after := slices.Clone(before)
	if len(changes) > 2*len(before) {
		c.Add("changes", "There are more changes than cells.")
		return nil, c.Err()
	}
	for _, change := range changes {
		if change.Cell < 0 || change.Cell >= len(after) || change.From >= len(after) {
			c.Add("changes", "This tray has no such cell.")
			continue
		}
		at := &after[change.Cell]
		switch {
		case !slices.Contains(cellStates, change.State) || change.State == cellOut:
			c.Add("changes", "A cell cannot be noted so here.")
		case change.From >= 0:
			from := &after[change.From]
			if from.State != cellUp || at.takesRoom() {
				c.Add("changes", "A seedling is moved from a cell where one stands into one where none does.")
				continue
			}
			*at, *from = cell{from.Batch, cellUp}, cell{}
		case at.Batch == 0:
			c.Add("changes", "Nothing was set into cell %d.", change.Cell+1)
		case change.State == cellEmpty:
			*at = cell{}
		default:
			at.State = change.State
		}
	}
	return after, c.Err()
}

// noteCounts writes what the cells say of each batch that changed.
func noteCounts(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	row store.Tray,
	day calendar.Date,
	before, after []cell,
) (summary string, bed *int64, err error) {
	var words []string
	for _, b := range batches.Of(s) {
		was, is := tally(before, b.ID), tally(after, b.ID)
		if was == is {
			continue
		}
		bed = b.BedID
		p := progressOf(s, b.ID)
		if up := is.up - was.up; up != 0 || !p.Counted && is.up > 0 {
			// Counted elsewhere meanwhile, it is known of that later day.
			if err := putCount(ctx, d, b.ID, max(day, p.UpOn), countUp, max(0, p.Up+up)); err != nil {
				return "", nil, err
			}
		}
		if gone := is.gone - was.gone; gone > 0 {
			if err := putCount(ctx, d, b.ID, day, countGone, gone); err != nil {
				return "", nil, err
			}
		}
		if potted := is.potted - was.potted; potted > 0 {
			if err := putCount(ctx, d, b.ID, day, countPotted, potted); err != nil {
				return "", nil, err
			}
		}
		words = append(words, fmt.Sprintf("%d of %d %s up", is.up, is.set, batchName(s, b)))
	}
	if words == nil {
		words = []string{"gapped up"}
	}
	return say.Joined(words), bed, nil
}

// putCount writes a count of a day; one of the same kind and day is counted on.
func putCount(
	ctx context.Context, d *journal.Draft, batch int64, day calendar.Date, kind string, plants int,
) error {
	_, err := countsTable.Put(
		ctx,
		d,
		0,
		store.PutBatchCountParams{BatchID: batch, Day: day.String(), Kind: kind, Plants: int64(plants)},
	)
	return err
}
