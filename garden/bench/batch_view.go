package bench

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// BatchView is a batch with its way through the places.
type BatchView struct {
	ID        int64         `json:"id"`
	SpeciesID string        `json:"speciesId"`
	Name      string        `json:"name"`
	Botanical string        `json:"botanical"`
	Way       string        `json:"way"`
	Deed      string        `json:"deed"`
	Done      string        `json:"done" doc:"What notes that it was begun: It is sown"`
	Starts    int           `json:"starts"`
	Wanted    int           `json:"wanted"`
	Trays     int           `json:"trays"`
	Begun     bool          `json:"begun"`
	Start     calendar.Date `json:"start"`
	Out       calendar.Date `json:"out"`
	BedID     int64         `json:"bedId"`
	Bed       string        `json:"bed"`
	Lot       string        `json:"lot"`
	Mother    string        `json:"mother"`
	Stays     []StayView    `json:"stays"`
	State     string        `json:"state"`
	Standing  int           `json:"standing"`
	Counted   bool          `json:"counted"`
	Up        int           `json:"up"`
	OutSoFar  int           `json:"outSoFar"`
	Fits      bool          `json:"fits"`
	Priority  int           `json:"priority"`
	Food      bool          `json:"food"`
	Note      string        `json:"note"`
	TrayIDs   []int64       `json:"trayIds"`
	Ended     bool          `json:"ended"`
	Counts    []string      `json:"counts"`
	Version   say.Version   `json:"version"`
}

// StayView is a stay in a place, with the row it is drawn in.
type StayView struct {
	Step    string        `json:"step" enum:"warm,cold,rise,root,grow,harden"`
	Words   string        `json:"words"`
	PlaceID int64         `json:"placeId"`
	Place   string        `json:"place"`
	From    calendar.Date `json:"from"`
	Until   calendar.Date `json:"until"`
	Rows    []int         `json:"rows" doc:"The rows its trays take, from 0; none where it does not fit"`
}

func viewBatch(s *plot.State, b store.Batch) BatchView {
	way, _ := propagation.WayOf(b.Way)
	p := progressOf(s, b.ID)
	v := BatchView{
		ID: b.ID, SpeciesID: b.SpeciesID, Name: batchName(s, b), Way: b.Way, Deed: string(way.Deed),
		Done: doneWords[way.Deed], Starts: int(b.Starts), Wanted: int(b.Wanted),
		Trays: int(
			b.Trays,
		), Begun: b.BegunOn != nil, Start: startDay(b), Out: dayOf(&b.OutOn), Standing: p.standing(b), Counted: p.Counted,
		Up: p.Up, OutSoFar: p.Out, Priority: int(b.Priority), Food: b.Food == 1, Note: b.Note, Stays: []StayView{},
		TrayIDs: []int64{},
		Ended:   b.EndedOn != nil, Counts: []string{}, Version: say.VersionOf(b),
	}
	if species, has := s.Lib.Species(b.SpeciesID); has {
		v.Botanical = species.Names.Botanical
	}
	if b.BedID != nil {
		v.BedID, v.Bed = *b.BedID, s.BedByID[*b.BedID].Name
	}
	if b.LotID != nil {
		lot, _ := rowOf(plot.SeedLots.Of(s), *b.LotID, func(r store.SeedLot) int64 { return r.ID })
		v.Lot = lot.Name
	}
	if b.MotherID != nil {
		if mother, has := s.ByID[*b.MotherID]; has {
			v.Mother = mother.Species.Names.Name + " in " + mother.Bed.Name
		}
	}
	for _, row := range trays.Of(s) {
		if row.RemovedOn == nil &&
			slices.ContainsFunc(cellsOf(row), func(c cell) bool { return c.Batch == b.ID && c.State != cellEmpty }) {
			v.TrayIDs = append(v.TrayIDs, row.ID)
		}
	}
	for _, c := range countsOf(s, b.ID) {
		v.Counts = append(v.Counts, fmt.Sprintf("%s: %d %s", dayOf(&c.Day).DayMonth(), c.Plants, countedWords[c.Kind]))
	}
	v.State = batchState(s, b, p)
	return v
}

var countedWords = map[string]string{
	countUp: "up", countGone: "gone", countPotted: "potted on", countOut: "planted out",
}

// batchState says where a batch is now.
func batchState(s *plot.State, b store.Batch, p progress) string {
	way, _ := propagation.WayOf(b.Way)
	switch {
	case b.EndedOn != nil:
		return "ended " + yearIfOther(s, dayOf(b.EndedOn))
	case b.BegunOn == nil:
		if late := s.Today.DaysSince(startDay(b)); late > 0 {
			return fmt.Sprintf("%s it: %s late", way.Deed, say.Counted(float64(late), "day", "days"))
		}
		return fmt.Sprintf("%s it about %s", way.Deed, yearIfOther(s, startDay(b)))
	}
	state := fmt.Sprintf("%s %d on %s", strings.ToLower(beganWords[way.Deed]), b.Starts, yearIfOther(s, startDay(b)))
	for _, st := range staysOf(b) {
		if s.Today >= st.From && s.Today < st.Until {
			state += ", " + stepWords[st.Step]
		}
	}
	if p.Counted {
		state += fmt.Sprintf(", %d came up", p.Up)
	}
	if s.Today >= dayOf(&b.OutOn) && p.standing(b) > 0 {
		state += ", ready to plant out"
	}
	return state
}
