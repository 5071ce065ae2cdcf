package spread

import (
	"cmp"
	"slices"

	"bramblyacre/core/parallel"
)

// single are the ways that go for a stand, each by itself. Fallen is the share of seed that has fallen when heads come
// off on their day, depthCm how deep a barrier would go.
func (p *Ready) single(fallen, depthCm float64, hens bool) (all []Plan) {
	for _, c := range []Control{
		{Way: Behead, Fallen: fallen},
		{Way: Pull},
		{Way: EdgeIt, Times: 1},
		{Way: EdgeIt, Times: 2},
		{Way: Barrier, DepthCm: depthCm},
		{Way: Pot},
		{Way: MowIt},
		{Way: DigOut, Times: 2},
		{Way: Smother, Seasons: 3},
		{Way: EatDown},
		{Way: Hens},
	} {
		if p.Refusal(c) != nil || c.Way == Hens && !hens {
			continue
		}
		all = append(all, Plan{c})
	}
	return all
}

// Compare are the outcomes of letting a stand run and of holding it in each way that goes for it, in that order; hens
// where they may be let in to it.
func (p *Ready) Compare(of Target, fallen, depthCm float64, hens bool) []Outcome {
	return p.holdAll(of, append([]Plan{{}}, p.single(fallen, depthCm, hens)...))
}

func (p *Ready) holdAll(of Target, plans []Plan) []Outcome {
	t := p.look(of)
	all := make([]Outcome, len(plans))
	for i, plan := range plans {
		all[i] = p.hold(t, plan)
	}
	return all
}

// mostTogether is how many ways are tried together.
const mostTogether = 3

// LeastWork is the plan of up to three ways together that keeps the chance of getting to a target within Years under
// a line, 0–1, with the least work, of equal work the one with the least to buy; of a stand that is there already,
// the chance that it is there still after Years. Keep is true where the stand itself is to stay. It is false where no
// plan does.
func (p *Ready) LeastWork(
	of Target,
	line, fallen, depthCm float64,
	hens, keep, there bool,
) (least Outcome, found bool) {
	single := p.single(fallen, depthCm, hens)
	var plans []Plan
	var add func(plan Plan, from int)
	add = func(plan Plan, from int) {
		plans = append(plans, plan)
		if len(plan) == mostTogether {
			return
		}
		for i := from; i < len(single); i++ {
			next := single[i][0]
			if with := append(slices.Clone(plan), next); with.Check() == nil && !(keep && endsIt(next)) {
				add(with, i+1)
			}
		}
	}
	add(Plan{}, 0)
	// What takes least is tried first, so that few are run.
	type tried struct {
		plan Plan
		work Work
	}
	order := make([]tried, len(plans))
	for i, plan := range plans {
		order[i] = tried{plan, p.Work(plan)}
	}
	slices.SortStableFunc(order, func(a, b tried) int { return compareWork(a.work, b.work) })
	t := p.look(of)
	for _, one := range order {
		if o := p.hold(t, one.plan); o.Chance(there) < line {
			return o, true
		}
	}
	return Outcome{}, false
}

// Chance is the chance that counts against a grower's line: that the stand gets where it is not to get, or of one
// that is there already, that it still is in the end.
func (o Outcome) Chance(there bool) float64 {
	if there {
		return o.Still
	}
	return o.Out.By(Years)
}

func compareWork(a, b Work) int {
	return cmp.Or(
		cmp.Compare(a.HoursAYear(), b.HoursAYear()),
		cmp.Compare(a.BoardM+a.SheetM2+float64(a.Pots), b.BoardM+b.SheetM2+float64(b.Pots)),
	)
}

// PrepareAll prepares several stands, as many at a time as the machine has processors.
func (r *Reckoning) PrepareAll(stands []Stand) []*Ready {
	all := make([]*Ready, len(stands))
	parallel.Each(len(stands), func(i int) { all[i] = r.Prepare(stands[i]) })
	return all
}
