// Package season plans the pickings of a season: which stand is picked on which day and how much, so that the
// household's needs are met as far as stands, drier and hours allow. It knows neither plants nor dates: a day is a
// number from 0 on, a stand what it carries and how it grows again. Source: model.md §7.
package season

import (
	"fmt"
	"math"
)

// Problem is what a season's plan is made from.
type Problem struct {
	// Days is how many days are planned, from day 0 on.
	Days int
	// TrayArea is the drier's space in m².
	TrayArea float64
	// Minutes is the time for picking on each day.
	Minutes  []float64
	Products []Product
	Stands   []Stand
	// Outing is the worth that a picking must bring to be made at all, 0 for none: so that what could be had at once is
	// not fetched in many small pickings.
	Outing float64
	// Locked are pickings that the grower has settled: they stay as they are.
	Locked []Pick
}

// Product is something of which the household needs so much.
type Product struct {
	Name string
	// Need is how much of it counts, in grams, dried; Weight what a gram is worth.
	Need, Weight float64
	// By is the day on which it must be dry, for a feast or a market; below 0 where any day will do.
	By int
}

// Stand is what is picked from.
type Stand struct {
	Name string
	// Products are the indices of the products that it counts for: of one plant a part may be needed by a feast, and more
	// of it by the winter.
	Products []int
	// Full is what it carries uncut, in units; CutShare the share of it that may be missing, Floor the units that always
	// stand.
	Full, CutShare, Floor float64
	// Grown is how often a whole regrowth has passed by each day since day 0, rising; nil where nothing grows again.
	Grown []float64
	// Missing is how many units were missing right after the last cut before day 0, and Since how much of a regrowth had
	// passed by day 0 since then.
	Missing, Since float64
	// Grams is what a unit weighs dried, Area the trays that it takes in m², DryDays how many days it takes them.
	Grams, Area float64
	DryDays     int
	// VisitMinutes is the work of picking at all on a day, UnitMinutes that of one unit.
	VisitMinutes, UnitMinutes float64
	// Quality is what a unit of each day counts for, 0–1: the chance of the right stage and of fit weather, and how good
	// it is. Where it is 0 nothing is taken.
	Quality []float64
	// Ready is the share of what it carries that is at the right stage on each day; nil where all is, all the while.
	Ready []float64
}

// Pick is one picking of a stand on a day, in units.
type Pick struct{ Stand, Day, Units int }

// MostDays and MostUnits bound a problem: a plan looks no further ahead than two years, and larger stands are counted
// in larger units.
const (
	MostDays  = 731
	MostUnits = 2000
)

// hair is added before rounding down, so that a third of 42 is 14 and not 13.
const hair = 1e-9

// Fault is what is wrong with a problem, at a place named as the file formats name it.
type Fault struct{ Where, Why string }

func (f Fault) Error() string { return f.Where + ": " + f.Why }

// Check returns everything that is wrong with a problem, nil where it can be planned. Locked pickings are not checked
// here: see Locks.
func (p *Problem) Check() (faults []Fault) {
	add := func(where, why string, args ...any) { faults = append(faults, Fault{where, fmt.Sprintf(why, args...)}) }
	amount := func(where string, v float64) {
		if !(v >= 0) || math.IsInf(v, 0) {
			add(where, "must be a number from 0 on")
		}
	}
	share := func(where string, v float64) {
		if !(v >= 0 && v <= 1) {
			add(where, "must lie from 0 to 1")
		}
	}
	if p.Days < 1 || p.Days > MostDays {
		add("days", "must lie from 1 to %d", MostDays)
		return faults
	}
	amount("tray_area", p.TrayArea)
	amount("outing", p.Outing)
	if len(p.Minutes) != p.Days {
		add("minutes", "must have one number for each of the %d days, not %d", p.Days, len(p.Minutes))
	}
	for i, minutes := range p.Minutes {
		amount(fmt.Sprintf("minutes[%d]", i), minutes)
	}
	for i, product := range p.Products {
		at := fmt.Sprintf("products[%d].", i)
		amount(at+"need", product.Need)
		amount(at+"weight", product.Weight)
	}
	for i := range p.Stands {
		s := &p.Stands[i]
		at := fmt.Sprintf("stands[%d].", i)
		for _, product := range s.Products {
			if product < 0 || product >= len(p.Products) {
				add(at+"product", "is none of the products")
			}
		}
		amount(at+"full", s.Full)
		if s.Full > MostUnits {
			add(at+"full", "is above %d: count it in larger units", MostUnits)
		}
		share(at+"cut_share", s.CutShare)
		amount(at+"floor", s.Floor)
		amount(at+"missing", s.Missing)
		amount(at+"grams", s.Grams)
		amount(at+"area", s.Area)
		amount(at+"visit_minutes", s.VisitMinutes)
		amount(at+"unit_minutes", s.UnitMinutes)
		if s.DryDays < 0 || s.DryDays > MostDays {
			add(at+"dry_days", "must lie from 0 to %d", MostDays)
		}
		if len(s.Quality) != p.Days {
			add(at+"quality", "must have one number for each of the %d days, not %d", p.Days, len(s.Quality))
		}
		for t, q := range s.Quality {
			share(fmt.Sprintf("%squality[%d]", at, t), q)
		}
		if s.Ready != nil && len(s.Ready) != p.Days {
			add(at+"ready", "must have one number for each of the %d days, not %d", p.Days, len(s.Ready))
		}
		for t, r := range s.Ready {
			share(fmt.Sprintf("%sready[%d]", at, t), r)
		}
		if s.Grown != nil && len(s.Grown) != p.Days {
			add(at+"grown", "must have one number for each of the %d days, not %d", p.Days, len(s.Grown))
		}
		for t := 1; t < len(s.Grown); t++ {
			if !(s.Grown[t] >= s.Grown[t-1]) {
				add(at+"grown", "must not fall")
				break
			}
		}
	}
	return faults
}

// most returns the most units that may be missing from a stand on a day, after what is taken on it.
func (s *Stand) most(day int) int {
	most := min(s.CutShare*s.Full, s.Full-s.Floor)
	if s.Ready != nil {
		most = min(most, s.Ready[day]*s.Full)
	}
	return max(0, int(math.Floor(most+hair)))
}

// left returns how many of the units that were missing right after a cut on one day are still missing on a later one,
// rounded up: what has not wholly grown back is not there. All of them grow back over one whole regrowth from the
// latest cut, so that whoever cuts again before it has passed waits for all anew: a stand gives no more than its
// share once in a regrowth, however it is cut.
func (s *Stand) left(missing float64, grown float64) int {
	return int(math.Ceil(missing*math.Max(0, 1-grown) - hair))
}

// regrown is the share of a regrowth that passes from one day to a later one.
func (s *Stand) regrown(from, to int) float64 {
	if s.Grown == nil {
		return 0
	}
	return s.Grown[to] - s.Grown[from]
}

// before returns the units that are missing on a day from what was cut before day 0.
func (s *Stand) before(day int) int {
	if s.Grown == nil {
		return s.left(s.Missing, 0)
	}
	return s.left(s.Missing, s.Since+s.Grown[day]-s.Grown[0])
}

// counts tells whether a unit that is picked on a day is dry in time for a product.
func (p *Problem) counts(product int, s *Stand, day int) bool {
	by := p.Products[product].By
	return by < 0 || day+s.DryDays <= by
}
