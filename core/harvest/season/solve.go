package season

import (
	"cmp"
	"context"
	"math"
	"slices"
)

// Plan is a season's pickings with what they are worth.
type Plan struct {
	// Picks are by day, on a day by stand.
	Picks []Pick
	// Worth is what they bring; no plan at all can bring more than Bound.
	Worth, Bound float64
	// Got is what counts of each product, in grams dried, met or beyond its need.
	Got []float64
	// Minute is what one more minute on each day would be worth and Tray what one more m² on each, by the prices at which
	// the bound was found: they tell which days are short, not how much a whole hour brings.
	Minute, Tray []float64
}

// Better is the share by which a plan could at most be better: 0 where it is the best there is.
func (p Plan) Better() float64 {
	if p.Worth <= 0 {
		if p.Bound > hair {
			return math.Inf(1)
		}
		return 0
	}
	return math.Max(0, p.Bound/p.Worth-1)
}

// How says how a plan is made.
type How struct {
	Seed uint64
	// Rounds is how long it is sought to better the plan: how often part of it is made anew, and Steps how often the
	// prices are moved. 0 for the usual length.
	Rounds, Steps int
	// Told is called now and then with how much of the work is done, 0–1, and a way to the best plan so far, which holds
	// only while it is called.
	Told func(done float64, soFar func() Plan)
}

// The lengths of the work: steps of the prices, and rounds of the search.
const (
	usualSteps  = 400
	usualRounds = 1200
)

// Make plans the season: greatest worth within stands, trays, hours and what is settled. It is Lagrangian relaxation
// of needs, hours and trays, with each stand's best course exactly at the prices, subgradient steps, repair, and a
// search that makes parts of the plan anew; what then is left between plan and bound is searched to the end where it
// is small enough. Ended by ctx it returns the best plan so far with the bound so far. The problem must have passed
// Check and Locks.
func Make(ctx context.Context, p *Problem, how How) Plan {
	w := newWork(p, how.Seed)
	w.told = how.Told
	w.rounds, w.steps = cmp.Or(how.Rounds, usualRounds), cmp.Or(how.Steps, usualSteps)
	w.first()
	w.descend(ctx)
	w.search(ctx)
	w.close(ctx)
	return w.plan()
}

// plan is the best plan, without what no need asks for.
func (w *work) plan() Plan {
	w.trim(w.best)
	w.worth = w.best.worth()
	return Plan{
		Picks: w.best.all(), Worth: w.worth, Bound: math.Max(w.bound, w.worth), Got: slices.Clone(w.best.got),
		Minute: slices.Clone(w.at.minute), Tray: slices.Clone(w.at.tray[:w.p.Days]),
	}
}

// Judge returns what pickings are worth and what counts of each product; the pickings must break no limit (see Breaks).
func (p *Problem) Judge(picks []Pick) (worth float64, got []float64) {
	a := newAccount(p)
	for _, pick := range picks {
		a.set(pick.Stand, pick.Day, pick.Units)
	}
	return a.worth(), a.got
}

// first is a plan that is there at once: what is settled, and by what each day brings what fits.
func (w *work) first() {
	a := newAccount(w.p)
	for _, lock := range w.p.Locked {
		a.set(lock.Stand, lock.Day, lock.Units)
	}
	w.empty = a.copy()
	w.offer(a)
	full := w.at.copy()
	for i, product := range w.p.Products {
		full.need[i] = product.Weight
	}
	w.place(a, w.stands(), full)
	w.fill(a, full)
	w.offer(a)
}

// stands are all stands, shuffled.
func (w *work) stands() []int { return w.luck.Perm(len(w.p.Stands)) }

// descend lowers the bound, and makes a plan of what each stand would do now and then.
func (w *work) descend(ctx context.Context) {
	m, bold, stuck := w.at.copy(), 1.2, 0
	var old *slope
	for k := range w.steps {
		if ctx.Err() != nil {
			return
		}
		r := w.relax(m)
		if r.bound < w.bound-1e-5*math.Abs(w.bound) {
			stuck = 0
		} else if stuck++; stuck >= 10 {
			bold, stuck = bold/1.3, 0
			m, old = w.at.copy(), nil
			if r.bound < w.bound {
				w.bound, w.at = r.bound, m.copy()
			}
			continue
		}
		if r.bound < w.bound {
			w.bound, w.at = r.bound, m.copy()
		}
		if k%8 == 4 {
			w.repair(r, m)
		}
		if w.closed() || bold < 0.002 {
			return
		}
		g := w.p.slopeAt(r, m)
		if old != nil {
			g.mix(*old, 0.8)
		}
		old = &g
		w.p.step(m, g, r.bound-w.worth, bold)
		w.tell(0.4 * float64(k) / float64(w.steps))
	}
}

// repair makes a plan of what each stand would do alone at the prices: the picks that pay best for what they take are
// kept first, then what still fits is added.
func (w *work) repair(r relaxed, m prices) {
	a := w.empty.copy()
	type offer struct {
		pick Pick
		pays float64
	}
	var offers []offer
	for i, picks := range r.picks {
		s := &w.p.Stands[i]
		for _, pick := range picks {
			pick.Stand = i
			minutes := s.VisitMinutes/float64(pick.Units) + s.UnitMinutes
			cost := minutes*m.minute[pick.Day] + hair
			for d := range s.DryDays {
				cost += m.tray[pick.Day+d] * s.Area
			}
			offers = append(offers, offer{pick, m.gram(w.p, i, pick.Day) / cost})
		}
	}
	slices.SortStableFunc(offers, func(x, y offer) int { return cmp.Compare(y.pays, x.pays) })
	for _, o := range offers {
		if !a.settled[[2]int{o.pick.Stand, o.pick.Day}] {
			a.add(o.pick.Stand, o.pick.Day, o.pick.Units)
		}
	}
	w.fill(a, m)
	w.offer(a)
}

func (w *work) tell(done float64) {
	if w.told != nil {
		w.told(done, w.plan)
	}
}
