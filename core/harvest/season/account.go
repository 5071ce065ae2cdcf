package season

import (
	"cmp"
	"fmt"
	"math"
	"slices"
)

// account is a plan on its way: what each stand gives on which day, and what it takes up of trays, hours and needs.
type account struct {
	p *Problem
	// picks are those of each stand in the order of their days.
	picks [][]Pick
	// trays are the m² in use and minutes the work, by day; trays go on past the last day. got is what each product has.
	trays, minutes, got []float64
	outings             int
	settled             map[[2]int]bool
}

func newAccount(p *Problem) *account {
	longest := 0
	for i := range p.Stands {
		longest = max(longest, p.Stands[i].DryDays)
	}
	a := &account{
		p: p, picks: make([][]Pick, len(p.Stands)), trays: make([]float64, p.Days+longest), minutes: make([]float64, p.Days),
		got: make([]float64, len(p.Products)), settled: map[[2]int]bool{},
	}
	for _, lock := range p.Locked {
		a.settled[[2]int{lock.Stand, lock.Day}] = true
	}
	return a
}

func (a *account) copy() *account {
	b := &account{p: a.p, settled: a.settled, picks: make([][]Pick, len(a.picks))}
	for i := range a.picks {
		b.picks[i] = slices.Clone(a.picks[i])
	}
	b.outings = a.outings
	b.trays, b.minutes, b.got = slices.Clone(a.trays), slices.Clone(a.minutes), slices.Clone(a.got)
	return b
}

// book adds a picking's use of trays, hours and needs, or with a sign of -1 takes it off.
func (a *account) book(pick Pick, sign float64) {
	s := &a.p.Stands[pick.Stand]
	units := sign * float64(pick.Units)
	a.minutes[pick.Day] += sign*s.VisitMinutes + units*s.UnitMinutes
	for d := range s.DryDays {
		a.trays[pick.Day+d] += units * s.Area
	}
	for _, product := range s.Products {
		if a.p.counts(product, s, pick.Day) {
			a.got[product] += units * s.Grams * s.Quality[pick.Day]
		}
	}
}

// set puts so many units of a stand on a day, none to drop the picking.
func (a *account) set(stand, day, units int) {
	picks := a.picks[stand]
	at, has := slices.BinarySearchFunc(picks, day, func(pick Pick, day int) int { return cmp.Compare(pick.Day, day) })
	if has {
		a.book(picks[at], -1)
		a.outings--
		picks = slices.Delete(picks, at, at+1)
	}
	if units > 0 {
		pick := Pick{stand, day, units}
		a.book(pick, 1)
		a.outings++
		picks = slices.Insert(picks, at, pick)
	}
	a.picks[stand] = picks
}

// units is what is taken of a stand on a day.
func (a *account) units(stand, day int) int {
	picks := a.picks[stand]
	at, has := slices.BinarySearchFunc(picks, day, func(pick Pick, day int) int { return cmp.Compare(pick.Day, day) })
	if !has {
		return 0
	}
	return picks[at].Units
}

// clear drops all pickings of a stand but what is settled.
func (a *account) clear(stand int) {
	kept := a.picks[stand][:0:0]
	for _, pick := range a.picks[stand] {
		if a.settled[[2]int{stand, pick.Day}] {
			kept = append(kept, pick)
		} else {
			a.book(pick, -1)
			a.outings--
		}
	}
	a.picks[stand] = kept
}

// worth is what all that is picked is worth, less what the outings cost: of each product no more counts than is needed.
func (a *account) worth() (worth float64) {
	worth = -a.p.Outing * float64(a.outings)
	for i, product := range a.p.Products {
		worth += product.Weight * min(product.Need, a.got[i])
	}
	return worth
}

// gain is what so many more units of a stand on a day would add to the worth, less the outing where there is none yet.
func (a *account) gain(stand, day, units int) (gain float64) {
	s := &a.p.Stands[stand]
	grams := float64(units) * s.Grams * s.Quality[day]
	for _, product := range s.Products {
		if a.p.counts(product, s, day) {
			need := a.p.Products[product].Need
			gain += a.p.Products[product].Weight * (min(need, a.got[product]+grams) - min(need, a.got[product]))
		}
	}
	if a.units(stand, day) == 0 {
		gain -= a.p.Outing
	}
	return gain
}

// useful is the fewest units of a stand on a day after which no product that it counts for is short.
func (a *account) useful(stand, day int) int {
	s := &a.p.Stands[stand]
	each, short := s.Grams*s.Quality[day], 0.0
	for _, product := range s.Products {
		if a.p.counts(product, s, day) && a.p.Products[product].Weight > 0 {
			short = max(short, a.p.Products[product].Need-a.got[product])
		}
	}
	if each <= 0 || short <= hair {
		return 0
	}
	return int(min(MostUnits, math.Ceil(short/each-hair)))
}

// grows tells whether a stand bears a row of pickings in the order of their days: that never more is missing than may
// be.
func (p *Problem) grows(stand int, picks []Pick) bool {
	s := &p.Stands[stand]
	missing, last := 0, -1
	for _, pick := range picks {
		if last < 0 {
			missing = s.before(pick.Day)
		} else {
			missing = s.left(float64(missing), s.regrown(last, pick.Day))
		}
		missing += pick.Units
		if missing > s.most(pick.Day) {
			return false
		}
		last = pick.Day
	}
	return true
}

// room is how many more units may be taken of a stand on a day beside all else: what the stand bears then and later,
// the time of the day, the trays while they dry.
func (a *account) room(stand, day int) int {
	s := &a.p.Stands[stand]
	if s.Quality[day] <= 0 || a.settled[[2]int{stand, day}] {
		return 0
	}
	now := a.units(stand, day)
	minutes, trays := a.p.Minutes[day]-a.minutes[day], math.Inf(1)
	if now > 0 {
		minutes += s.VisitMinutes // it is paid already
	}
	for d := range s.DryDays {
		trays = min(trays, a.p.TrayArea-a.trays[day+d])
	}
	most := min(a.p.visitLimit(s, minutes, trays), s.most(day)-now)
	if most <= 0 {
		return 0
	}
	// Room falls as more is taken, so it is found by halving.
	row := slices.Clone(a.picks[stand])
	at, has := slices.BinarySearchFunc(row, day, func(pick Pick, day int) int { return cmp.Compare(pick.Day, day) })
	if !has {
		row = slices.Insert(row, at, Pick{stand, day, 0})
	}
	low, high := 0, most
	for low < high {
		middle := (low + high + 1) / 2
		row[at].Units = now + middle
		if a.p.grows(stand, row) {
			low = middle
		} else {
			high = middle - 1
		}
	}
	return low
}

// all returns the pickings by day, on a day by stand.
func (a *account) all() []Pick {
	all := []Pick{}
	for _, picks := range a.picks {
		all = append(all, picks...)
	}
	slices.SortFunc(all, func(x, y Pick) int { return cmp.Or(cmp.Compare(x.Day, y.Day), cmp.Compare(x.Stand, y.Stand)) })
	return all
}

// Breaks returns every limit that a plan breaks, nil where it keeps all. It reckons each anew from the pickings alone.
func (p *Problem) Breaks(picks []Pick) (breaks []Fault) {
	add := func(where, why string, args ...any) { breaks = append(breaks, Fault{where, fmt.Sprintf(why, args...)}) }
	a := newAccount(p)
	for i, pick := range picks {
		where := fmt.Sprintf("picks[%d]", i)
		switch {
		case pick.Stand < 0 || pick.Stand >= len(p.Stands):
			add(where, "is of no stand")
		case pick.Day < 0 || pick.Day >= p.Days:
			add(where, "lies outside the days")
		case pick.Units < 1:
			add(where, "takes nothing")
		case a.units(pick.Stand, pick.Day) > 0:
			add(where, "is a second one of its stand on its day")
		case p.Stands[pick.Stand].Quality[pick.Day] <= 0:
			add(where, "is on a day when nothing may be taken")
		default:
			a.set(pick.Stand, pick.Day, pick.Units)
		}
	}
	for i := range p.Stands {
		if !p.grows(i, a.picks[i]) {
			add(fmt.Sprintf("stands[%d]", i), "is cut by more than it bears")
		}
	}
	for t, minutes := range a.minutes {
		if minutes > p.Minutes[t]+1e-6 {
			add(fmt.Sprintf("minutes[%d]", t), "%.4g are there, %.4g are planned", p.Minutes[t], minutes)
		}
	}
	for t, trays := range a.trays {
		if trays > p.TrayArea+1e-6 {
			add(fmt.Sprintf("tray_area on day %d", t), "%.4g m² are there, %.4g are planned", p.TrayArea, trays)
		}
	}
	return breaks
}
