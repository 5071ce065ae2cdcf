package phenology

import (
	"math"
	"slices"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// drawsPerMember is how many paces are tried with each season's weather.
const drawsPerMember = 2

// Forecast is when a planting reaches its stages, as a spread of possible
// courses: each a season's weather with a pace from what is known. It does not
// change once made, so several goroutines can read it.
type Forecast struct {
	*Plan
	Pace Pace

	days int
	// typical[k] and plants[k] hold, for each course, the day (0 is the
	// season's first; days where never) on which the typical plant, and one
	// plant drawn from the planting, reach stage k.
	typical, plants [][]int16
	// arrived gives the share of plants at stage k or past it, by day. Not every
	// forecast is asked for it.
	arrived func() [][]float64
}

// Forecast returns the planting's courses through an ensemble of seasons, given
// its pace and what was seen of it this season. What was seen holds: a stage
// seen is reached by that day, and the stage after it is not.
func (p *Plan) Forecast(weather *climate.Ensemble, pace Pace, seen []Sighting) *Forecast {
	courses := weather.Size() * drawsPerMember
	f := &Forecast{Plan: p, Pace: pace, days: p.Season.Days()}
	backing := make([]int16, 2*courses*len(p.Stages))
	next := func() []int16 {
		part := backing[:courses:courses]
		backing = backing[courses:]
		return part
	}
	for range p.Stages {
		f.typical = append(f.typical, next())
		f.plants = append(f.plants, next())
	}
	facts := p.facts(seen)
	paces := pace.logQuantiles(courses)
	table := p.table(weather)
	gates := p.gates(weather)
	var open []int
	warmthBefore := 0.0
	for c := range courses {
		member := c / drawsPerMember
		if c%drawsPerMember == 0 {
			warmthBefore = table.Sum(member, p.warmthFrom-1)
		}
		// Irrational steps spread paces, plants and day lengths evenly over
		// the courses without tying them to each other or to the weather.
		open = gates.member(member, fraction(float64(c)*0.7320508075688772), open)
		logRho := paces[int(fraction(float64(c)*0.6180339887498949)*float64(courses))]
		place := fraction(float64(c)*0.4142135623730951 + 0.5/float64(courses))
		p.course(f.typical, c, table, member, warmthBefore, open, math.Exp(logRho), facts, -1)
		pace := math.Exp(logRho + p.spread*probit(math.Min(math.Max(place, 1e-6), 1-1e-6)))
		p.course(f.plants, c, table, member, warmthBefore, open, pace, facts, place)
	}
	f.arrived = sync.OnceValue(f.countArrivals)
	return f
}

func fraction(x float64) float64 { return x - math.Floor(x) }

// course fills in the days on which a plant of the given pace reaches each
// stage. place is the plant's place in its planting, 0 the earliest to 1 the
// latest; -1 is the typical plant.
func (p *Plan) course(into [][]int16, c int, table *climate.ThermalTable, member int, warmthBefore float64, open []int, pace float64, facts []fact, place float64) {
	day := open[0]
	into[0][c] = int16(day)
	for k := 1; k < len(into); k++ {
		day = max(table.DayReaching(member, warmthBefore+p.rules[k-1].Warmth.Value*pace, day), open[k])
		for _, known := range facts {
			day = known.hold(k, day, place)
		}
		day = min(max(day, int(into[k-1][c])), p.Season.Days())
		into[k][c] = int16(day)
	}
}

// fact is a sighting as the forecast uses it.
type fact struct {
	day, index int
	share      float64
}

// facts returns the season's sightings, without those that a later sighting
// contradicts.
func (p *Plan) facts(seen []Sighting) []fact {
	var facts []fact
	furthest := len(p.Stages)
	ordered := slices.Clone(seen)
	slices.SortStableFunc(ordered, func(a, b Sighting) int { return int(a.Day - b.Day) })
	for _, sighting := range slices.Backward(ordered) {
		index, has := p.Index(sighting.Stage, sighting.Day)
		if !has || !p.Season.Contains(sighting.Day) || index > furthest {
			continue
		}
		furthest = index
		facts = append(facts, fact{sighting.Day.DaysSince(p.Season.Start), index, sighting.Share.Near()})
	}
	return facts
}

// hold returns the day a plant reaches stage k, kept to what was seen.
func (f fact) hold(k, day int, place float64) int {
	if place < 0 {
		place = 0.5
	}
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
	// Chance is the share of courses that reach the stage this season at all;
	// where it is under a half, the dates beyond it are the season's end.
	Chance float64
}

// Dates returns when the typical plant reaches the stage of an index.
func (f *Forecast) Dates(index int) Dates { return f.datesOf(f.typical[index]) }

func (f *Forecast) datesOf(days []int16) Dates {
	counts := make([]int, f.days+1)
	for _, day := range days {
		counts[day]++
	}
	at := func(q float64) calendar.Date {
		rank := int(q*float64(len(days)-1) + 0.5)
		day := 0
		for passed := counts[0]; passed <= rank; passed += counts[day] {
			day++
		}
		return f.Season.Start.AddDays(min(day, f.days-1))
	}
	reached := len(days) - counts[f.days]
	return Dates{P10: at(0.1), P50: at(0.5), P90: at(0.9), Chance: float64(reached) / float64(len(days))}
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

// countArrivals turns the plants' days into shares by day. The rest that the
// year begins with holds from the season's first day.
func (f *Forecast) countArrivals() [][]float64 {
	arrived := make([][]float64, len(f.Stages))
	for k, days := range f.plants {
		arrived[k] = make([]float64, f.days+1)
		for _, day := range days {
			if k == 0 {
				day = 0
			}
			arrived[k][day] += 1 / float64(len(days))
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
	at := int16(f.dayIndex(day))
	counts := make([]int, len(f.Stages))
	for c := range f.typical[0] {
		k := len(f.Stages) - 1
		for k > 0 && f.typical[k][c] > at {
			k--
		}
		counts[k]++
	}
	for k, n := range counts {
		if n > counts[index] {
			index = k
		}
	}
	return index, float64(counts[index]) / float64(len(f.typical[0]))
}

// Band is a run of days on which the planting stands between two stages.
type Band struct {
	// Opens and Closes are when the typical plant enters the first stage and
	// reaches the one that ends the band (its first day outside).
	Opens, Closes Dates
	// ByDay is the chance for each day of the season to lie in the band.
	ByDay []float64
	// Peak is when the best stage begins, where the year has it inside.
	Peak *Dates
	// FromBefore is true for a band that the season began in, IntoNext for one
	// that it ends in.
	FromBefore, IntoNext bool

	start calendar.Date
}

// Likely is the chance, 0–1, from which a band counts as open.
const Likely = 0.5

// LikelyDays returns the first and the last day on which the band is more likely
// open than not; opens is false if it likely never is. A short band may come surely
// and yet on no day be likelier open than not, so unsure are its days: then they are
// those from when it typically opens until it typically closes.
func (b Band) LikelyDays() (first, last calendar.Date, opens bool) {
	for i, chance := range b.ByDay {
		if chance < Likely {
			continue
		}
		if last = b.start.AddDays(i); !opens {
			first, opens = last, true
		}
	}
	if !opens && b.Opens.Chance >= Likely && b.Closes.P50 > b.Opens.P50 {
		return b.Opens.P50, b.Closes.P50.AddDays(-1), true
	}
	return first, last, opens
}

// Bands returns the days between the stage from and the stage until, which is
// outside: none if the year does not have the stage. A band whose from comes
// later in the year than its until runs through the winter, and gives two: the
// rest of the one the season began in, and the one it ends in.
func (f *Forecast) Bands(from, until, peak flora.Stage) []Band {
	opens, has := f.place(from)
	if from > until {
		var bands []Band
		if growth, grows := f.place(until); grows {
			band := f.band(nil, f.typical[growth])
			band.FromBefore = true
			bands = append(bands, band)
		}
		if has {
			band := f.band(f.typical[opens], nil)
			band.IntoNext = true
			bands = append(bands, band)
		}
		return bands
	}
	if !has {
		return nil
	}
	var closing []int16
	if closes, ends := f.placeAtOrAfter(until, opens); ends {
		closing = f.typical[closes]
	}
	band := f.band(f.typical[opens], closing)
	if best, found := f.place(peak); found && best >= opens {
		dates := f.Dates(best)
		band.Peak = &dates
	}
	return []Band{band}
}

// place returns the index of a stage other than the rest the year begins with.
func (f *Forecast) place(stage flora.Stage) (int, bool) {
	for k := 1; k < len(f.Stages); k++ {
		if f.Stages[k] == stage {
			return k, true
		}
	}
	return 0, false
}

// placeAtOrAfter returns the index of a stage after opens, or where the year
// has no such stage, of the first one that would come later than it.
func (f *Forecast) placeAtOrAfter(stage flora.Stage, opens int) (int, bool) {
	if k, has := f.place(stage); has && k > opens {
		return k, true
	}
	for k := opens + 1; k < len(f.Stages); k++ {
		if f.Stages[k] > stage || f.Stages[k] == flora.Resting {
			return k, true
		}
	}
	return 0, false
}

// band counts the courses inside on each day; nil opens or closes stand for
// the season's own ends.
func (f *Forecast) band(opens, closes []int16) Band {
	courses := len(f.typical[0])
	change := make([]float64, f.days+2)
	starts, ends := make([]int16, courses), make([]int16, courses)
	for c := range courses {
		starts[c], ends[c] = 0, int16(f.days)
		if opens != nil {
			starts[c] = opens[c]
		}
		if closes != nil {
			ends[c] = closes[c]
		}
		change[starts[c]]++
		change[max(starts[c], ends[c])]--
	}
	band := Band{Opens: f.datesOf(starts), Closes: f.datesOf(ends), ByDay: make([]float64, f.days), start: f.Season.Start}
	inside := 0.0
	for i := range band.ByDay {
		inside += change[i]
		band.ByDay[i] = inside / float64(courses)
	}
	return band
}
