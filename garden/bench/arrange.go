package bench

import (
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// coreStays are a batch's stays as the packing takes them, from the week it starts in; stays in
// the open ground take no room.
func (sh *shelves) coreStays(stays []stay, shift int) (start int, core []propagation.Stay, possible bool) {
	for i, span := range sh.weeksOf(stays, shift) {
		if i == 0 {
			start = span.from
		}
		place, has := sh.index[stays[i].Place]
		switch {
		case stays[i].Place != 0 && !has:
			return start, nil, false
		case stays[i].Place == 0:
			place = len(sh.rows)
		}
		core = append(core, propagation.Stay{Place: place, Weeks: span.end - span.from})
	}
	return start, core, true
}

// weeksTried is how many weeks later a batch is tried that does not fit as planned.
const weeksTried = 12

// arrangement is what fits and what does not.
type arrangement struct {
	packing propagation.Packing
	of      []store.Batch
	options [][]benchOption
}

// benchOption says what an option of the packing is: so many weeks later, in place of a place.
type benchOption struct {
	shift int
	from  int64
	to    int64
}

// arrange packs the planned batches into the room that those under way leave.
func arrange(s *plot.State, sh *shelves) arrangement {
	var a arrangement
	bench := sh.room()
	thisWeek := sh.week(s.Today)
	var core []propagation.BenchBatch
	for _, b := range openBatches(s) {
		if b.BegunOn != nil || b.Trays == 0 {
			continue
		}
		stays := aheadStays(s, b)
		start, _, possible := sh.coreStays(stays, 0)
		if !possible || len(stays) == 0 || start >= sh.weeks {
			continue
		}
		one := propagation.BenchBatch{
			Trays:    int(b.Trays),
			Food:     b.Food == 1,
			Priority: int(b.Priority),
			Wished:   max(start, thisWeek),
		}
		var options []benchOption
		for _, swap := range swapsOf(s, stays) {
			for shift := max(0, thisWeek-start); shift <= max(0, thisWeek-start)+weeksTried; shift++ {
				begin, core, possible := sh.coreStays(swapped(stays, swap), shift)
				core, fits := cutAtEnd(core, begin, sh.weeks)
				if possible && fits && mayStart(s, b, stays[0].From.AddDays(shift*weekDays)) {
					one.Options = append(one.Options, propagation.BenchOption{Start: begin, Stays: core})
					options = append(options, benchOption{shift, swap.from, swap.to})
				}
			}
		}
		a.of, a.options = append(a.of, b), append(a.options, options)
		core = append(core, one)
	}
	a.packing = bench.Pack(core)
	return a
}

// cutAtEnd lets stays run beyond the weeks that are looked at; a batch that begins beyond them is
// none.
func cutAtEnd(core []propagation.Stay, start, weeks int) ([]propagation.Stay, bool) {
	if start < 0 || start >= weeks {
		return nil, false
	}
	cut := slices.Clone(core)
	at := start
	for i := range cut {
		cut[i].Weeks = max(0, min(cut[i].Weeks, weeks-at))
		at += cut[i].Weeks
	}
	return cut, true
}

// swap puts one place for another.
type swap struct{ from, to int64 }

// swapsOf are the ways to have a batch elsewhere: as it is, and each of its warm or growing places
// by another of the same kind.
func swapsOf(s *plot.State, stays []stay) []swap {
	swaps := []swap{{}}
	seen := map[int64]bool{}
	for _, st := range stays {
		from, has := placeOf(s, st.Place)
		if !has || seen[st.Place] {
			continue
		}
		seen[st.Place] = true
		for _, to := range standingPlaces(s) {
			if to.ID != from.ID && to.Kind == from.Kind {
				swaps = append(swaps, swap{from.ID, to.ID})
			}
		}
	}
	return swaps
}

func swapped(stays []stay, by swap) []stay {
	if by.from == 0 {
		return stays
	}
	out := slices.Clone(stays)
	for i := range out {
		if out[i].Place == by.from {
			out[i].Place = by.to
		}
	}
	return out
}

// mayStart tells whether a batch's way may begin on a day, by the months of its row.
func mayStart(s *plot.State, b store.Batch, day calendar.Date) bool {
	species, has := s.Lib.Species(b.SpeciesID)
	if !has {
		return true
	}
	for _, row := range species.Propagations {
		if row.Way != b.Way || row.Season.Count() == 0 {
			continue
		}
		return row.Season.Has(day.Month()) || day == startDay(b) || day == s.Today
	}
	return true
}
