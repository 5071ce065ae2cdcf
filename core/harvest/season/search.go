package season

import (
	"context"
	"math"
	"slices"
)

// search makes parts of the plan anew, again and again: some stands are taken out and fitted in again in another
// order and at other prices, and what came of it is kept where it is better, or at first not much worse.
func (w *work) search(ctx context.Context) {
	if len(w.p.Stands) == 0 {
		return
	}
	now := w.best.copy()
	worth := w.worth
	for round := range w.rounds {
		if ctx.Err() != nil || w.closed() {
			return
		}
		a := now.copy()
		stands := w.some(a)
		for _, i := range stands {
			a.clear(i)
		}
		m := w.varied(a)
		w.place(a, stands, m)
		w.fill(a, m)
		is := w.score(a)
		heat := 0.004 * (1 - float64(round)/float64(w.rounds)) * math.Abs(worth)
		if is >= worth-heat*w.luck.Float64() {
			now, worth = a, is
			w.offer(a)
		}
		if round%16 == 0 {
			w.tell(0.4 + 0.5*float64(round)/float64(w.rounds))
		}
	}
}

// some picks the stands that are made anew together: at random, of one product, or those that are picked near one day.
func (w *work) some(a *account) []int {
	n := 1 + w.luck.IntN(min(4, len(w.p.Stands)))
	all := w.stands()
	switch w.luck.IntN(3) {
	case 1:
		product := w.luck.IntN(max(1, len(w.p.Products)))
		all = slices.DeleteFunc(all, func(i int) bool { return !slices.Contains(w.p.Stands[i].Products, product) })
	case 2:
		day, near := w.luck.IntN(w.p.Days), 2+w.luck.IntN(6)
		all = slices.DeleteFunc(all, func(i int) bool {
			return !slices.ContainsFunc(a.picks[i], func(pick Pick) bool { return pick.Day >= day-near && pick.Day <= day+near })
		})
		n += 2
	}
	return all[:min(n, len(all))]
}

// varied are prices for one round: those of the bound, made dearer or cheaper by luck, and for what is short of a
// product something between its price and its weight.
func (w *work) varied(a *account) prices {
	m := w.at.copy()
	dear, keen := 1.5*w.luck.Float64(), w.luck.Float64()
	for t := range m.minute {
		m.minute[t] *= dear * (0.5 + w.luck.Float64())
	}
	for t := range m.tray {
		m.tray[t] *= dear
	}
	for i, product := range w.p.Products {
		if a.got[i] >= product.Need-hair {
			m.need[i] = 0
		} else {
			m.need[i] += keen * (product.Weight - m.need[i])
		}
	}
	return m
}
