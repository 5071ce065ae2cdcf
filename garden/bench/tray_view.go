package bench

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

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
		lot, _ := rowOf(plot.SeedLots.Of(s), *b.LotID, func(r store.SeedLot) int64 { return r.ID })
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
