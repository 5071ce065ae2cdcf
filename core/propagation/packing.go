package propagation

import (
	"cmp"
	"slices"
)

// Stay is weeks that a batch's trays spend in one place, by the place's index on the bench.
type Stay struct{ Place, Weeks int }

// BenchOption is one way in which a batch can be had: begun in a week, in places one after the
// other. Without stays it takes no room, as a sowing in place.
type BenchOption struct {
	Start int
	Stays []Stay
}

// BenchBatch is a batch that wants room.
type BenchBatch struct {
	Trays int
	// Food goes before all others; Priority, 1 to 5, orders what is kept alike; Wished is the
	// week it is wished for.
	Food     bool
	Priority int
	Wished   int
	Options  []BenchOption
}

// Bench is the room of each place by week, in trays.
type Bench struct{ Room [][]int }

// Packing is which option each batch is had in, below 0 for those that do not fit. Worth is the
// worth of what is kept and Bound what no packing exceeds; Exact is true where the two meet.
type Packing struct {
	Chosen       []int
	Kept, Food   int
	Worth, Bound float64
	Exact        bool
}

// The worth of a batch that is kept: food before number, number before priority, priority before
// lateness. Each step outweighs all that sixty-odd batches can gather below it.
const (
	worthKept     = 100_000.0
	worthFood     = 1000 * worthKept
	worthPriority = 100.0
	weeksOfWorth  = 104.0
)

func (b BenchBatch) worth(option BenchOption) float64 {
	late := float64(min(max(option.Start-b.Wished, b.Wished-option.Start), weeksOfWorth))
	worth := worthKept + float64(b.Priority)*worthPriority*(1-late/weeksOfWorth)
	if b.Food {
		worth += worthFood
	}
	return worth
}

// More is by how many batches of food, and beyond those of any kind, a packing could be better
// than this one at most; 0 of both where this one keeps as many as can be kept.
func (p Packing) More() (food, all int) {
	if p.Exact {
		return 0, 0
	}
	mostFood := int(p.Bound / worthFood)
	if mostFood > p.Food {
		return mostFood - p.Food, 0
	}
	most := int((p.Bound - float64(p.Food)*worthFood) / worthKept)
	return 0, max(0, most-p.Kept)
}

// packer is the search for the best packing.
type packer struct {
	batches []BenchBatch
	weeks   int
	left    [][]int
	price   [][]float64
	// order is the order in which batches are decided; suffix what the batches from one on bring at
	// most at the prices; free the prices times the room that is left.
	order  []int
	suffix []float64
	free   float64
	chosen []int
	best   Packing
	nodes  int
}

// mostNodes bounds the search: beyond it the best that was found stands, with its bound.
const (
	mostNodes      = 3_000_000
	mostNodesLarge = 200_000
	exactUpTo      = 30
)

// Pack chooses for each batch when and where it is had, or leaves it out, so that the most is
// kept and no place holds more trays than it has room for. It is branch and bound on the bound of
// Lagrangian relaxation of the room (Fisher 1981, Management Science 27:1–18): exact up to thirty
// batches; of more the best that is found, with the bound.
func (b Bench) Pack(batches []BenchBatch) Packing {
	p := &packer{batches: batches, chosen: make([]int, len(batches))}
	for _, room := range b.Room {
		p.left = append(p.left, slices.Clone(room))
		p.weeks = max(p.weeks, len(room))
	}
	for i := range p.chosen {
		p.chosen[i] = -1
	}
	p.best = Packing{Chosen: slices.Clone(p.chosen), Worth: -1}
	p.freePrices()
	p.arrange()
	p.greedy()
	p.improve()
	p.settlePrices()
	p.arrange()
	root := p.bound(0)
	p.branch(0, 0)
	p.best.Exact = p.nodes < p.limit()
	p.best.Bound = max(root, p.best.Worth)
	if p.best.Exact {
		p.best.Bound = p.best.Worth
	}
	p.best.Kept, p.best.Food = 0, 0
	for i, option := range p.best.Chosen {
		if option >= 0 {
			p.best.Kept++
			if batches[i].Food {
				p.best.Food++
			}
		}
	}
	return p.best
}

func (p *packer) limit() int {
	if len(p.batches) <= exactUpTo {
		return mostNodes
	}
	return mostNodesLarge
}

// each calls what is done with each place and week that an option of a batch takes; false where
// it takes weeks that the bench does not have.
func (p *packer) each(o BenchOption, do func(place, week int) bool) bool {
	week := o.Start
	for _, stay := range o.Stays {
		for range stay.Weeks {
			if week < 0 || stay.Place < 0 || stay.Place >= len(p.left) || week >= len(p.left[stay.Place]) {
				return false
			}
			if !do(stay.Place, week) {
				return false
			}
			week++
		}
	}
	return true
}

func (p *packer) fits(batch int, o BenchOption) bool {
	trays := p.batches[batch].Trays
	return p.each(o, func(place, week int) bool { return p.left[place][week] >= trays })
}

func (p *packer) take(batch, option, sign int) {
	trays := p.batches[batch].Trays * sign
	p.each(p.batches[batch].Options[option], func(place, week int) bool {
		p.left[place][week] -= trays
		p.free -= p.price[place][week] * float64(trays)
		return true
	})
}

// cost is what the room of an option is worth at the prices.
func (p *packer) cost(batch int, o BenchOption) (cost float64, possible bool) {
	trays := p.batches[batch].Trays
	possible = p.each(o, func(place, week int) bool {
		cost += p.price[place][week] * float64(trays)
		return p.left[place][week] >= trays
	})
	return cost, possible
}

// freePrices makes all room cost nothing.
func (p *packer) freePrices() {
	p.price = make([][]float64, len(p.left))
	for i := range p.price {
		p.price[i] = make([]float64, len(p.left[i]))
	}
}

// settlePrices finds prices of room by subgradient steps of Polyak's length towards what was found
// already: what is wanted more often than there is room for becomes dear.
func (p *packer) settlePrices() {
	const steps, patience = 300, 8
	used := make([][]int, len(p.left))
	for i := range used {
		used[i] = make([]int, len(p.left[i]))
	}
	best, kept := -1.0, clone2(p.price)
	scale, since := 1.5, 0
	for range steps {
		bound := 0.0
		for i := range used {
			clear(used[i])
			for week, room := range p.left[i] {
				bound += p.price[i][week] * float64(room)
			}
		}
		for i := range p.batches {
			option, value := p.dearest(i)
			if option < 0 {
				continue
			}
			bound += value
			p.each(p.batches[i].Options[option], func(place, week int) bool {
				used[place][week] += p.batches[i].Trays
				return true
			})
		}
		if best < 0 || bound < best {
			best, kept, since = bound, clone2(p.price), 0
		} else if since++; since > patience {
			scale, since = scale/2, 0
		}
		norm := 0.0
		for i := range used {
			for week := range used[i] {
				over := float64(used[i][week] - p.left[i][week])
				if over > 0 || p.price[i][week] > 0 {
					norm += over * over
				}
			}
		}
		if norm == 0 {
			break
		}
		step := scale * (bound - p.best.Worth) / norm
		for i := range used {
			for week := range used[i] {
				over := float64(used[i][week] - p.left[i][week])
				p.price[i][week] = max(0, p.price[i][week]+step*over)
			}
		}
	}
	p.price = kept
}

func clone2(m [][]float64) [][]float64 {
	out := make([][]float64, len(m))
	for i := range m {
		out[i] = slices.Clone(m[i])
	}
	return out
}

// dearest is the option of a batch that is worth most beyond the price of its room, below 0
// where none is worth anything or fits into what is left.
func (p *packer) dearest(batch int) (option int, value float64) {
	option = -1
	for j, o := range p.batches[batch].Options {
		cost, possible := p.cost(batch, o)
		if worth := p.batches[batch].worth(o) - cost; possible && worth > value {
			option, value = j, worth
		}
	}
	return option, value
}

// arrange orders the batches for deciding, those that weigh most on the room first, and sums what
// the rest of them bring at most.
func (p *packer) arrange() {
	p.order = p.order[:0]
	values := make([]float64, len(p.batches))
	weight := make([]float64, len(p.batches))
	for i := range p.batches {
		p.order = append(p.order, i)
		_, values[i] = p.dearest(i)
		for _, o := range p.batches[i].Options {
			cost, _ := p.cost(i, o)
			weight[i] = max(weight[i], cost)
		}
	}
	slices.SortStableFunc(p.order, func(a, b int) int {
		if p.batches[a].Food != p.batches[b].Food {
			if p.batches[a].Food {
				return -1
			}
			return 1
		}
		return cmp.Or(cmp.Compare(weight[b], weight[a]), cmp.Compare(p.batches[b].Trays, p.batches[a].Trays))
	})
	p.suffix = make([]float64, len(p.order)+1)
	for k := len(p.order) - 1; k >= 0; k-- {
		p.suffix[k] = p.suffix[k+1] + values[p.order[k]]
	}
	p.free = 0
	for i := range p.left {
		for week, room := range p.left[i] {
			p.free += p.price[i][week] * float64(room)
		}
	}
}

// bound is what the batches from one on bring at most in the room that is left.
func (p *packer) bound(k int) float64 {
	sum := p.free
	for _, batch := range p.order[k:] {
		if _, value := p.dearest(batch); value > 0 {
			sum += value
		}
	}
	return sum
}

// greedy takes each batch's best option that fits, the food and the most wanted first.
func (p *packer) greedy() {
	order := slices.Clone(p.order)
	slices.SortStableFunc(order, func(a, b int) int {
		x, y := p.batches[a], p.batches[b]
		if x.Food != y.Food {
			if x.Food {
				return -1
			}
			return 1
		}
		return cmp.Or(cmp.Compare(x.Trays, y.Trays), cmp.Compare(y.Priority, x.Priority))
	})
	worth := 0.0
	for _, batch := range order {
		if option := p.bestFitting(batch); option >= 0 {
			p.chosen[batch] = option
			p.take(batch, option, 1)
			worth += p.batches[batch].worth(p.batches[batch].Options[option])
		}
	}
	p.keep(worth)
	for batch, option := range p.chosen {
		if option >= 0 {
			p.take(batch, option, -1)
			p.chosen[batch] = -1
		}
	}
}

func (p *packer) bestFitting(batch int) int {
	best, at := 0.0, -1
	for j, o := range p.batches[batch].Options {
		if worth := p.batches[batch].worth(o); worth > best && p.fits(batch, o) {
			best, at = worth, j
		}
	}
	return at
}

func (p *packer) keep(worth float64) {
	if worth > p.best.Worth {
		p.best.Worth, p.best.Chosen = worth, slices.Clone(p.chosen)
	}
}

// improve tries for each batch in turn to have it otherwise, or not at all, and what was left out
// after it, as long as that brings more.
func (p *packer) improve() {
	p.chosen = slices.Clone(p.best.Chosen)
	worth := p.best.Worth
	for batch, option := range p.chosen {
		if option >= 0 {
			p.take(batch, option, 1)
		}
	}
	for again, rounds := true, 0; again && rounds < 20; rounds++ {
		again = false
		for batch := range p.batches {
			before := slices.Clone(p.chosen)
			was := worth
			if option := p.chosen[batch]; option >= 0 {
				worth -= p.batches[batch].worth(p.batches[batch].Options[option])
				p.take(batch, option, -1)
				p.chosen[batch] = -1
			}
			for _, other := range append(slices.Clone(p.order), batch) {
				if p.chosen[other] >= 0 || other == batch && before[batch] < 0 {
					continue
				}
				if option := p.bestFitting(other); option >= 0 {
					p.chosen[other] = option
					p.take(other, option, 1)
					worth += p.batches[other].worth(p.batches[other].Options[option])
				}
			}
			if worth > was {
				again = true
				continue
			}
			for i := range p.chosen { // as it was
				if p.chosen[i] != before[i] {
					if p.chosen[i] >= 0 {
						p.take(i, p.chosen[i], -1)
					}
					p.chosen[i] = -1
				}
			}
			for i := range p.chosen {
				if p.chosen[i] != before[i] {
					p.chosen[i] = before[i]
					p.take(i, before[i], 1)
				}
			}
			worth = was
		}
	}
	p.keep(worth)
	for batch, option := range p.chosen {
		if option >= 0 {
			p.take(batch, option, -1)
			p.chosen[batch] = -1
		}
	}
}

// worthFollowing is by how much a bound must exceed what was found to be worth following.
const worthFollowing = 1e-6

// branch decides the batches from one on, given what those before are worth.
func (p *packer) branch(k int, worth float64) {
	if p.nodes >= p.limit() {
		return
	}
	p.nodes++
	if k == len(p.order) {
		p.keep(worth)
		return
	}
	if worth+p.free+p.suffix[k] <= p.best.Worth+worthFollowing || worth+p.bound(k) <= p.best.Worth+worthFollowing {
		return
	}
	batch := p.order[k]
	options := make([]int, 0, len(p.batches[batch].Options))
	for j, o := range p.batches[batch].Options {
		if p.fits(batch, o) {
			options = append(options, j)
		}
	}
	slices.SortStableFunc(options, func(a, b int) int {
		of := p.batches[batch]
		costA, _ := p.cost(batch, of.Options[a])
		costB, _ := p.cost(batch, of.Options[b])
		return cmp.Compare(of.worth(of.Options[b])-costB, of.worth(of.Options[a])-costA)
	})
	for _, option := range options {
		p.chosen[batch] = option
		p.take(batch, option, 1)
		p.branch(k+1, worth+p.batches[batch].worth(p.batches[batch].Options[option]))
		p.take(batch, option, -1)
		p.chosen[batch] = -1
	}
	p.branch(k+1, worth)
}
