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
	// left is the room of each place and week that is left and price what it costs, one place after
	// the other; options are the batches' options laid over them.
	left    []int
	price   []float64
	options [][]laidOption
	// order is the order in which batches are decided; suffix what the batches from one on bring at
	// most at the prices; free the prices times the room that is left.
	order  []int
	suffix []float64
	free   float64
	chosen []int
	best   Packing
	nodes  int
}

// laidOption is an option with its worth and the cells of room it takes; none that takes weeks
// which the bench does not have is laid, but it keeps its place in the list.
type laidOption struct {
	worth    float64
	cells    []int
	possible bool
}

// mostNodes bounds the search: beyond it the best that was found stands, with its bound.
const (
	mostNodes      = 3_000_000
	mostNodesLarge = 150_000
	exactUpTo      = 30
)

// Pack chooses for each batch when and where it is had, or leaves it out, so that the most is
// kept and no place holds more trays than it has room for. It is branch and bound on the bound of
// Lagrangian relaxation of the room (Fisher 1981, Management Science 27:1–18): exact up to thirty
// batches; of more the best that is found, with the bound.
func (b Bench) Pack(batches []BenchBatch) Packing {
	p := &packer{batches: batches, chosen: make([]int, len(batches))}
	var starts []int
	for _, room := range b.Room {
		starts = append(starts, len(p.left))
		p.left = append(p.left, room...)
	}
	for _, batch := range batches {
		laid := make([]laidOption, len(batch.Options))
		for i, option := range batch.Options {
			laid[i] = b.lay(option, starts)
			laid[i].worth = batch.worth(option)
		}
		p.options = append(p.options, laid)
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

// lay finds the cells of room that an option takes.
func (b Bench) lay(o BenchOption, starts []int) (laid laidOption) {
	week := o.Start
	for _, stay := range o.Stays {
		for range stay.Weeks {
			if week < 0 || stay.Place < 0 || stay.Place >= len(b.Room) || week >= len(b.Room[stay.Place]) {
				return laidOption{}
			}
			laid.cells = append(laid.cells, starts[stay.Place]+week)
			week++
		}
	}
	laid.possible = true
	return laid
}

func (p *packer) fits(batch int, o *laidOption) bool {
	trays := p.batches[batch].Trays
	for _, cell := range o.cells {
		if p.left[cell] < trays {
			return false
		}
	}
	return o.possible
}

func (p *packer) take(batch, option, sign int) {
	trays := p.batches[batch].Trays * sign
	for _, cell := range p.options[batch][option].cells {
		p.left[cell] -= trays
		p.free -= p.price[cell] * float64(trays)
	}
}

// cost is what the room of an option is worth at the prices; it is not possible where there is not
// enough left.
func (p *packer) cost(batch int, o *laidOption) (cost float64, possible bool) {
	trays := p.batches[batch].Trays
	for _, cell := range o.cells {
		if p.left[cell] < trays {
			return 0, false
		}
		cost += p.price[cell]
	}
	return cost * float64(trays), o.possible
}

// freePrices makes all room cost nothing.
func (p *packer) freePrices() { p.price = make([]float64, len(p.left)) }

// settlePrices finds prices of room by subgradient steps of Polyak's length towards what was found
// already: what is wanted more often than there is room for becomes dear.
func (p *packer) settlePrices() {
	const steps, patience = 300, 8
	used := make([]int, len(p.left))
	best, kept := -1.0, slices.Clone(p.price)
	scale, since := 1.5, 0
	for range steps {
		bound := 0.0
		clear(used)
		for cell, room := range p.left {
			bound += p.price[cell] * float64(room)
		}
		for i := range p.batches {
			option, value := p.dearest(i)
			if option < 0 {
				continue
			}
			bound += value
			for _, cell := range p.options[i][option].cells {
				used[cell] += p.batches[i].Trays
			}
		}
		if best < 0 || bound < best {
			best, since = bound, 0
			copy(kept, p.price)
		} else if since++; since > patience {
			scale, since = scale/2, 0
		}
		norm := 0.0
		for cell := range used {
			over := float64(used[cell] - p.left[cell])
			if over > 0 || p.price[cell] > 0 {
				norm += over * over
			}
		}
		if norm == 0 {
			break
		}
		step := scale * (bound - p.best.Worth) / norm
		for cell := range used {
			p.price[cell] = max(0, p.price[cell]+step*float64(used[cell]-p.left[cell]))
		}
	}
	p.price = kept
}

// dearest is the option of a batch that is worth most beyond the price of its room, below 0
// where none is worth anything or fits into what is left.
func (p *packer) dearest(batch int) (option int, value float64) {
	option = -1
	for j := range p.options[batch] {
		o := &p.options[batch][j]
		if o.worth <= value {
			continue
		}
		if cost, possible := p.cost(batch, o); possible && o.worth-cost > value {
			option, value = j, o.worth-cost
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
		for j := range p.options[i] {
			cost, _ := p.cost(i, &p.options[i][j])
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
	for cell, room := range p.left {
		p.free += p.price[cell] * float64(room)
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
			worth += p.options[batch][option].worth
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
	for j := range p.options[batch] {
		if o := &p.options[batch][j]; o.worth > best && p.fits(batch, o) {
			best, at = o.worth, j
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
				worth -= p.options[batch][option].worth
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
					worth += p.options[other][option].worth
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
	options, gain := make([]int, 0, len(p.options[batch])), make([]float64, len(p.options[batch]))
	for j := range p.options[batch] {
		o := &p.options[batch][j]
		if cost, possible := p.cost(batch, o); possible {
			options, gain[j] = append(options, j), o.worth-cost
		}
	}
	slices.SortStableFunc(options, func(a, b int) int { return cmp.Compare(gain[b], gain[a]) })
	for _, option := range options {
		p.chosen[batch] = option
		p.take(batch, option, 1)
		p.branch(k+1, worth+p.options[batch][option].worth)
		p.take(batch, option, -1)
		p.chosen[batch] = -1
	}
	p.branch(k+1, worth)
}
