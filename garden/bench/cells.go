package bench

import (
	"context"
	"encoding/json"
	"slices"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// The states of a cell.
const (
	cellEmpty  = ""
	cellSown   = "sown"
	cellUp     = "up"
	cellGone   = "gone"   // it was up, and went
	cellFailed = "failed" // it never came up
	cellPotted = "potted"
	cellOut    = "out"
)

var cellStates = []string{cellEmpty, cellSown, cellUp, cellGone, cellFailed, cellPotted, cellOut}

// cell is what stands in one cell.
type cell struct {
	Batch int64  `json:"b,omitempty"`
	State string `json:"s,omitempty"`
}

// takesRoom tells whether nothing else can be set into the cell.
func (c cell) takesRoom() bool { return c.State == cellSown || c.State == cellUp }

// cellsOf are a tray's cells, row by row. Rows of the store are written by this program alone.
func cellsOf(row store.Tray) []cell {
	cells := make([]cell, row.Rows*row.Columns)
	var kept []cell
	if json.Unmarshal([]byte(row.Cells), &kept) == nil {
		copy(cells, kept)
	}
	return cells
}

func writeCells(cells []cell) string {
	text, err := json.Marshal(cells)
	if err != nil {
		return "[]"
	}
	return string(text)
}

// cellsTaken is how many cells a batch was set into, in all trays.
func cellsTaken(s *plot.State, batch int64) (n int) {
	for _, row := range trays.Of(s) {
		for _, c := range cellsOf(row) {
			if c.Batch == batch && c.State != cellEmpty {
				n++
			}
		}
	}
	return n
}

// cellsUp is how many cells hold plants of a batch that are up, in all trays.
func cellsUp(s *plot.State, batch int64) (n int) {
	for _, row := range trays.Of(s) {
		for _, c := range cellsOf(row) {
			if c.Batch == batch && c.State == cellUp {
				n++
			}
		}
	}
	return n
}

// tallied is what cells hold of a batch.
type tallied struct{ set, up, gone, potted int }

func tally(cells []cell, batch int64) (t tallied) {
	for _, c := range cells {
		if c.Batch != batch || c.State == cellEmpty {
			continue
		}
		t.set++
		switch c.State {
		case cellUp, cellOut:
			t.up++
		case cellGone:
			t.up++
			t.gone++
		case cellPotted:
			t.up++
			t.potted++
		}
	}
	return t
}

// takeOut empties cells of a batch of which so many plants went out: those potted on first, for they
// are the larger. Where the batch is done with, what is left of it in cells never came up, or went.
func takeOut(ctx context.Context, s *plot.State, d *journal.Draft, batch int64, plants int, done bool) error {
	return changeCells(ctx, s, d, batch, func(cells []*cell) {
		for _, state := range []string{cellPotted, cellUp} {
			for _, c := range cells {
				if c.State == state && plants > 0 {
					c.State = cellOut
					plants--
				}
			}
		}
		if done {
			endCells(cells)
		}
	})
}

// clearCells notes of what a batch that ends leaves in cells that it never came up, or went.
func clearCells(ctx context.Context, s *plot.State, d *journal.Draft, batch int64) error {
	return changeCells(ctx, s, d, batch, endCells)
}

func endCells(cells []*cell) {
	for _, c := range cells {
		switch c.State {
		case cellSown:
			c.State = cellFailed
		case cellUp:
			c.State = cellGone
		}
	}
}

// changeCells changes the cells that a batch stands in, of all trays.
func changeCells(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	batch int64,
	change func([]*cell),
) error {
	rows := trays.Of(s)
	before, after := make([][]cell, len(rows)), make([][]cell, len(rows))
	var of []*cell
	for i, row := range rows {
		before[i], after[i] = cellsOf(row), cellsOf(row)
		for k := range after[i] {
			if after[i][k].Batch == batch {
				of = append(of, &after[i][k])
			}
		}
	}
	change(of)
	for i, row := range rows {
		if slices.Equal(before[i], after[i]) {
			continue
		}
		row.Cells = writeCells(after[i])
		if _, err := traysTable.Put(ctx, d, row.ID, trayParams(row)); err != nil {
			return err
		}
	}
	return nil
}
