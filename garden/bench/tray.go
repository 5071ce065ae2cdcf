package bench

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// TrayInput is a tray of cells as typed.
type TrayInput struct {
	Name    string `json:"name"`
	PlaceID int64  `json:"placeId,omitempty" doc:"Where it stands; 0 for nowhere yet"`
	Rows    int    `json:"rows"`
	Columns int    `json:"columns"`
	Cell    string `json:"cell" doc:"What a cell holds, as typed"`
	Depth   string `json:"depth" doc:"How deep a cell is, as typed"`
	Mix     string `json:"mix,omitempty" doc:"What it is filled with, by the id or number of the recipe"`
}

func trayParams(row store.Tray) store.PutTrayParams {
	return store.PutTrayParams{
		ID: &row.ID, Name: row.Name, PlaceID: row.PlaceID, Rows: row.Rows, Columns: row.Columns, CellL: row.CellL,
		CellCm: row.CellCm,
		Mix:    row.Mix, Cells: row.Cells, FilledOn: row.FilledOn, RemovedOn: row.RemovedOn,
	}
}

func standingTray(s *plot.State, id int64) (store.Tray, error) {
	row, has := rowOf(trays.Of(s), id, func(r store.Tray) int64 { return r.ID })
	if !has || row.RemovedOn != nil {
		return row, say.NotFoundError{What: "tray"}
	}
	return row, nil
}

// PutTray adds a tray of cells, with an id of 0, or changes one. Its rows and columns stay once
// something stands in it.
func (u *Uses) PutTray(ctx context.Context, id int64, seen say.Version, in TrayInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row := store.Tray{Cells: "[]"}
		verb := "Filled the tray "
		if id != 0 {
			var err error
			if row, err = standingTray(s, id); err != nil {
				return journal.Record{}, err
			}
			if err := seen.IsOf(say.VersionOf(row), "The tray "+row.Name); err != nil {
				return journal.Record{}, err
			}
			verb = "Changed the tray "
		}
		var c say.Checklist
		row.Name = c.Name("name", in.Name)
		if in.Rows < 1 || in.Columns < 1 || in.Rows > 60 || in.Columns > 60 || in.Rows*in.Columns > mostCells {
			c.Add("rows", "A tray has from 1 to %d cells, no more than 60 a side.", mostCells)
		} else if taken := slices.ContainsFunc(cellsOf(row), func(c cell) bool { return c.State != cellEmpty }); taken &&
			(int64(in.Rows) != row.Rows || int64(in.Columns) != row.Columns) {
			c.Add("rows", "Something stands in it: its cells cannot be counted anew.")
		}
		row.Rows, row.Columns = int64(in.Rows), int64(in.Columns)
		row.CellL, row.CellCm = readCell(s, &c, "cell", in.Cell), readCellDepth(s, &c, "depth", in.Depth)
		row.PlaceID = nil
		if in.PlaceID != 0 {
			if place, has := placeOf(s, in.PlaceID); !has || place.RemovedOn != nil {
				c.Add("placeId", "Choose a place of the bench.")
			}
			row.PlaceID = &in.PlaceID
		}
		row.Mix = in.Mix
		if _, has := mixOf(s, in.Mix); in.Mix != "" && !has {
			c.Add("mix", "Choose one of the recipes.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		params := trayParams(row)
		if id == 0 {
			today := s.Today.String()
			params.ID, params.FilledOn = nil, &today
		}
		_, err := traysTable.Put(ctx, d, id, params)
		return journal.Record{Kind: kindBench, Summary: fmt.Sprintf("%s%s, %s", verb, row.Name,
			say.Counted(float64(in.Rows*in.Columns), "cell", "cells"))}, err
	})
}

// EmptyTray takes a tray off the bench. It is refused while something stands in it.
func (u *Uses) EmptyTray(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := standingTray(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if n := standingIn(s, row); n > 0 {
			return journal.Record{}, say.ConflictError{
				Why: fmt.Sprintf("%s still in it: pot them on, plant them out, or note that they are gone.",
					say.Counted(float64(n), "plant stands", "plants stand")),
			}
		}
		today := s.Today.String()
		row.RemovedOn = &today
		_, err = traysTable.Put(ctx, d, id, trayParams(row))
		return journal.Record{Kind: kindBench, Summary: "Emptied the tray " + row.Name}, err
	})
}

// standingIn is how many cells hold something of a batch that goes on.
func standingIn(s *plot.State, row store.Tray) (n int) {
	for _, c := range cellsOf(row) {
		if b, has := batchOf(s, c.Batch); c.takesRoom() && has && b.EndedOn == nil {
			n++
		}
	}
	return n
}

// SowTrayInput sets a batch into cells of a tray.
type SowTrayInput struct {
	BatchID int64 `json:"batchId"`
	// Cells are those to set it into, by their number from 0, row by row; empty for the next Count
	// empty ones.
	Cells []int `json:"cells,omitempty"`
	Count int   `json:"count,omitempty"`
}

// SowTray sets a batch that has begun into cells of a tray.
func (u *Uses) SowTray(ctx context.Context, id int64, seen say.Version, in SowTrayInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := standingTray(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if err := seen.IsOf(say.VersionOf(row), "The tray "+row.Name); err != nil {
			return journal.Record{}, err
		}
		batch, err := openBatch(s, in.BatchID)
		if err != nil {
			return journal.Record{}, err
		}
		cells := cellsOf(row)
		chosen, err := readCells(s, cells, batch, in)
		if err != nil {
			return journal.Record{}, err
		}
		// What was counted already, as lifted volunteers are, stands in its cell as it is.
		up := progressOf(s, batch.ID).standing(batch) - cellsUp(s, batch.ID)
		if !progressOf(s, batch.ID).Counted {
			up = 0
		}
		for _, i := range chosen {
			cells[i] = cell{batch.ID, cellSown}
			if up > 0 {
				cells[i].State = cellUp
				up--
			}
		}
		row.Cells = writeCells(cells)
		if _, err := traysTable.Put(ctx, d, id, trayParams(row)); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindBatch,
			Bed:  batch.BedID,
			Summary: fmt.Sprintf("Set %s into %s of the tray %s", batchName(s, batch),
				say.Counted(float64(len(chosen)), "cell", "cells"), row.Name),
		}, nil
	})
}

func readCells(s *plot.State, cells []cell, batch store.Batch, in SowTrayInput) ([]int, error) {
	var c say.Checklist
	if batch.BegunOn == nil {
		c.Add("batchId", "It has not begun yet. Note first that it was.")
		return nil, c.Err()
	}
	var empty []int
	for i, at := range cells {
		if !at.takesRoom() {
			empty = append(empty, i)
		}
	}
	left := int(batch.Starts) - cellsTaken(s, batch.ID)
	chosen := in.Cells
	if len(chosen) == 0 {
		if in.Count < 1 {
			c.Add("cells", "Choose cells, or say how many.")
			return nil, c.Err()
		}
		if in.Count > len(empty) {
			c.Add(
				"count",
				"Only %s empty in this tray: set the others into another.",
				say.Counted(float64(len(empty)), "cell is", "cells are"),
			)
			return nil, c.Err()
		}
		chosen = empty[:in.Count]
	}
	chosen = slices.Clone(chosen)
	slices.Sort(chosen)
	chosen = slices.Compact(chosen)
	for _, i := range chosen {
		if i < 0 || i >= len(cells) {
			c.Add("cells", "This tray has no such cell.")
		} else if cells[i].takesRoom() {
			c.Add("cells", "Something stands in cell %d already.", i+1)
		}
	}
	if len(chosen) > left && c.Err() == nil {
		c.Add("count", "Only %d of the %d that were started are not in a cell yet.", max(0, left), batch.Starts)
	}
	return chosen, c.Err()
}
