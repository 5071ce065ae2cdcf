package spread

import (
	"math"
	"slices"

	"bramblyacre/core/parallel"
)

// Cover is the chance, 0–1, that each cell is covered at a time.
type Cover []float32

// Covers is how a stand may stand in the years to come under a plan; its maps are made when asked for.
type Covers struct {
	p    *Ready
	plan Plan
	c    courses
}

// Covers runs a stand through a plan.
func (p *Ready) Covers(plan Plan) *Covers { return &Covers{p, plan, p.courses(plan)} }

// Reached is when the stand reaches a target.
func (v *Covers) Reached(of Target) Chances { return Chances{v.p.reached(v.p.look(of), v.c)} }

// SeedIn is how much seed lies in a target's ground after so many years, 0 for today, in the middle of the runs; false
// where none is on record.
func (v *Covers) SeedIn(of Target, year int) (seeds float64, known bool) {
	if v.c.seeds == nil {
		return 0, false
	}
	t, all := v.p.look(of), make([]float64, Runs)
	for run := range all {
		for gen := range generations {
			share := 0.0
			for ground := range grounds {
				if ground != Sealed {
					share += t.seed[gen][ground]
				}
			}
			all[run] += v.c.seeds[run].bank[gen][year] * min(1, share)
		}
	}
	slices.Sort(all)
	return all[Runs/2], true
}

// In is the chance that each cell is covered after so many years, 0 for today.
func (v *Covers) In(year int) Cover {
	p := v.p
	cover := make(Cover, p.r.Terrain.Grid.Cells())
	for i := range p.fronts {
		v.addFront(cover, i, year)
	}
	if len(p.fronts) == 0 {
		v.addSpots(cover, year)
	}
	if v.c.seeds != nil && year > 0 {
		v.addSeeds(cover, year)
	}
	return cover
}

// addSpots covers the ground of the plants themselves, where nothing runs.
func (v *Covers) addSpots(cover Cover, year int) {
	p := v.p
	if p.YearsLeft > 0 && year >= p.YearsLeft {
		return
	}
	alive := 0
	for run := range Runs {
		if p.lives(v.plan, v.c, run)(year) {
			alive++
		}
	}
	chance := float32(alive) / Runs
	g := p.r.Terrain.Grid
	for _, spot := range p.Spots {
		g.each(spot.Minus(pointOf(p.RadiusM)), spot.Plus(pointOf(p.RadiusM)), func(cell int, at point) {
			if at.Distance(spot) <= p.RadiusM {
				cover[cell] = chance
			}
		})
		if cell, inside := g.CellAt(spot); inside {
			cover[cell] = chance
		}
	}
}

// addFront adds one front: of each luck of the edges the runs that have it.
func (v *Covers) addFront(cover Cover, i, year int) {
	f := v.p.fronts[i]
	type reach struct{ out, past float32 }
	byLuck := map[luck][]reach{}
	for run := range Runs {
		c := &v.c.fronts[i][run]
		if c.out[year] >= 0 {
			byLuck[f.luck[run]] = append(byLuck[f.luck[run]], reach{c.out[year], c.past[year]})
		}
	}
	chance := make([]int16, len(cover))
	for luck, runs := range byLuck {
		at := f.fields[luck]
		slices.SortFunc(runs, func(a, b reach) int {
			switch {
			case a.out > b.out:
				return -1
			case a.out < b.out:
				return 1
			}
			return 0
		})
		outs, free := make([]float32, len(runs)), true
		for k, r := range runs {
			outs[k] = -r.out
			free = free && math.IsInf(float64(r.past), 1)
		}
		farthest := runs[0].out
		at.out.each(func(cell int, out float32) {
			if out > farthest {
				return
			}
			// The runs that come so far are the first ones.
			n, exact := slices.BinarySearch(outs, -out)
			for exact && n < len(outs) && outs[n] == -out {
				n++
			}
			if free {
				chance[cell] += int16(n)
				return
			}
			past := at.past.at(cell)
			for _, r := range runs[:n] {
				if r.past >= past {
					chance[cell]++
				}
			}
		})
	}
	for cell, n := range chance {
		if n > 0 {
			cover[cell] = max(cover[cell], float32(n)/Runs)
		}
	}
}

// nears are the distances in metres from one mother for which the chance of a seedling is worked out.
const nears, nearestM, farthestM = 56, 0.05, 80.0

func nearAt(i int) float64 {
	return nearestM * math.Pow(farthestM/nearestM, float64(i)/(nears-1))
}

// rungOf is where a distance lies among them.
func rungOf(near float64) float64 {
	return math.Log(math.Max(near, nearestM)/nearestM) / math.Log(farthestM/nearestM) * (nears - 1)
}

// addSeeds adds what grows up of seed. How likely that is depends on the ground and on how much seed falls there alone,
// and so on one distance: it is worked out for some, and taken between them.
func (v *Covers) addSeeds(cover Cover, year int) {
	p, s := v.p, v.p.seeds
	g := p.r.Terrain.Grid
	square := g.Step * seedStep * g.Step * seedStep
	var table [grounds][nears]float32
	for i := range nears {
		var per [generations]float64
		for gen := range generations {
			per[gen] = density(s.kernelOf(gen), nearAt(i)) * square
		}
		for run := range Runs {
			c := &v.c.seeds[run]
			for ground := range grounds {
				plants := 0.0
				for gen := range generations {
					plants += c.stood[gen][ground][year] * per[gen]
				}
				if plants > 0 {
					table[ground][i] -= float32(math.Expm1(-plants) / Runs)
				}
			}
		}
	}
	for y := range g.Deep {
		rungs := s.rung[y/seedStep*s.wide:]
		for x := range g.Wide {
			at := rungs[x/seedStep]
			if at >= nears-1 {
				continue
			}
			cell := y*g.Wide + x
			low := min(int(at), nears-2)
			row, part := &table[p.r.Terrain.Ground[cell]], at-float32(low)
			chance := row[low]*(1-part) + row[low+1]*part
			cover[cell] = 1 - (1-cover[cell])*(1-chance)
		}
	}
}

// AreaM2 is the ground in m² that is covered on average.
func (c Cover) AreaM2(g Grid) float64 {
	sum := 0.0
	for _, chance := range c {
		sum += float64(chance)
	}
	return sum * g.Step * g.Step
}

// Levels are the chances whose lines a map draws: two, five and eight in ten.
var Levels = [3]float64{0.2, 0.5, 0.8}

// lineTolerance is how far off a map's line may be, in metres.
const lineTolerance = 0.1

// Map is a stand's chance of cover after some years, as lines.
type Map struct {
	Year int
	// Lines are those about ground that is covered with each of the levels' chances or a likelier one.
	Lines [len(Levels)][][]point
	// AreaM2 is the ground that is covered on average.
	AreaM2 float64
}

// Maps are the maps of several stands, each held by its plan, for some years; a list of no plans lets all run.
func Maps(stands []*Ready, plans []Plan, years []int) [][]Map {
	all := make([][]Map, len(stands))
	parallel.Each(len(stands), func(i int) {
		var plan Plan
		if plans != nil {
			plan = plans[i]
		}
		covers := stands[i].Covers(plan)
		for _, year := range years {
			cover, grid := covers.In(year), stands[i].r.Terrain.Grid
			all[i] = append(all[i], Map{Year: year, AreaM2: cover.AreaM2(grid), Lines: cover.Contours(grid, lineTolerance)})
		}
	})
	return all
}
