package bench

import (
	"cmp"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// mondayOf is the Monday on or before a day.
func mondayOf(day calendar.Date) calendar.Date {
	return day.AddDays(-((int(day.Weekday()) + 6) % 7))
}

// shelves are the places with what is in them by week.
type shelves struct {
	first calendar.Date
	weeks int
	rows  []store.RaisingPlace
	index map[int64]int
	// used is how many trays each place holds by week; items are what stands there.
	used  [][]int
	items [][]item
	kept  [][]*KeptView
}

// item is trays that stand in a place for weeks; settled puts them into rows.
type item struct {
	trays, from, end int
	settled          func(rows []int)
}

func newShelves(s *plot.State, first calendar.Date, weeks int) *shelves {
	sh := &shelves{first: first, weeks: weeks, rows: standingPlaces(s), index: map[int64]int{}}
	sh.used, sh.items, sh.kept = make(
		[][]int,
		len(sh.rows),
	), make(
		[][]item,
		len(sh.rows),
	), make(
		[][]*KeptView,
		len(sh.rows),
	)
	for i, row := range sh.rows {
		sh.index[row.ID] = i
		sh.used[i] = make([]int, weeks)
		sh.keep(s, i, row)
	}
	return sh
}

// shelvesAsPlanned are the shelves with every open batch as it is planned, but for one.
func shelvesAsPlanned(s *plot.State, except int64) *shelves {
	sh := newShelves(s, mondayOf(s.Today).AddDays(-weeksBefore*weekDays), weeksShown)
	for _, b := range openBatches(s) {
		if b.ID != except && b.Trays > 0 {
			sh.lay(s, aheadStays(s, b), int(b.Trays), true)
		}
	}
	return sh
}

// keep takes the room that is kept for food in a place.
func (sh *shelves) keep(s *plot.State, at int, place store.RaisingPlace) {
	for _, row := range keptRooms.Of(s) {
		if row.PlaceID != place.ID || row.RemovedOn != nil {
			continue
		}
		for year := sh.first.Year() - 1; year <= sh.first.AddDays(sh.weeks*weekDays).Year(); year++ {
			from, err := dayIn(year, row.FromDay)
			until, errUntil := dayIn(year, row.UntilDay)
			if err != nil || errUntil != nil {
				continue
			}
			if until < from {
				until = until.AddDays(yearDays) // over the turn of the year
			}
			first, end := max(sh.week(from), 0), min(sh.week(until)+1, sh.weeks)
			if end <= first {
				continue
			}
			kept := &KeptView{ID: row.ID, Name: row.Name, Trays: int(row.Trays), From: from, Until: until, Rows: []int{}}
			sh.kept[at] = append(sh.kept[at], kept)
			sh.put(at, item{int(row.Trays), first, end, func(rows []int) { kept.Rows = rows }})
		}
	}
}

// dayIn is a day of the year, MM-DD, in a year; 29 February is the 28th where there is none.
func dayIn(year int, monthDay string) (calendar.Date, error) {
	day, err := calendar.Parse(fmt.Sprintf("%04d-%s", year, monthDay))
	if err != nil && monthDay == "02-29" {
		return calendar.Parse(fmt.Sprintf("%04d-02-28", year))
	}
	return day, err
}

func (sh *shelves) week(day calendar.Date) int {
	days := day.DaysSince(sh.first)
	if days < 0 {
		return (days - weekDays + 1) / weekDays
	}
	return days / weekDays
}

func (sh *shelves) put(at int, it item) {
	sh.items[at] = append(sh.items[at], it)
	for week := it.from; week < it.end; week++ {
		sh.used[at][week] += it.trays
	}
}

// settle puts all items into rows, in the order in which they begin: so no more rows are taken than
// stand at once (intervals are coloured so with the fewest colours). Rows beyond a place's room
// are told as they are: what is under way stands there, room or not.
func (sh *shelves) settle() {
	for at := range sh.items {
		slices.SortStableFunc(
			sh.items[at],
			func(a, b item) int { return cmp.Or(cmp.Compare(a.from, b.from), cmp.Compare(b.end, a.end)) },
		)
		var until []int // by row, the week from which it is free
		for _, it := range sh.items[at] {
			var rows []int
			for row := 0; len(rows) < it.trays; row++ {
				if row == len(until) {
					until = append(until, 0)
				}
				if until[row] <= it.from {
					rows = append(rows, row)
				}
			}
			for _, row := range rows {
				until[row] = it.end
			}
			it.settled(rows)
		}
	}
}

// weekSpan is weeks from one on, up to another.
type weekSpan struct{ from, end int }

// weeksOf are the weeks of a batch's stays, each at least one, one after the other.
func (sh *shelves) weeksOf(stays []stay, shift int) (spans []weekSpan) {
	if len(stays) == 0 {
		return nil
	}
	at := sh.week(stays[0].From) + shift
	for _, st := range stays {
		end := max(sh.week(st.Until)+shift, at+1)
		spans = append(spans, weekSpan{at, end})
		at = end
	}
	return spans
}

// room is what the packing may use: places by week without kept room, and at the end the open
// ground, which holds whatever comes.
func (sh *shelves) room() propagation.Bench {
	const openGround = 1 << 20
	var bench propagation.Bench
	for i, row := range sh.rows {
		left := make([]int, sh.weeks)
		for week, used := range sh.used[i] {
			left[week] = max(0, int(row.Trays)-used)
		}
		bench.Room = append(bench.Room, left)
	}
	open := make([]int, sh.weeks)
	for week := range open {
		open[week] = openGround
	}
	bench.Room = append(bench.Room, open)
	return bench
}

// lay puts a batch's stays into their places; nothing is taken by what does not fit.
func (sh *shelves) lay(s *plot.State, stays []stay, trays int, fits bool) []StayView {
	views := make([]StayView, len(stays))
	for i, span := range sh.weeksOf(stays, 0) {
		st := stays[i]
		views[i] = StayView{
			Step:    st.Step,
			Words:   stepWords[st.Step],
			PlaceID: st.Place,
			From:    st.From,
			Until:   st.Until,
			Rows:    []int{},
			Place:   "in place",
		}
		if row, has := placeOf(s, st.Place); has {
			views[i].Place = row.Name
		}
		at, has := sh.index[st.Place]
		from, end := max(0, span.from), min(sh.weeks, span.end)
		if has && fits && trays > 0 && from < end {
			sh.put(at, item{trays, from, end, func(rows []int) { views[i].Rows = rows }})
		}
	}
	return views
}

// fullWords say until when a place is full, where it is full this week.
func (sh *shelves) fullWords(s *plot.State, at int) string {
	used, now := sh.used[at], sh.week(s.Today)
	if now < 0 || now >= len(used) || used[now] < int(sh.rows[at].Trays) {
		return ""
	}
	for week := now; week < len(used); week++ {
		if used[week] < int(sh.rows[at].Trays) {
			return "full until " + sh.first.AddDays(week*weekDays).DayMonth()
		}
	}
	return "full as far as is planned"
}
