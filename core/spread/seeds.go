package spread

import (
	"math"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/propagation"
)

// generations is how many generations of a stand's seed are reckoned: the stand's own, its seedlings', and theirs.
const generations = 3

// seedStep is how many cells a side of the squares have on which seed is reckoned.
const seedStep = 2

// seedsReady is a stand's seed with all that does not depend on how it is held.
type seedsReady struct {
	*Seeding
	kernel propagation.Kernel // of one generation
	// near is, for each square, how far from one mother as much seed would fall as falls there from all: metres.
	near []float32
	// rung is where each square's distance lies among those for which the chance of a seedling is worked out.
	rung       []float32
	wide, deep int
	// share is which part of each generation's seed falls on each ground, what falls beyond the cells counted as open.
	share [generations][grounds]float64
	// room is for how many plants each generation has ground.
	room [generations]float64
	// Of each run: heads × seeds of a plant, the share that enters the ground, survival, and what comes up and grows up.
	output, enters, survival, wakesDug, wakesStill, wakesLeast, stands []float64
	grows                                                              [grounds][]float64
}

// kernelOf is the kernel of a generation: where each falls about its mother, the last lie about the first at the sum of
// so many ways. Of the kernel's shape the tail of the sum is that of a kernel of so many times the scale.
func (s *seedsReady) kernelOf(generation int) propagation.Kernel {
	return propagation.Kernel{Scale: s.kernel.Scale * float64(generation+1), Shape: s.kernel.Shape}
}

// density is the share of seed that falls on a m² at a distance in metres from its mother.
func density(k propagation.Kernel, distance float64) float64 {
	return k.Shape / (math.Pi * k.Scale) * math.Pow(1+distance*distance/k.Scale, -k.Shape-1)
}

// inverse is the distance in metres at which the density is so much; 0 for more than there is anywhere.
func inverse(k propagation.Kernel, at float64) float64 {
	top := k.Shape / (math.Pi * k.Scale)
	if at >= top {
		return 0
	}
	return math.Sqrt(k.Scale * (math.Pow(at/top, -1/(k.Shape+1)) - 1))
}

func (p *Ready) readySeeds() *seedsReady {
	s := &seedsReady{Seeding: p.Seeding}
	about := p.r.Bench.About
	kernel, err := propagation.KernelOfReach(math.Max(p.Seeding.Reach.Value, 0.05), about.Within.Value, about.Shape.Value)
	if err != nil {
		return nil
	}
	s.kernel = kernel
	p.placeSeeds(s)
	lore := &p.r.Lore.Seed
	s.output = make([]float64, Runs)
	s.survival, s.wakesLeast = make([]float64, Runs), make([]float64, Runs)
	for run := range Runs {
		s.output[run] = p.draws.figure("heads", s.Heads, run) * p.draws.figure("seeds a head", s.SeedsHead, run)
		years := p.draws.figure("soil years", s.SoilYears, run)
		s.survival[run] = SurvivalOf(years, lore.LeftOf.Value)
		// Short-lived seed comes up at once, or never.
		s.wakesLeast[run] = 1 - math.Pow(1-p.draws.figure("wakes life", lore.WakesLife, run), 1/math.Max(years, 1))
	}
	s.enters = p.draws.figures(event{what: "enters"}, lore.Enters)
	s.wakesDug, s.wakesStill = p.draws.figures(
		event{what: "wakes dug"},
		lore.WakesDug,
	), p.draws.figures(
		event{what: "wakes still"},
		lore.WakesStill,
	)
	s.stands = p.draws.figures(event{what: "stands"}, lore.Stands)
	for ground, figure := range map[Ground]flora.Figure{
		Open: lore.Open, Bed: lore.Bed, Lawn: lore.Lawn, Path: lore.Path, Wild: lore.Wild, Hedge: lore.Hedge,
	} {
		s.grows[ground] = p.draws.figures(event{what: "grows", round: int(ground)}, figure)
	}
	s.grows[Sealed] = make([]float64, Runs)
	return s
}

// mostMothers is from how many places at most a stand's seed is taken to fall.
const mostMothers = 12

// placeSeeds works out how much seed falls where.
func (p *Ready) placeSeeds(s *seedsReady) {
	g := p.r.Terrain.Grid
	mothers := p.Spots
	if len(mothers) > mostMothers {
		few := make([]geometry.Point, mostMothers)
		for i := range few {
			few[i] = mothers[i*len(mothers)/mostMothers]
		}
		mothers = few
	}
	s.wide, s.deep = (g.Wide+seedStep-1)/seedStep, (g.Deep+seedStep-1)/seedStep
	s.near, s.rung = make([]float32, s.wide*s.deep), make([]float32, s.wide*s.deep)
	side := g.Step * seedStep
	var fell [generations]float64
	for square := range s.near {
		x, y := square%s.wide, square/s.wide
		at := g.Low.Plus(geometry.Point{X: (float64(x) + 0.5) * side, Y: (float64(y) + 0.5) * side})
		sum := 0.0
		for _, m := range mothers {
			d := at.Minus(m)
			v := 1 + d.Dot(d)/s.kernel.Scale
			if s.kernel.Shape == 1 {
				sum += 1 / (v * v)
			} else {
				sum += math.Pow(v, -s.kernel.Shape-1)
			}
		}
		near := inverse(s.kernel, sum/float64(len(mothers))*s.kernel.Shape/(math.Pi*s.kernel.Scale))
		s.near[square], s.rung[square] = float32(near), float32(rungOf(near))
		ground := p.r.Terrain.groundOfSquare(x, y)
		for gen := range generations {
			share := density(s.kernelOf(gen), near) * side * side
			s.share[gen][ground] += share
			fell[gen] += share
		}
	}
	for gen := range generations {
		if fell[gen] > 1 { // squares are too coarse for seed that falls at its mother's foot
			for ground := range s.share[gen] {
				s.share[gen][ground] /= fell[gen]
			}
			fell[gen] = 1
		}
		s.share[gen][Open] += 1 - fell[gen]
		within := s.kernelOf(gen).Distance(0.9)
		s.room[gen] = math.Max(1, math.Pi*within*within/math.Max(s.MatureM2, 0.01))
	}
}

// groundOfSquare is the ground of a square's first cell, for all of it.
func (t *Terrain) groundOfSquare(x, y int) Ground { return t.Ground[y*seedStep*t.Grid.Wide+x*seedStep] }

// seedCourse is a stand's seed in one run through the years of a plan, by generation.
type seedCourse struct {
	// stood is how many plants have grown up of each generation's seed by each year since today, were all of it on one
	// ground; times the share that falls on a place, that is how many there.
	stood [generations][grounds][Years + 1]float64
	// bank is how much seed lies alive in the ground at each year's end, of each generation; 0 is today.
	bank [generations][Years + 1]float64
	// fell is all seed that was shed, lost what birds, mould, age and hard ground took, cameUp what came up: from the
	// start. Fell is the sum of the others and the bank.
	fell, lost, cameUp float64
}

// seedFactors are what a plan does to seed in a run in a year, 0 the first: the share of heads that is left, and of
// seedlings, and how many more are left outside its bed.
func (p *Ready) seedFactors(plan Plan, run, year int) (left, kept, outside float64) {
	lore, figure := &p.r.Lore.Hold, p.draws.figure
	left, kept, outside = 1, 1, 1
	for _, c := range plan {
		if c.Missed && year == 0 {
			continue
		}
		switch c.Way {
		case Behead:
			missed := figure("behead missed", lore.BeheadMissed, run)
			left *= missed + (1-missed)*c.Fallen
		case EatDown:
			left *= figure("eat seed", lore.EatSeed, run)
		case Pull:
			kept *= figure("pull missed", lore.PullMissed, run)
		case Hens:
			kept *= figure("hens seed", lore.HensSeed, run)
		case MowIt:
			outside *= figure("mow seed", lore.MowSeed, run)
		}
	}
	return left, kept, outside
}

// seedCourse runs a stand's seed through the years of a plan. Alive tells for each year ahead whether the stand lives.
func (p *Ready) seedCourse(plan Plan, run int, alive func(year int) bool) (c seedCourse) {
	s := p.seeds
	// Two banks of each generation: where the ground is stirred, and where it is not.
	var dug, still [generations]float64
	var adults [generations + 1][]float64 // by the year in which they grew up
	first, lives := max(1, s.FirstYear), s.Lives
	year := func(at int, mothers, left, kept, outside float64) {
		for gen := range generations {
			rain := mothers * s.output[run] * left
			if gen > 0 {
				rain = p.seeding(adults[gen], at, first, lives) * s.output[run] * left
			}
			hard := rain * s.share[gen][Sealed]
			entered := (rain - hard) * s.enters[run]
			c.fell += rain
			c.lost += rain - entered
			onDug := 0.0
			if soft := 1 - s.share[gen][Sealed]; soft > 0 {
				onDug = s.share[gen][Bed] / soft
			}
			dug[gen] += entered * onDug
			still[gen] += entered * (1 - onDug)
			grown := 0.0
			for _, bank := range []struct {
				seeds *float64
				wakes float64
				dug   bool
			}{{&dug[gen], s.wakesDug[run], true}, {&still[gen], s.wakesStill[run], false}} {
				// What comes up does so before age takes its share of the rest.
				up := *bank.seeds * math.Max(bank.wakes, s.wakesLeast[run])
				survive := (*bank.seeds - up) * s.survival[run]
				c.lost += *bank.seeds - up - survive
				c.cameUp += up
				*bank.seeds = survive
				if at < 0 {
					continue
				}
				grown += p.growUp(&c, gen, run, at, up, bank.dug, kept, outside)
			}
			if at >= 0 {
				adults[gen+1] = append(adults[gen+1], math.Min(grown, s.free(gen, adults[gen+1])))
				c.bank[gen][at+1] = dug[gen] + still[gen]
			} else {
				c.bank[gen][0] = dug[gen] + still[gen]
			}
		}
	}
	for i, mothers := range s.Past {
		year(i-len(s.Past), mothers, 1, 1, 1)
	}
	for at := range Years {
		mothers := 0.0
		if at < len(s.Ahead) && alive(at) {
			mothers = s.Ahead[at]
		}
		left, kept, outside := p.seedFactors(plan, run, at)
		year(at, mothers, left, kept, outside)
	}
	for gen := range generations {
		for ground := range grounds {
			for at := 1; at <= Years; at++ {
				c.stood[gen][ground][at] += c.stood[gen][ground][at-1]
			}
		}
	}
	return c
}

// growUp counts the plants that grow up of what came up in a year, and returns how many on all ground.
func (p *Ready) growUp(c *seedCourse, gen, run, at int, up float64, dug bool, kept, outside float64) (grown float64) {
	s := p.seeds
	own := s.share[gen][Bed]
	if !dug {
		own = 1 - s.share[gen][Bed] - s.share[gen][Sealed]
	}
	for ground := range grounds {
		if dug != (ground == Bed) || ground == Sealed {
			continue
		}
		of := kept
		if ground != Bed {
			of *= outside
		}
		each := 0.0 // how many grow up, were all of the generation's seed on this ground
		if own > 1e-9 {
			each = up / own * s.stands[run] * s.grows[ground][run] * of
		}
		grown += each * s.share[gen][ground]
		c.stood[gen][ground][at+1] += each
	}
	return grown
}

// free is for how many more plants of a generation there is ground, by those that grew up before.
func (s *seedsReady) free(gen int, before []float64) float64 {
	room := s.room[gen]
	if s.Lives != 0 && len(before) > s.Lives {
		before = before[len(before)-s.Lives:]
	}
	for _, plants := range before {
		room -= plants
	}
	return math.Max(0, room)
}

// seeding is how many of the plants that grew up set seed in a year.
func (p *Ready) seeding(grown []float64, at, first, lives int) (sum float64) {
	for since, plants := range grown {
		age := at - since
		if age >= first-1 && (lives == 0 || age < max(lives, first)) {
			sum += plants
		}
	}
	return sum
}
