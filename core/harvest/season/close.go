package season

import (
	"cmp"
	"context"
	"math"
	"slices"
)

// The most that is searched to the end: courses of all stands together, and plans put together of them.
const (
	mostCourses = 6_000
	mostNodes   = 60_000
)

// row is one course of a stand and what it brings at the prices of the bound.
type row struct {
	picks []Pick
	alone float64
}

// close searches what is left between the plan and its bound. A course that at the bound's prices falls short of its
// stand's best by more than that gap is in no better plan; where few enough are left, all plans of the others are
// tried, and the plan is then the best there is, and the bound its worth.
func (w *work) close(ctx context.Context) {
	if w.closed() || ctx.Err() != nil || w.kept != nil {
		return
	}
	r := w.relax(w.at)
	constant := r.bound
	for _, alone := range r.alone {
		constant -= alone
	}
	rows := make([][]row, len(w.p.Stands))
	budget := mostCourses
	for i := range w.p.Stands {
		least := r.alone[i] - (w.bound - w.worth) - hair*math.Abs(w.bound)
		rows[i] = w.rows(i, least, &budget)
		if budget <= 0 {
			return
		}
	}
	order := make([]int, len(rows))
	for i := range order {
		order[i] = i
		slices.SortStableFunc(rows[i], func(x, y row) int { return cmp.Compare(y.alone, x.alone) })
	}
	slices.SortStableFunc(order, func(x, y int) int { return cmp.Compare(len(rows[x]), len(rows[y])) })
	best := make([]float64, len(order)+1)
	for k := len(order) - 1; k >= 0; k-- {
		best[k] = best[k+1] + r.alone[order[k]]
	}
	a, nodes := newAccount(w.p), mostNodes
	var try func(k int, alone float64)
	try = func(k int, alone float64) {
		if k == len(order) {
			w.offer(a)
			return
		}
		i := order[k]
		for _, one := range rows[i] {
			if nodes--; nodes < 0 || nodes%1024 == 0 && ctx.Err() != nil {
				nodes = -1
				return
			}
			if constant+alone+one.alone+best[k+1] <= w.worth*(1+hair) {
				return // those that follow bring less
			}
			if !a.fits(i, one.picks) {
				continue
			}
			for _, pick := range one.picks {
				a.set(i, pick.Day, pick.Units)
			}
			try(k+1, alone+one.alone)
			for _, pick := range one.picks {
				a.set(i, pick.Day, 0)
			}
			if nodes < 0 {
				return
			}
		}
	}
	try(0, 0)
	if nodes >= 0 {
		w.bound = w.worth
	}
}

// fits tells whether trays and hours are left for a whole course.
func (a *account) fits(stand int, picks []Pick) bool {
	s := &a.p.Stands[stand]
	for k, pick := range picks {
		if a.minutes[pick.Day]+s.VisitMinutes+float64(
			pick.Units,
		)*s.UnitMinutes > a.p.Minutes[pick.Day]+1e-9*(1+a.p.Minutes[pick.Day]) {
			return false
		}
		for d := range s.DryDays {
			used := a.trays[pick.Day+d]
			for _, other := range picks[:k+1] {
				if other.Day+s.DryDays > pick.Day+d {
					used += float64(other.Units) * s.Area
				}
			}
			if used > a.p.TrayArea+1e-9*(1+a.p.TrayArea) {
				return false
			}
		}
	}
	return true
}

// rows returns every course of a stand that brings at least so much at the bound's prices, as long as the budget lasts.
func (w *work) rows(i int, least float64, budget *int) (rows []row) {
	s, c := &w.p.Stands[i], w.courses[i]
	unit, visit := w.unit[i], w.visit[i]
	w.at.values(w.p, i, unit, visit)
	// What may still come after a cut, reckoned with days that bring nothing too: those may be needed where others are
	// full.
	c.everyDay = true
	c.run(unit, visit, c.limit, nil)
	c.everyDay = false
	picks := []Pick{}
	var grow func(from, last, missing int, alone float64)
	grow = func(from, last, missing int, alone float64) {
		if *budget--; *budget <= 0 {
			return
		}
		free := true
		for j := from; j < len(c.days) && free; j++ {
			t := c.days[j]
			before := s.before(t)
			if last >= 0 {
				before = s.left(float64(missing), s.regrown(last, t))
			}
			first, most := 1, min(c.limit[t], c.most[t]-before)
			if c.forced[t] >= 0 {
				free, first, most = false, c.forced[t], c.forced[t]
			}
			for units := first; units <= most && before+units <= c.most[t]; units++ {
				brings := alone + unit[t]*float64(units) - visit[t]
				if brings+c.value[j][before+units] < least {
					continue
				}
				picks = append(picks, Pick{i, t, units})
				grow(j+1, t, before+units, brings)
				picks = picks[:len(picks)-1]
			}
		}
		if free && alone >= least {
			rows = append(rows, row{slices.Clone(picks), alone})
		}
	}
	grow(0, -1, 0, 0)
	return rows
}
