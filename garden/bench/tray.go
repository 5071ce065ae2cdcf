package bench

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
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
		for _, i := range chosen {
			cells[i] = cell{batch.ID, cellSown}
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
		summary, bed, err := noteCounts(ctx, s, d, row, before, after)
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
			if err := putCount(ctx, s, d, b.ID, countUp, max(0, p.Up+up)); err != nil {
				return "", nil, err
			}
		}
		if gone := is.gone - was.gone; gone > 0 {
			if err := putCount(ctx, s, d, b.ID, countGone, gone); err != nil {
				return "", nil, err
			}
		}
		if potted := is.potted - was.potted; potted > 0 {
			if err := putCount(ctx, s, d, b.ID, countPotted, potted); err != nil {
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

// putCount writes a count of today; one of the same kind and day is counted on.
func putCount(ctx context.Context, s *plot.State, d *journal.Draft, batch int64, kind string, plants int) error {
	_, err := countsTable.Put(
		ctx,
		d,
		0,
		store.PutBatchCountParams{BatchID: batch, Day: s.Today.String(), Kind: kind, Plants: int64(plants)},
	)
	return err
}

// TrayView is a tray seen from above.
type TrayView struct {
	ID      int64  `json:"id"`
	Name    string `json:"name"`
	PlaceID int64  `json:"placeId"`
	Place   string `json:"place"`
	Rows    int    `json:"rows"`
	Columns int    `json:"columns"`
	Cell    string `json:"cell"`
	Depth   string `json:"depth"`
	Mix     string `json:"mix"`
	MixName string `json:"mixName"`
	// Cells are the cells row by row.
	Cells   []CellView      `json:"cells"`
	Batches []TrayBatchView `json:"batches" doc:"What stands in it"`
	// Waiting are batches that have begun and are not all in cells.
	Waiting []WaitingView `json:"waiting"`
	Empty   int           `json:"empty"`
	Words   string        `json:"words"`
	Version say.Version   `json:"version"`
}

// CellView is one cell.
type CellView struct {
	BatchID int64  `json:"batchId"`
	State   string `json:"state" enum:",sown,up,gone,failed,potted,out"`
}

// TrayBatchView is a batch in a tray.
type TrayBatchView struct {
	BatchID   int64         `json:"batchId"`
	SpeciesID string        `json:"speciesId"`
	Name      string        `json:"name"`
	Botanical string        `json:"botanical"`
	Way       string        `json:"way"`
	Lot       string        `json:"lot"`
	Begun     calendar.Date `json:"begun"`
	Set       int           `json:"set"`
	Up        int           `json:"up"`
	Words     string        `json:"words"`
	Expected  string        `json:"expected" doc:"When it should be up"`
	Root      string        `json:"root" doc:"Cell depth against root"`
	RootFit   string        `json:"rootFit" enum:"fits,trim,deeper,"`
	Sign      string        `json:"sign" doc:"A letter to tell batches of a tray apart"`
	Ended     bool          `json:"ended"`
}

// WaitingView is a batch that can be set into cells.
type WaitingView struct {
	BatchID int64  `json:"batchId"`
	Name    string `json:"name"`
	Left    int    `json:"left" doc:"How many are in no cell yet"`
}

// TraysView is all trays.
type TraysView struct {
	Trays []TrayView `json:"trays"`
}

// Trays shows all trays.
func (u *Uses) Trays(ctx context.Context) (TraysView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return TraysView{}, err
	}
	v := TraysView{Trays: []TrayView{}}
	for _, row := range trays.Of(s) {
		if row.RemovedOn == nil {
			v.Trays = append(v.Trays, viewTray(s, row))
		}
	}
	return v, nil
}

// Tray shows one tray.
func (u *Uses) Tray(ctx context.Context, id int64) (TrayView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return TrayView{}, err
	}
	row, err := standingTray(s, id)
	if err != nil {
		return TrayView{}, err
	}
	return viewTray(s, row), nil
}

func viewTray(s *plot.State, row store.Tray) TrayView {
	cells := cellsOf(row)
	v := TrayView{
		ID: row.ID, Name: row.Name, Rows: int(row.Rows), Columns: int(row.Columns), Cell: s.Units.Volume(row.CellL),
		Depth: s.Units.PlantLength(row.CellCm / 100), Mix: row.Mix, Version: say.VersionOf(row), Batches: []TrayBatchView{},
		Waiting: []WaitingView{}, Cells: make([]CellView, len(cells)),
	}
	if row.PlaceID != nil {
		v.PlaceID = *row.PlaceID
		if place, has := placeOf(s, v.PlaceID); has {
			v.Place = place.Name
		}
	}
	if mix, has := mixOf(s, row.Mix); has {
		v.MixName = mix.Name
	}
	for i, c := range cells {
		v.Cells[i] = CellView{c.Batch, c.State}
		if !c.takesRoom() {
			v.Empty++
		}
	}
	for _, b := range batches.Of(s) {
		if t := tally(cells, b.ID); t.set > 0 {
			v.Batches = append(v.Batches, viewTrayBatch(s, row, b, t, len(v.Batches)))
		}
		if left := int(b.Starts) - cellsTaken(s, b.ID); b.EndedOn == nil && b.BegunOn != nil && left > 0 &&
			len(staysOf(b)) > 0 &&
			b.Trays > 0 {
			v.Waiting = append(v.Waiting, WaitingView{b.ID, batchName(s, b), left})
		}
	}
	v.Words = fmt.Sprintf("%s of %s, %s deep", say.Counted(float64(len(cells)), "cell", "cells"), v.Cell, v.Depth)
	return v
}

func viewTrayBatch(s *plot.State, row store.Tray, b store.Batch, t tallied, index int) TrayBatchView {
	v := TrayBatchView{
		BatchID: b.ID, SpeciesID: b.SpeciesID, Name: batchName(s, b), Way: b.Way, Set: t.set, Up: t.up,
		Ended: b.EndedOn != nil,
		Sign:  string(rune('A' + index%26)),
	}
	v.Begun = startDay(b)
	if b.LotID != nil {
		lot, _ := rowOf(lots.Of(s), *b.LotID, func(r store.SeedLot) int64 { return r.ID })
		v.Lot = lot.Name
	}
	v.Words = fmt.Sprintf("%d of %d up", t.up, t.set)
	if t.gone > 0 {
		v.Words += fmt.Sprintf(", %d gone", t.gone)
	}
	if t.potted > 0 {
		v.Words += fmt.Sprintf(", %d potted on", t.potted)
	}
	for _, stay := range staysOf(b) {
		if stay.Step == stepRise || stay.Step == stepRoot {
			word := "up"
			if stay.Step == stepRoot {
				word = "rooted"
			}
			v.Expected = fmt.Sprintf("%s about %s", word, yearIfOther(s, stay.Until))
			if stay.Until < s.Today {
				v.Expected = fmt.Sprintf("were to be %s about %s", word, yearIfOther(s, stay.Until))
			}
		}
	}
	if species, has := s.Lib.Species(b.SpeciesID); has {
		v.Botanical = species.Names.Botanical
		v.Root, v.RootFit = rootWords(s, species, b, row.CellCm)
	}
	return v
}

// rootWords tell how a seedling's root goes into a cell by when it is lifted.
func rootWords(s *plot.State, species *flora.Species, b store.Batch, cellCm float64) (words, fit string) {
	if b.Way != "seed" && b.Way != "volunteers" {
		return "", ""
	}
	weeks := 0.0
	for _, stay := range staysOf(b) {
		if stay.Step == stepGrow {
			weeks = float64(stay.Until.DaysSince(stay.From)) / 7
		}
	}
	if weeks == 0 {
		return "", ""
	}
	lore := s.Lib.Bench().Root
	rate, kind := lore.Fibrous.Value, "roots"
	if hasTaproot(species) {
		rate, kind = lore.Tap.Value, "a taproot"
	}
	length := propagation.RootLength(weeks, rate, longestRoot(species))
	switch propagation.FitRoot(length, cellCm, lore.Cut.Value) {
	case propagation.RootFits:
		return fmt.Sprintf(
			"%s of about %s at planting out: the cell is deep enough",
			say.Capital(kind),
			s.Units.PlantLength(length/100),
		), "fits"
	case propagation.RootTrim:
		return fmt.Sprintf(
			"%s of about %s at planting out: trim the tip when it is potted, never bend it up",
			say.Capital(kind),
			s.Units.PlantLength(length/100),
		), "trim"
	}
	return fmt.Sprintf(
		"%s of about %s at planting out: take a deeper cell, or pot on early",
		say.Capital(kind),
		s.Units.PlantLength(length/100),
	), "deeper"
}

// hasTaproot tells whether a species makes a taproot, by the characters it is known by.
func hasTaproot(species *flora.Species) bool {
	for _, state := range species.Identity.Shows["root-form"] {
		return state == "tap"
	}
	return false
}

// longestRoot is how long a root gets at all, in cm: about as deep as the soil that the species wants.
func longestRoot(species *flora.Species) float64 { return max(species.Site.SoilDepth.Value, 10) }
