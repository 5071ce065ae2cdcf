package season

import (
	"cmp"
	"math"
	"slices"
)

// place fits each stand in turn into what is left by all others: its best course within the trays and hours that are
// left, at prices for them, cut back to what fits and what is needed. What is settled stays.
func (w *work) place(a *account, stands []int, m prices) {
	limit := make([]int, w.p.Days)
	for _, i := range stands {
		a.clear(i)
		s := &w.p.Stands[i]
		for t := range limit {
			limit[t] = 0
			if s.Quality[t] > 0 && w.courses[i].limit[t] > 0 {
				limit[t] = min(w.courses[i].limit[t], a.free(i, t))
			}
		}
		unit, visit := w.unit[i], w.visit[i]
		m.values(w.p, i, unit, visit)
		_, picks := w.courses[i].run(unit, visit, limit, nil)
		// The best of them first: those that come last may find the need met, or the trays full of the stand's own.
		slices.SortStableFunc(picks, func(x, y Pick) int { return cmp.Compare(s.Quality[y.Day], s.Quality[x.Day]) })
		for _, pick := range picks {
			a.add(i, pick.Day, pick.Units)
		}
	}
}

// free is how many units of a stand a visit on a day may take for what trays and hours are left.
func (a *account) free(stand, day int) int {
	s := &a.p.Stands[stand]
	trays := a.p.TrayArea
	for d := range s.DryDays {
		trays = min(trays, a.p.TrayArea-a.trays[day+d])
	}
	return a.p.visitLimit(s, a.p.Minutes[day]-a.minutes[day], trays)
}

// add takes up to so many units more of a stand on a day, as many as fit, are needed, and are worth it.
func (a *account) add(stand, day, units int) bool {
	units = min(units, a.useful(stand, day))
	if units <= 0 {
		return false
	}
	if units = min(units, a.room(stand, day)); units <= 0 || a.gain(stand, day, units) <= 0 {
		return false
	}
	a.set(stand, day, a.units(stand, day)+units)
	return true
}

// fill adds to a plan what still fits and is needed, the dearest for the prices of what it takes first, until nothing
// does.
func (w *work) fill(a *account, m prices) {
	type offer struct {
		stand, day int
		gain       float64
	}
	var offers []offer
	for i := range w.p.Stands {
		s := &w.p.Stands[i]
		short := slices.ContainsFunc(s.Products, func(product int) bool {
			return w.p.Products[product].Weight > 0 && a.got[product] < w.p.Products[product].Need-hair
		})
		if !short {
			continue
		}
		unit, visit := w.unit[i], w.visit[i]
		m.values(w.p, i, unit, visit)
		for t, limit := range w.courses[i].limit {
			if limit < 1 {
				continue
			}
			units := min(limit, a.useful(i, t))
			if units < 1 {
				continue
			}
			// What is added to a visit that is made anyhow costs no visit.
			net := a.gain(i, t, units) - (m.gram(w.p, i, t)*float64(units) - unit[t]*float64(units))
			if a.units(i, t) == 0 {
				net -= visit[t] - w.p.Outing // that is in the gain
			}
			offers = append(offers, offer{i, t, net})
		}
	}
	slices.SortStableFunc(offers, func(x, y offer) int { return cmp.Compare(y.gain, x.gain) })
	for _, o := range offers {
		a.add(o.stand, o.day, w.courses[o.stand].limit[o.day])
	}
}

// trim takes off what no need asks for, or what is not worth an outing: the poorest days first, as long as the worth
// stays.
func (w *work) trim(a *account) {
	for i := range w.p.Stands {
		s := &w.p.Stands[i]
		picks := slices.Clone(a.picks[i])
		slices.SortStableFunc(picks, func(x, y Pick) int { return cmp.Compare(s.Quality[x.Day], s.Quality[y.Day]) })
		for _, pick := range picks {
			if a.settled[[2]int{i, pick.Day}] {
				continue
			}
			before := a.worth()
			if a.set(i, pick.Day, 0); a.worth() >= before-1e-9*math.Abs(before) {
				continue
			}
			for units := pick.Units; units > 0; units-- {
				a.set(i, pick.Day, units-1)
				if a.worth() < before-1e-9*math.Abs(before) {
					a.set(i, pick.Day, units)
					break
				}
			}
		}
	}
}
