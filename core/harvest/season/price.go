package season

import (
	"math"
)

// prices are what a gram that is still needed, an hour and a tray are worth to the whole plan, in worth: the
// multipliers of the Lagrangian relaxation of needs, minutes and trays.
type prices struct {
	// need is by product, in worth a gram; minute by day; tray by day, in worth a m² and day.
	need, minute, tray []float64
}

func (p *Problem) newPrices() prices {
	longest := 0
	for i := range p.Stands {
		longest = max(longest, p.Stands[i].DryDays)
	}
	m := prices{make([]float64, len(p.Products)), make([]float64, p.Days), make([]float64, p.Days+longest)}
	for i, product := range p.Products {
		if product.Need > 0 {
			m.need[i] = product.Weight / 2
		}
	}
	return m
}

func (m prices) copy() prices {
	return prices{
		append([]float64(nil), m.need...), append([]float64(nil), m.minute...), append([]float64(nil), m.tray...),
	}
}

// values are what a unit and a visit of one stand are worth on each day at given prices.
func (m prices) values(p *Problem, i int, unit, visit []float64) {
	s := &p.Stands[i]
	trays := 0.0
	for d := range min(s.DryDays, len(m.tray)) {
		trays += m.tray[d]
	}
	for t := range p.Days {
		gram := 0.0
		for _, product := range s.Products {
			if p.counts(product, s, t) {
				gram += m.need[product]
			}
		}
		unit[t] = gram*s.Grams*s.Quality[t] - m.minute[t]*s.UnitMinutes - trays*s.Area
		visit[t] = m.minute[t]*s.VisitMinutes + p.Outing
		if s.DryDays > 0 {
			trays += m.tray[t+s.DryDays] - m.tray[t]
		}
	}
}

// relaxed is what a plan at given prices would be if needs, hours and trays were bought and not short: each stand's own
// best, and a bound that no plan's worth can pass.
type relaxed struct {
	bound float64
	picks [][]Pick
	// alone is what each stand's best brings at the prices.
	alone []float64
}

// relax reckons the bound at given prices. For any prices that are not below nothing, and of needs not above their
// weight, it is never below the best plan's worth.
func (w *work) relax(m prices) relaxed {
	r := relaxed{picks: make([][]Pick, len(w.p.Stands)), alone: make([]float64, len(w.p.Stands))}
	w.each(func(i int) {
		unit, visit := w.unit[i], w.visit[i]
		m.values(w.p, i, unit, visit)
		r.alone[i], r.picks[i] = w.courses[i].run(unit, visit, w.courses[i].limit, nil)
	})
	for i, product := range w.p.Products {
		r.bound += (product.Weight - m.need[i]) * product.Need
	}
	for t, minute := range m.minute {
		r.bound += minute * w.p.Minutes[t]
	}
	for _, tray := range m.tray {
		r.bound += tray * w.p.TrayArea
	}
	for _, alone := range r.alone {
		r.bound += alone
	}
	return r
}

// slope is how the bound changes with each price, each in its own capacity's units so that grams, minutes and m² weigh
// alike.
type slope struct{ need, minute, tray []float64 }

// slopeAt returns the slope of the bound where the picks of a relaxed plan were found.
func (p *Problem) slopeAt(r relaxed, m prices) slope {
	a := newAccount(p)
	for i, picks := range r.picks {
		for _, pick := range picks {
			pick.Stand = i
			a.book(pick, 1)
		}
	}
	g := slope{make([]float64, len(m.need)), make([]float64, len(m.minute)), make([]float64, len(m.tray))}
	for i, product := range p.Products {
		if product.Need > 0 {
			g.need[i] = (a.got[i] - product.Need) / product.Need
		}
	}
	for t, used := range a.minutes {
		if p.Minutes[t] > 0 {
			g.minute[t] = (p.Minutes[t] - used) / p.Minutes[t]
		}
	}
	if p.TrayArea > 0 {
		for t, used := range a.trays {
			g.tray[t] = (p.TrayArea - used) / p.TrayArea
		}
	}
	return g
}

// mix turns a slope by a share towards what it was, so that the steps do not swing to and fro.
func (g *slope) mix(old slope, share float64) {
	for _, part := range [][2][]float64{{g.need, old.need}, {g.minute, old.minute}, {g.tray, old.tray}} {
		for i := range part[1] {
			part[0][i] += share * part[1][i]
		}
	}
}

// step moves prices down a slope of the bound, towards a worth that is known to be reached: Polyak's length times how
// bold. Prices stay where a bound holds.
func (p *Problem) step(m prices, g slope, excess, bold float64) {
	norm := 0.0
	count := func(price, slope float64) {
		if !(price <= 0 && slope > 0) { // it would go below nothing, and stays
			norm += slope * slope
		}
	}
	for i := range g.need {
		count(m.need[i], g.need[i])
	}
	for t := range g.minute {
		count(m.minute[t], g.minute[t])
	}
	for t := range g.tray {
		count(m.tray[t], g.tray[t])
	}
	if norm == 0 {
		return
	}
	length := bold * excess / norm
	for i, product := range p.Products {
		if product.Need > 0 {
			m.need[i] = min(product.Weight, math.Max(0, m.need[i]-length*g.need[i]/product.Need))
		}
	}
	for t := range g.minute {
		if p.Minutes[t] > 0 {
			m.minute[t] = math.Max(0, m.minute[t]-length*g.minute[t]/p.Minutes[t])
		}
	}
	for t := range g.tray {
		if p.TrayArea > 0 {
			m.tray[t] = math.Max(0, m.tray[t]-length*g.tray[t]/p.TrayArea)
		}
	}
}

// gram is what a unit of a stand on a day brings to its products at the prices of the needs.
func (m prices) gram(p *Problem, i, day int) (worth float64) {
	s := &p.Stands[i]
	for _, product := range s.Products {
		if p.counts(product, s, day) {
			worth += m.need[product] * s.Grams * s.Quality[day]
		}
	}
	return worth
}
