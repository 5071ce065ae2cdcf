package phenology

import (
	"math"
	"slices"
	"sync"

	"gonum.org/v1/gonum/stat/distuv"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// drawsPerMember is how many paces are tried with each season's weather.
const drawsPerMember = 2

// Forecast is when a planting reaches its stages, as a spread of possible
// courses: each a season's weather with a pace and stages' discrepancies from what is
// known. It does not change once made, so several goroutines can read it.
type Forecast struct {
	*Plan
	Pace Pace

	days int
	// typical[k] holds, for each course, the day (0 is the season's first; days where
	// never) on which the typical plant reaches stage k. A stage that the year ends before
	// is never reached.
	typical [][]int16
	// frosted holds for each course the day on which frost ends its year, days where
	// none does, and killed whether it kills.
	frosted []int16
	killed  []bool
	// plants are the days as typical has them, of one plant drawn from the planting in each
	// course; arrived gives the share of plants at stage k or past it, by day. Not every
	// forecast is asked for them.
	plants  func() [][]int16
	arrived func() [][]float64
	// first are the days of the planting's first plants in each course.
	first func() [][]int16
	// bands and chances are what was asked for before: a page asks for the same of many jobs.
	bands, chances sync.Map
}

// Forecast returns the planting's courses through an ensemble of seasons, given
// its pace and what was read of it this season. What was seen holds, in as many courses
// as it is likely to be no slip: a stage seen is reached by that day, and the stage after
// it is not.
func (p *Plan) Forecast(weather *climate.Ensemble, pace Pace, seen []Reading) *Forecast {
	pace = pace.forSequence(p.sequence)
	courses := weather.Size() * drawsPerMember
	f := &Forecast{
		Plan:    p,
		Pace:    pace,
		days:    p.Season.Days(),
		typical: p.blank(courses),
		frosted: make([]int16, courses),
		killed:  make([]bool, courses),
	}
	known := p.knownOf(seen)
	p.walk(weather, pace, known, courses, func(n int, c *course) {
		c.run(1, 0.5)
		end, kills := f.days, false
		if len(p.frosts) > 0 {
			end, kills = p.frostEnd(weather.Weather(c.member), c.reached, fraction(float64(n)*0.2360679774997896), c.outlasted)
		}
		f.frosted[n], f.killed[n] = int16(end), kills
		c.end(f.typical, n, end, kills)
	})
	// at works out the days of one plant in each course, by its place in the planting.
	at := func(place func(n int) float64) func() [][]int16 {
		return sync.OnceValue(func() [][]int16 {
			plants := p.blank(courses)
			p.walk(weather, pace, known, courses, func(n int, c *course) {
				place := place(n)
				c.run(math.Exp(p.spread*c.uneven*distuv.UnitNormal.Quantile(math.Min(math.Max(place, 1e-6), 1-1e-6))), place)
				c.end(plants, n, int(f.frosted[n]), f.killed[n])
			})
			return plants
		})
	}
	f.plants = at(func(n int) float64 { return fraction(float64(n)*0.4142135623730951 + 0.5/float64(courses)) })
	f.first = at(func(int) float64 { return FirstPlace })
	f.arrived = sync.OnceValue(f.countArrivals)
	return f
}

// blank is room for the days of each stage in a number of courses.
func (p *Plan) blank(courses int) (days [][]int16) {
	backing := make([]int16, courses*len(p.Stages))
	for range p.Stages {
		days = append(days, backing[:courses:courses])
		backing = backing[courses:]
	}
	return days
}

// walk goes through a forecast's courses, each set up with its weather, what its stages
// need, and what was seen.
func (p *Plan) walk(weather *climate.Ensemble, pace Pace, seen []known, courses int, do func(n int, c *course)) {
	c := &course{Plan: p, table: p.table(weather), late: p.lateness(weather), known: seen}
	draws := p.draws(pace, courses)
	for n := range courses {
		c.member = n / drawsPerMember
		if n%drawsPerMember == 0 {
			c.before = c.table.Sum(c.member, p.warmthFrom-1)
		}
		// Irrational steps spread plants, day lengths and frosts evenly over the
		// courses without tying them to each other or to the weather.
		c.open(fraction(float64(n) * 0.7320508075688772))
		c.hold(fraction(float64(n)*0.6180339887498949 + 0.25))
		c.needs(draws.next())
		do(n, c)
	}
}

func fraction(x float64) float64 { return x - math.Floor(x) }

// course works out one course after another.
type course struct {
	*Plan
	table  *climate.ThermalTable
	late   lateness
	known  []known
	member int
	before float64 // the warmth that had come when the plan's began to count, °C·d

	opens   []int     // by stage index, the day from which its day length lets it come
	warmth  []float64 // what each stage needs, °C·d
	extra   []float64 // and what it needs more for want of cold
	uneven  float64   // the factor on the plants' spread
	facts   []fact
	reached []int
	// outlasted is the last day on which the plants were seen growing.
	outlasted int
}

// open sets from which day each stage can come, for a place in the range of the rules' day
// lengths, 0–1.
func (c *course) open(place float64) {
	c.opens = c.opens[:0]
	open := 0
	for _, light := range c.light {
		open = max(open, light.opensAt(place))
		c.opens = append(c.opens, open)
	}
}

// needs sets what warmth each stage needs, from how far each is off on the log scale.
func (c *course) needs(off []float64) {
	c.warmth, c.extra, c.uneven = c.warmth[:0], c.extra[:0], 1
	more := 0.0
	for k, rule := range c.rules {
		needs := rule.Warmth.Value * quickExp(off[k])
		if c.late.chill[k+1] != nil {
			lack := c.late.lack(k+1, c.member, c.table.DayReaching(c.member, c.before+needs, 0))
			more = math.Max(more, mostLater*needs*lack)
			c.uneven = math.Max(c.uneven, 1+mostUneven*lack)
		}
		c.warmth, c.extra = append(c.warmth, needs), append(c.extra, more)
	}
}

// run works out on which days a plant reaches each stage whose needs differ by a factor
// from the typical plant's. place is its place in its planting, 0 the earliest to 1 the
// latest.
func (c *course) run(factor, place float64) {
	c.reached = append(c.reached[:0], c.opens[0])
	day := c.opens[0]
	for k := 1; k < len(c.Stages); k++ {
		needs := c.before + c.warmth[k-1]*factor
		due := c.opens[k]
		switch {
		case !c.isEnd(k):
			due = max(due, c.table.DayReaching(c.member, needs+c.extra[k-1], day))
		case !c.byLight(k):
			due = max(due, c.table.DayReaching(c.member, needs, 0))
		}
		if k == c.ends {
			// The year ends in its time: it waits a while for what is not reached yet, and
			// no longer.
			due = max(due, min(day+endLeaves, due+endWaits))
		}
		for _, fact := range c.facts {
			due = fact.hold(k, due, place)
		}
		due = min(due, c.Season.Days())
		if !c.isEnd(k) || k > c.ends {
			due = max(due, day)
		}
		c.reached = append(c.reached, due)
		day = due
	}
}

// endWaits is for how many days a plant that is late puts its dying back off, and endLeaves
// how many days its last stage before that has at the least: guesses of ours.
const endWaits, endLeaves = 30, 10

// end writes the days that were worked out, as the year ends them: what has not come when
// the plants die back, or when frost strikes, comes never.
func (c *course) end(into [][]int16, n, frost int, kills bool) {
	never := c.Season.Days()
	end := never
	for k := 1; k < len(c.Stages); k++ {
		if !c.isEnd(k) {
			continue
		}
		switch {
		case frost >= never:
		case kills, c.Stages[k] == flora.DyingBack, c.Stages[k] == flora.Resting && c.Stages[k-1] != flora.DyingBack:
			c.reached[k] = min(c.reached[k], frost)
		}
		end = min(end, c.reached[k])
	}
	for k, day := range c.reached {
		if k > 0 && !c.isEnd(k) && (day >= end && end < never || day > frost) {
			day = never
		}
		into[k][n] = int16(day)
	}
}

// known is a reading as the courses hold it.
type known struct {
	day, index          int
	share               Share
	before, upTo, after float64 // the bounds of chances: the stage before, at, and after
}

// knownOf returns the season's readings that the plan has a place for, the last one first.
func (p *Plan) knownOf(seen []Reading) []known {
	ordered := slices.Clone(seen)
	slices.SortStableFunc(ordered, func(a, b Reading) int { return int(a.Day - b.Day) })
	var all []known
	for _, r := range slices.Backward(ordered) {
		index, has := p.Index(r.Stage, r.Day)
		if !has || !p.Season.Contains(r.Day) {
			continue
		}
		all = append(
			all,
			known{r.Day.DaysSince(p.Season.Start), index, r.Share, r.before, r.before + r.at, r.before + r.at + r.after},
		)
	}
	return all
}

// hold sets the facts of a course: for each reading what it was in it, at a place in the
// chances, 0–1. A reading that a later one contradicts is passed over.
func (c *course) hold(place float64) {
	c.facts, c.outlasted = c.facts[:0], -1
	furthest := len(c.Stages)
	for i, k := range c.known {
		index, at := k.index, fraction(place+float64(i)*0.7548776662466927)
		switch {
		case at < k.before:
			index--
		case at < k.upTo:
		case at < k.after:
			index++
		default: // a slip
			continue
		}
		if index < 0 || index >= len(c.Stages) || index > furthest {
			continue
		}
		furthest = index
		// The share was judged by eye: what it was lies about what was said.
		low, high := k.share.bounds()
		judged := low + fraction(at*17+place*5)*(high-low)
		eye := shareNoise * distuv.UnitNormal.Quantile(0.001+0.998*fraction(at*29+place*11+0.5))
		c.facts = append(
			c.facts,
			fact{k.day, index, distuv.UnitNormal.CDF(distuv.UnitNormal.Quantile(math.Min(judged, 0.999)) - eye)},
		)
		if index > 0 && !c.isEnd(index) {
			c.outlasted = max(c.outlasted, k.day)
		}
	}
}

// fact is what was seen, as one course holds it: the plants up to a place in the planting
// had come to the stage by the day, and the rest had not.
type fact struct {
	day, index int
	share      float64
}

// hold returns the day a plant reaches stage k, kept to what was seen.
func (f fact) hold(k, day int, place float64) int {
	switch reached := k < f.index || k == f.index && place <= f.share; {
	case reached:
		return min(day, f.day)
	case k <= f.index+1:
		return max(day, f.day+1)
	}
	return day
}

// Dates are the days by which a stage is reached in one, five and nine of ten
// courses.
type Dates struct {
	P10, P50, P90 calendar.Date
	// Chance is the share of courses that reach the stage this season at all. Of the
	// dates, those of a share that it does not come up to are no days of the stage: they
	// stand at the season's end.
	Chance float64
}

// Holds tells whether a stage comes this season in a share of years, 0–1: only then is the
// date for it one.
func (d Dates) Holds(share float64) bool { return d.Chance >= share }

// Dates returns when the typical plant reaches the stage of an index.
func (f *Forecast) Dates(index int) Dates { return f.datesOf(f.typical[index]) }

func (f *Forecast) datesOf(days []int16) Dates {
	counts := make([]int, f.days+1)
	for _, day := range days {
		counts[day]++
	}
	// at is the moment by which a share of the courses has come, a day's courses taken as
	// spread evenly over it: were whole days counted, the range would hold more than it says.
	at := func(q float64) float64 {
		left := q * float64(len(days))
		day := 0
		for ; day < f.days && float64(counts[day]) < left; day++ {
			left -= float64(counts[day])
		}
		if counts[day] == 0 {
			return float64(day)
		}
		return float64(day) + min(left/float64(counts[day]), 0.999)
	}
	middle := int(at(0.5))
	early, late := min(int(math.Ceil(at(0.1)-0.5)), middle), max(int(math.Floor(at(0.9)-0.5)), middle)
	early, late = nearestEightInTen(counts, len(days), early, middle, late)
	on := func(day int) calendar.Date { return f.Season.Start.AddDays(min(day, f.days-1)) }
	return Dates{
		P10:    on(early),
		P50:    on(middle),
		P90:    on(late),
		Chance: float64(len(days)-counts[f.days]) / float64(len(days)),
	}
}

// nearestEightInTen takes a day off either end of a range about its middle where what is
// left is nearer to eight in ten of all: a range of few days else holds more than it says.
func nearestEightInTen(counts []int, all, early, middle, late int) (int, int) {
	held := 0
	for _, n := range counts[early : late+1] {
		held += n
	}
	off := func(held int) float64 { return math.Abs(float64(held)/float64(all) - 0.8) }
	for early < middle || late > middle {
		without, end := -1, 0
		for at, day := range []int{early, late} {
			if day != middle && (without < 0 || off(held-counts[day]) < off(without)) {
				without, end = held-counts[day], at
			}
		}
		if off(without) >= off(held) {
			break
		}
		if held = without; end == 0 {
			early++
		} else {
			late--
		}
	}
	return early, late
}

// SharesOn returns the expected share of plants at each stage on a day, by the
// stages' indices; they sum to 1.
func (f *Forecast) SharesOn(day calendar.Date) []float64 {
	arrived, at := f.arrived(), f.dayIndex(day)
	shares := make([]float64, len(f.Stages))
	for k := range shares {
		shares[k] = arrived[k][at]
		if k+1 < len(shares) {
			shares[k] -= arrived[k+1][at]
		}
	}
	return shares
}

// MostOn returns the index of the stage that most plants are at on a day, and their share:
// of the same reckoning as SharesOn.
func (f *Forecast) MostOn(day calendar.Date) (index int, share float64) {
	shares := f.SharesOn(day)
	for k := range shares {
		if shares[k] > shares[index] {
			index = k
		}
	}
	return index, shares[index]
}

// countArrivals turns the plants' days into shares by day. The rest that the
// year begins with holds from the season's first day; a stage that is passed over is
// past when the next one comes.
func (f *Forecast) countArrivals() [][]float64 {
	plants := f.plants()
	arrived := make([][]float64, len(f.Stages))
	past := make([]int16, len(plants[0]))
	for c := range past {
		past[c] = int16(f.days)
	}
	for k := len(plants) - 1; k >= 0; k-- {
		arrived[k] = make([]float64, f.days+1)
		for c, day := range plants[k] {
			if k == 0 {
				day = 0
			}
			past[c] = min(past[c], day)
			arrived[k][past[c]] += 1 / float64(len(past))
		}
		for i := 1; i <= f.days; i++ {
			arrived[k][i] += arrived[k][i-1]
		}
		for i := range arrived[k] {
			arrived[k][i] = math.Min(1, arrived[k][i])
		}
	}
	return arrived
}

func (f *Forecast) dayIndex(day calendar.Date) int {
	return min(max(0, day.DaysSince(f.Season.Start)), f.days-1)
}

// StageOn returns the index of the stage that the typical plant most likely is
// at on a day, and that chance.
func (f *Forecast) StageOn(day calendar.Date) (index int, chance float64) {
	chances := f.StageChances(day)
	for k, chance := range chances {
		if chance > chances[index] {
			index = k
		}
	}
	return index, chances[index]
}

// StageChances returns the chance that the typical plant is at each stage on a day, by
// the stages' indices; they sum to 1.
func (f *Forecast) StageChances(day calendar.Date) []float64 {
	at := int16(f.dayIndex(day))
	if made, has := f.chances.Load(at); has {
		return made.([]float64)
	}
	chances := make([]float64, len(f.Stages))
	each := 1 / float64(len(f.typical[0]))
	for c := range f.typical[0] {
		k := len(f.Stages) - 1
		for k > 0 && f.typical[k][c] > at {
			k--
		}
		chances[k] += each
	}
	f.chances.Store(at, chances)
	return chances
}

// past returns for each course the day on which the stage of an index, or any after it,
// has come.
func (f *Forecast) past(index int) []int16 {
	days := slices.Clone(f.typical[index])
	for _, later := range f.typical[index+1:] {
		for c, day := range later {
			days[c] = min(days[c], day)
		}
	}
	return days
}

// FrostEnds tells when frost ends the planting's year, and in which share of courses it
// does.
func (f *Forecast) FrostEnds() Dates { return f.datesOf(f.frosted) }

// indexOf returns the index of a stage other than the rest the year begins with.
func (f *Forecast) indexOf(stage flora.Stage) (int, bool) {
	for k := 1; k < len(f.Stages); k++ {
		if f.Stages[k] == stage {
			return k, true
		}
	}
	return 0, false
}
