package larder

import (
	"cmp"
	"slices"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// taking is what was taken out of a jar on a day.
type taking struct {
	day   calendar.Date
	grams float64
}

// history is what of a product was taken out of its jars, and on which days there was any.
type history struct {
	takings []taking
	// spells are the runs of days on which a jar of it stood.
	spells [][2]calendar.Date
	// last is the jar of it that was emptied last, 0 for none.
	last int64
}

// yearsOfUse is how many years back use is learned from: habits change.
const yearsOfUse = 3

// uses keeps what was learned of the jars' flows, for all who ask before they change.
type uses struct {
	mu    sync.Mutex
	flows *store.JarFlow // the first of the list that it is of
	count int
	day   calendar.Date
	by    map[string]*history
}

// histories are what was taken of each product.
func (u *uses) histories(s *plot.State) map[string]*history {
	u.mu.Lock()
	defer u.mu.Unlock()
	flows := plot.JarFlows.Of(s)
	var first *store.JarFlow
	if len(flows) > 0 {
		first = &flows[0]
	}
	if u.by != nil && u.flows == first && u.count == len(flows) && u.day == s.Today {
		return u.by
	}
	u.flows, u.count, u.day, u.by = first, len(flows), s.Today, historiesOf(s)
	return u.by
}

func historiesOf(s *plot.State) map[string]*history {
	by := map[string]*history{}
	emptied := map[string]string{} // when the last was
	from := s.Today.AddDays(-365 * yearsOfUse)
	fromText := from.String()
	for _, jar := range plot.Jars.Of(s) {
		if jar.EndedOn != nil && *jar.EndedOn < fromText {
			continue
		}
		h, has := holdingOf(s, jar)
		if !has {
			continue
		}
		of := by[h.product()]
		if of == nil {
			of = &history{}
			by[h.product()] = of
		}
		last := s.Today
		if jar.EndedOn != nil {
			last, _ = calendar.Parse(*jar.EndedOn)
			if key := h.product(); emptied[key] <= *jar.EndedOn {
				emptied[key], of.last = *jar.EndedOn, jar.ID
			}
		}
		flows := s.FlowsOfJar(jar.ID)
		if begun, err := calendar.Parse(flows[0].Day); err == nil {
			of.spells = append(of.spells, [2]calendar.Date{max(begun, from), last})
		}
		for _, flow := range flows {
			if flow.Kind != flowTaken && flow.Kind != flowGiven {
				continue
			}
			if day, err := calendar.Parse(flow.Day); err == nil && day >= from {
				of.takings = append(of.takings, taking{day, -flow.Grams})
			}
		}
	}
	for _, of := range by {
		slices.SortFunc(of.takings, func(a, b taking) int { return cmp.Compare(a.day, b.day) })
	}
	return by
}

// quarterOf is the quarter of the year that a day lies in: from December, March, June and September on.
func quarterOf(day calendar.Date) int { return int(day.Month()) % 12 / 3 }

// taken is what was taken as the sums take it: by the quarter, on days on which there was any.
func (h *history) taken(today calendar.Date) keeping.Taken {
	var t keeping.Taken
	if h == nil || len(h.spells) == 0 {
		return t
	}
	first := today
	for _, spell := range h.spells {
		first = min(first, spell[0])
	}
	days := today.DaysSince(first) + 1
	there, times := make([]bool, days), make([]float64, days)
	for _, spell := range h.spells {
		for day := spell[0]; day <= min(today, spell[1]); day++ {
			there[day.DaysSince(first)] = true
		}
	}
	for _, one := range h.takings {
		if at := one.day.DaysSince(first); at >= 0 && at < days {
			times[at]++
			t.Grams += one.grams
			t.Squares += one.grams * one.grams
		}
	}
	week, inWeek := 0.0, 0
	for i := range days {
		if !there[i] && times[i] == 0 {
			continue
		}
		q := quarterOf(first.AddDays(i))
		t.Days[q]++
		t.Times[q] += times[i]
		week += times[i]
		if inWeek++; inWeek == 7 {
			t.Weeks, week, inWeek = append(t.Weeks, week), 0, 0
		}
	}
	return t
}

// times is how often anything was taken.
func (h *history) times() int {
	if h == nil {
		return 0
	}
	return len(h.takings)
}

// quarters are the quarters of the days from today on.
func quarters(today calendar.Date, days int) []int {
	all := make([]int, days)
	for i := range all {
		all[i] = quarterOf(today.AddDays(i))
	}
	return all
}

// yearOfDays is a year by its quarters.
var yearOfDays = func() (days [keeping.Seasons]float64) {
	for day := calendar.Must(2030, 1, 1); day <= calendar.Must(2030, 12, 31); day++ {
		days[quarterOf(day)]++
	}
	return days
}()
