package bench

import (
	"encoding/json"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// The steps of a batch.
const (
	stepWarm   = "warm"
	stepCold   = "cold"
	stepRise   = "rise"
	stepRoot   = "root"
	stepGrow   = "grow"
	stepHarden = "harden"
)

// stay is the time a batch spends in a place, for one step; Place is 0 in the open ground. The
// day Until is the first of the next.
type stay struct {
	Step  string        `json:"step"`
	Place int64         `json:"place"`
	From  calendar.Date `json:"from"`
	Until calendar.Date `json:"until"`
}

// staysOf are a batch's stays in order. Rows are written by this program alone.
func staysOf(b store.Batch) (stays []stay) {
	if json.Unmarshal([]byte(b.Stays), &stays) != nil {
		return nil
	}
	return stays
}

// aheadStays are a batch's stays as they lie before it: one that is planned and late begins today.
func aheadStays(s *plot.State, b store.Batch) []stay {
	stays := staysOf(b)
	if late := s.Today.DaysSince(startDay(b)); b.BegunOn == nil && late > 0 {
		return shifted(stays, 0, late)
	}
	return stays
}

func writeStays(stays []stay) string {
	text, err := json.Marshal(stays)
	if err != nil {
		return "[]"
	}
	return string(text)
}

// openBatches are the batches that did not end.
func openBatches(s *plot.State) []store.Batch {
	return slices.DeleteFunc(slices.Clone(batches.Of(s)), func(b store.Batch) bool { return b.EndedOn != nil })
}

func batchOf(s *plot.State, id int64) (store.Batch, bool) {
	return rowOf(batches.Of(s), id, func(r store.Batch) int64 { return r.ID })
}

func batchName(s *plot.State, b store.Batch) string { return speciesName(s, b.SpeciesID) }

func speciesName(s *plot.State, id string) string {
	if species, has := s.Lib.Species(id); has {
		return species.Names.Name
	}
	return id
}

// dayOf reads a stored day; NoDay where there is none.
func dayOf(text *string) calendar.Date {
	if text == nil {
		return plot.NoDay
	}
	day, err := calendar.Parse(*text)
	if err != nil {
		return plot.NoDay
	}
	return day
}

// startDay is the day that a batch began on, or is planned to.
func startDay(b store.Batch) calendar.Date {
	if b.BegunOn != nil {
		return dayOf(b.BegunOn)
	}
	return dayOf(&b.PlannedOn)
}

// staysOfOutlook are the stays that the middle of an outlook's runs makes of an attempt.
func staysOfOutlook(a *propagation.Attempt, o propagation.Outlook, outdoors int64) (stays []stay) {
	w := a.Weathers
	add := func(step string, place int64, from, until int) {
		if until > from {
			stays = append(stays, stay{step, place, w.Date(from), w.Date(until)})
		}
	}
	id := func(p *propagation.Place) int64 {
		if p == nil {
			return 0
		}
		return p.ID
	}
	way, _ := propagation.WayOf(a.Row.Way)
	if way.Deed == propagation.Sow {
		rest := stepCold
		if a.Row.ColdWeeks == nil && a.Row.WarmWeeks != nil {
			rest = stepWarm
		}
		add(rest, id(a.Rest), a.Start, o.Rested.P50)
		add(stepRise, id(a.Rise), o.Rested.P50, o.Up.P50+1)
	} else {
		add(stepRoot, id(a.Rise), a.Start, o.Up.P50)
	}
	if a.Grow != nil {
		add(stepGrow, id(a.Grow), max(o.Up.P50, a.Start), o.Grown.P50)
		add(stepHarden, outdoors, o.Grown.P50, o.Out.P50)
	}
	return stays
}
