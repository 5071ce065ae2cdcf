package season

import (
	"math"
	"math/rand/v2"

	"bramblyacre/core/parallel"
)

// work is one planning: the courses of the stands, the prices and the best plan so far.
type work struct {
	p       *Problem
	courses []*course
	// unit and visit hold the values of each stand's run.
	unit, visit [][]float64
	luck        *rand.Rand
	rounds      int
	steps       int
	told        func(done float64, soFar func() Plan)

	// empty holds what is settled and nothing else.
	empty *account
	best  *account
	// worth is the best plan's, scored what it is worth less what it moves.
	worth, scored float64
	// bound is what no plan can pass, and at are the prices at which it was found.
	bound float64
	at    prices

	// kept are the pickings of the plan that is made again, and moving the worth that each one must bring that goes or
	// comes.
	kept   map[[2]int]bool
	moving float64
}

func newWork(p *Problem, seed uint64) *work {
	w := &work{
		p: p, luck: rand.New(rand.NewPCG(seed, seed)), at: p.newPrices(),
		bound: math.Inf(1), worth: math.Inf(-1), scored: math.Inf(-1),
	}
	for i := range p.Stands {
		w.courses = append(w.courses, newCourse(p, i))
		w.unit, w.visit = append(w.unit, make([]float64, p.Days)), append(w.visit, make([]float64, p.Days))
	}
	return w
}

// each does something for every stand, on all processors where there are enough of them to be worth it.
func (w *work) each(do func(i int)) {
	const few = 8
	if n := len(w.p.Stands); n > few {
		parallel.Each(n, do)
		return
	}
	for i := range w.p.Stands {
		do(i)
	}
}

// score is what a plan is worth, less the price of each picking that it moves of the plan that is made again.
func (w *work) score(a *account) float64 {
	worth := a.worth()
	if w.kept == nil {
		return worth
	}
	moved, stayed := 0, 0
	for i, picks := range a.picks {
		for _, pick := range picks {
			if w.kept[[2]int{i, pick.Day}] {
				stayed++
			} else {
				moved++
			}
		}
	}
	return worth - w.moving*float64(moved+len(w.kept)-stayed)
}

// offer takes a plan for the best one where it is better.
func (w *work) offer(a *account) {
	if score := w.score(a); score > w.scored+hair*math.Abs(w.scored) || w.best == nil {
		w.best, w.worth, w.scored = a.copy(), a.worth(), score
	}
}

// closed tells whether no plan can be better.
func (w *work) closed() bool { return w.bound <= w.worth*(1+1e-9)+1e-12 }
