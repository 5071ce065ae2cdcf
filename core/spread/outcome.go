package spread

import (
	"math"
	"slices"

	"bramblyacre/core/flora"
)

// Target is a piece of ground that is not to be reached.
type Target struct {
	// Name tells it from all others of its terrain; empty for one that is asked for once.
	Name  string
	Cells []int32
	// outside is true of all ground outside a stand's home, which is not listed.
	outside bool
}

// target is a target as a stand sees it: how far each front's way there is, and which share of its seed falls there.
type target struct {
	// out and past are by front and luck.
	out, past []map[luck]float64
	seed      [generations][grounds]float64
}

// look is a stand's ways to a target, worked out once for each name.
func (p *Ready) look(of Target) target {
	if of.Name == "" {
		return p.newLook(of)
	}
	if made, has := p.looks.Load(of.Name); has {
		return made.(target)
	}
	made := p.newLook(of)
	p.looks.Store(of.Name, made)
	return made
}

func (p *Ready) newLook(of Target) target {
	t := target{}
	var isHome []bool
	if of.outside {
		isHome = make([]bool, p.r.Terrain.Grid.Cells())
		for _, cell := range p.home {
			isHome[cell] = true
		}
	}
	for _, f := range p.fronts {
		out, past := map[luck]float64{}, map[luck]float64{}
		for luck, at := range f.fields {
			out[luck], past[luck] = Never, Never
			see := func(cell int) {
				out[luck] = math.Min(out[luck], float64(at.out.at(cell)))
				past[luck] = math.Min(past[luck], float64(at.past.at(cell)))
			}
			if of.outside {
				at.past.each(func(cell int, _ float32) {
					if !isHome[cell] {
						see(cell)
					}
				})
				continue
			}
			for _, cell := range of.Cells {
				see(int(cell))
			}
		}
		t.out, t.past = append(t.out, out), append(t.past, past)
	}
	if p.seeds == nil {
		return t
	}
	if of.outside {
		for cell, home := range isHome {
			if !home {
				p.addSeedShare(&t, cell)
			}
		}
	}
	for _, cell := range of.Cells {
		p.addSeedShare(&t, int(cell))
	}
	return t
}

// addSeedShare adds the share of each generation's seed that falls on a cell.
func (p *Ready) addSeedShare(t *target, cell int) {
	g := p.r.Terrain.Grid
	square := cell/g.Wide/seedStep*p.seeds.wide + cell%g.Wide/seedStep
	near := float64(p.seeds.near[square])
	for gen := range generations {
		t.seed[gen][p.r.Terrain.Ground[cell]] += density(p.seeds.kernelOf(gen), near) * g.Step * g.Step
	}
}

// Outside is the target of everything outside a stand's bed.
func (p *Ready) Outside() Target { return Target{Name: "past its edge", outside: true} }

// courses are a stand's runs under a plan.
type courses struct {
	fronts [][]frontCourse // by front and run
	seeds  []seedCourse    // by run; nil for a stand without seed
}

func (p *Ready) courses(plan Plan) courses {
	c := courses{fronts: make([][]frontCourse, len(p.fronts))}
	for i := range p.fronts {
		c.fronts[i] = make([]frontCourse, Runs)
		for run := range Runs {
			c.fronts[i][run] = p.course(i, plan, run)
		}
	}
	if p.seeds != nil {
		c.seeds = make([]seedCourse, Runs)
		for run := range Runs {
			c.seeds[run] = p.seedCourse(plan, run, p.lives(plan, c, run))
		}
	}
	return c
}

// lives tells for each year whether a stand lives in a run: any of its fronts does, or where it has none, no dig and no
// cover has killed it.
func (p *Ready) lives(plan Plan, c courses, run int) func(year int) bool {
	if len(p.fronts) > 0 {
		return func(year int) bool {
			return slices.ContainsFunc(c.fronts, func(of []frontCourse) bool { return of[run].out[year] >= 0 })
		}
	}
	dig, digs := plan.Of(DigOut)
	smother, smothers := plan.Of(Smother)
	if !digs && !smothers {
		return func(int) bool { return true }
	}
	lore, figure := &p.r.Lore.Hold, p.draws.figure
	regrows := 1.0
	if p.Regrows != nil {
		regrows = figure("regrows", *p.Regrows, run)
	}
	leaves := LeavesPiece(figure("dig missed", lore.DigMissed, run), regrows)
	lives := figure("smother lives", lore.SmotherLives, run) * regrows
	until := Years + 1 // the year in which it dies
	for year := 1; year <= Years && until > Years; year++ {
		if smothers && year <= smother.Seasons && p.draws.of(event{what: "smothered", year: year})[run] >= lives {
			until = year
		}
		for round := 0; digs && round < dig.Times; round++ {
			if p.draws.of(event{what: "dug", year: year, round: round})[run] >= leaves {
				until = year
			}
		}
	}
	return func(year int) bool { return year < until }
}

// reached is for each run the years after which a target is reached, 0 for today and Years + 1 for not within them.
func (p *Ready) reached(t target, c courses) []float64 {
	all := make([]float64, Runs)
	for run := range Runs {
		all[run] = Years + 1
		for i, f := range p.fronts {
			luck := f.luck[run]
			all[run] = math.Min(all[run], reachedBy(c.fronts[i][run], t.out[i][luck], t.past[i][luck]))
		}
		if c.seeds != nil {
			all[run] = math.Min(all[run], p.seededBy(t, &c.seeds[run], p.draws.named("seeded")[run]))
		}
	}
	return all
}

// still is the share of runs, 0–1, in which a target is covered after Years.
func (p *Ready) still(t target, c courses) float64 {
	n := 0
	for run := range Runs {
		there := c.seeds != nil && p.seededBy(t, &c.seeds[run], p.draws.named("seeded")[run]) <= Years
		for i, f := range p.fronts {
			luck := f.luck[run]
			there = there || covers(c.fronts[i][run], Years, t.out[i][luck], t.past[i][luck])
		}
		if there {
			n++
		}
	}
	return float64(n) / Runs
}

// covers tells whether a front stands at a year's start on ground so far out from where it began and past its home's
// edge. What is held counts where it has stood past the edge for a year: what one round overlooks and the next one
// lifts was never out.
func covers(c frontCourse, year int, out, past float64) bool {
	if float64(c.out[year]) < out || float64(c.past[year]) < past {
		return false
	}
	return past <= 0 || year == 0 || c.past[year-1] > 0
}

// reachedBy is after how many years a front has come to ground so far out from where it began and past its home's edge.
func reachedBy(c frontCourse, out, past float64) float64 {
	for year := range Years + 1 {
		if !covers(c, year, out, past) {
			continue
		}
		if year == 0 {
			return 0
		}
		// Within the year it came as its slower part did.
		part := math.Max(partOf(c.out[year-1], c.out[year], out), partOf(c.past[year-1], c.past[year], past))
		return float64(year-1) + part
	}
	return Years + 1
}

func partOf(from, to float32, at float64) float64 {
	if math.IsInf(float64(to), 1) || float64(from) >= at || to <= from || from < 0 {
		return 0
	}
	return math.Min(1, (at-float64(from))/float64(to-from))
}

// seededBy is after how many years a plant has grown up of seed on a target, with a luck of 0–1.
func (p *Ready) seededBy(t target, c *seedCourse, at float64) float64 {
	for year := 1; year <= Years; year++ {
		plants := 0.0
		for gen := range generations {
			for ground := range grounds {
				plants += c.stood[gen][ground][year] * t.seed[gen][ground]
			}
		}
		if -math.Expm1(-plants) > at {
			return float64(year)
		}
	}
	return Years + 1
}

// Chances is after how many years something is reached, in all runs.
type Chances struct{ years []float64 }

// By is the chance, 0–1, that it is reached within so many years.
func (c Chances) By(years float64) float64 {
	n := 0
	for _, y := range c.years {
		if y <= years {
			n++
		}
	}
	return float64(n) / float64(len(c.years))
}

// At is the years by which it is reached in a share of the runs, 0–1; false where it is not within Years.
func (c Chances) At(share float64) (years float64, comes bool) {
	ordered := slices.Sorted(slices.Values(c.years))
	at := ordered[min(max(int(math.Ceil(share*float64(len(ordered))))-1, 0), len(ordered)-1)]
	return at, at <= Years
}

// Reached is when a stand reaches a target under a plan.
func (p *Ready) Reached(of Target, plan Plan) Chances {
	return Chances{p.reached(p.look(of), p.courses(plan))}
}

// Outcome is what a plan does and what it takes.
type Outcome struct {
	Plan Plan
	// Out is when the stand gets where it is not to get, Still the chance that it stands there after Years: what counts of
	// one that is there already.
	Out   Chances
	Still float64
	// BankP10, BankP50 and BankP90 are the seed in the ground after Years in one, five and nine of ten runs; Seeds is
	// false where none is on record.
	BankP10, BankP50, BankP90 float64
	Seeds                     bool
	// Lives is the chance that the stand itself lives after Years.
	Lives float64
	Work
}

// Work is what a plan takes.
type Work struct {
	// FirstMinutes is the work that is done once, YearMinutes that of a usual year, in minutes.
	FirstMinutes, YearMinutes float64
	// BoardM, SheetM2 and Pots are what is to be bought.
	BoardM, SheetM2 float64
	Pots            int
	// Hens is true where they have to be kept.
	Hens bool
}

// HoursAYear is the work in hours a year over all years, what is done once shared out over them.
func (w Work) HoursAYear() float64 { return (w.FirstMinutes/Years + w.YearMinutes) / 60 }

// Hold is what a plan does and takes, with a target that is not to be reached.
func (p *Ready) Hold(of Target, plan Plan) Outcome { return p.hold(p.look(of), plan) }

func (p *Ready) hold(t target, plan Plan) Outcome {
	c := p.courses(plan)
	o := Outcome{Plan: plan, Out: Chances{p.reached(t, c)}, Still: p.still(t, c), Work: p.Work(plan)}
	alive := 0
	for run := range Runs {
		if p.lives(plan, c, run)(Years) {
			alive++
		}
	}
	o.Lives = float64(alive) / Runs
	if c.seeds != nil {
		o.Seeds = true
		banks := make([]float64, Runs)
		for run := range banks {
			for gen := range generations {
				banks[run] += c.seeds[run].bank[gen][Years]
			}
		}
		slices.Sort(banks)
		o.BankP10, o.BankP50, o.BankP90 = banks[Runs/10], banks[Runs/2], banks[Runs*9/10]
	}
	return o
}

// Work reckons what a plan takes, by the library's guesses, for the ground that the stand covers today.
func (p *Ready) Work(plan Plan) (w Work) {
	lore := &p.r.Lore.Work
	minutes := func(f flora.Figure) float64 { return f.Value }
	covered := p.CoveredToday()
	if hasWay(plan, EdgeIt) || hasWay(plan, Barrier) {
		w.FirstMinutes += minutes(lore.Dig) * math.Max(0, covered-p.homeM2) // what is out is lifted first
	}
	for _, c := range plan {
		switch c.Way {
		case Behead:
			w.YearMinutes += minutes(lore.Behead) * float64(p.Plants) * p.Seeding.Heads.Value
		case Pull:
			w.YearMinutes += minutes(lore.Pull) * p.pullM()
		case EdgeIt:
			w.YearMinutes += minutes(lore.Edge) * p.homeEdgeM * float64(c.Times)
		case Barrier:
			w.FirstMinutes += minutes(lore.Barrier) * p.homeEdgeM
			w.BoardM += p.homeEdgeM
		case Pot:
			w.FirstMinutes += minutes(lore.Pot)*float64(p.Plants) + minutes(lore.Dig)*covered
			w.Pots += p.Plants
		case MowIt:
			w.YearMinutes += minutes(lore.Mow) * lore.MowTimes.Value * p.homeEdgeM
		case DigOut:
			// All of it the first time, then what comes up again.
			w.FirstMinutes += minutes(lore.Dig) * covered
			w.YearMinutes += minutes(lore.Dig) * covered / 4 * float64(c.Times)
		case Smother:
			w.FirstMinutes += minutes(lore.Smother) * covered * float64(c.Seasons)
			w.SheetM2 += covered
		case Hens:
			w.YearMinutes += minutes(lore.Hens)
			w.Hens = true
		}
	}
	return w
}

func hasWay(plan Plan, way Way) bool {
	_, has := plan.Of(way)
	return has
}

// pullM is how much ground in m² has to be looked over for seedlings: that in which nine in ten of the seed falls.
func (p *Ready) pullM() float64 {
	if p.seeds == nil {
		return 0
	}
	out := p.seeds.kernel.Distance(0.9)
	return p.homeM2 + p.homeEdgeM*out + math.Pi*out*out
}

// CoveredToday is the ground in m² that it covers today, in the middle of the runs.
func (p *Ready) CoveredToday() float64 {
	area := math.Pi * p.RadiusM * p.RadiusM * float64(p.Plants)
	cell := p.r.Terrain.Grid.Step * p.r.Terrain.Grid.Step
	for _, f := range p.fronts {
		starts := slices.Sorted(slices.Values(f.start))
		middle := float32(starts[Runs/2])
		open := f.fields[f.luck[0]]
		n := 0
		open.out.each(func(_ int, out float32) {
			if out <= middle {
				n++
			}
		})
		area = math.Max(area, float64(n)*cell)
	}
	return area
}
