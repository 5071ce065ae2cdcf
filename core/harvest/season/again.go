package season

import (
	"cmp"
	"context"
	"reflect"
	"slices"
)

// Unkept is a settled picking that cannot be, and why.
type Unkept struct {
	Pick Pick
	Why  Fault
}

// Settle drops every settled picking that breaks a limit, those of earlier days before later ones, and returns what it
// dropped: what is left can be planned around.
func (p *Problem) Settle() (unkept []Unkept) {
	locks := slices.Clone(p.Locked)
	slices.SortStableFunc(
		locks,
		func(x, y Pick) int { return cmp.Or(cmp.Compare(x.Day, y.Day), cmp.Compare(x.Stand, y.Stand)) },
	)
	var kept []Pick
	for _, lock := range locks {
		if breaks := p.Breaks(append(slices.Clone(kept), lock)); len(breaks) > 0 {
			unkept = append(unkept, Unkept{lock, breaks[0]})
			continue
		}
		kept = append(kept, lock)
	}
	p.Locked = kept
	return unkept
}

// Made is a plan with the problem that it was made for.
type Made struct {
	Problem Problem
	Plan    Plan
}

// Again makes a plan again for a problem that has changed, and moves as little of the old plan as it can: each picking
// that goes or comes must bring at least so much worth. From an unchanged problem nothing changes.
func Again(ctx context.Context, old Made, p *Problem, moving float64, how How) Plan {
	if reflect.DeepEqual(old.Problem, *p) {
		return old.Plan
	}
	w := newWork(p, how.Seed)
	w.told = how.Told
	w.rounds, w.steps = cmp.Or(how.Rounds, usualRounds), cmp.Or(how.Steps, usualSteps)
	w.kept, w.moving = map[[2]int]bool{}, moving
	for _, pick := range old.Plan.Picks {
		if pick.Stand < len(p.Stands) && pick.Day < p.Days {
			w.kept[[2]int{pick.Stand, pick.Day}] = true
		}
	}
	w.first()
	a := w.empty.copy()
	for _, pick := range old.Plan.Picks {
		if w.kept[[2]int{pick.Stand, pick.Day}] && !a.settled[[2]int{pick.Stand, pick.Day}] {
			if units := min(pick.Units, a.room(pick.Stand, pick.Day)); units > 0 {
				a.set(pick.Stand, pick.Day, units)
			}
		}
	}
	w.trim(a)
	w.offer(a)
	w.descend(ctx)
	w.search(ctx)
	return w.plan()
}
