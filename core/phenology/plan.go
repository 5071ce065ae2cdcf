// Package phenology forecasts a planting's stages from thermal time, and learns
// from what the grower sees how fast this planting runs.
//
// A stage is reached when the warmth since the planting's starting point passes
// the species' threshold times the planting's pace, and the stage's day-length
// and winter conditions are met. The single plants of a planting spread about
// its typical plant, so a day has a share of plants at each stage.
package phenology

import (
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// Plan is a planting's year: its stages in order and what each waits for.
// Index 0 is the rest (or the seed) that the year begins with.
type Plan struct {
	Season calendar.Season
	Stages []flora.Stage
	// Sown is true where growth began from seed in this season.
	Sown bool

	rules      []flora.StageRule
	light      []lightGate // when day length opens each stage
	baseC      float64
	upperC     float64
	spread     float64
	warmthFrom int // day of the season from which warmth counts
	standing   flora.Standing
	// off is by stage index how far its figure may be off: the standard deviation of the
	// logarithm of its warmth, after the figure's range.
	off      []float64
	sequence int // the year of life from which these stages hold
	ends     int // the index of the first stage that ends the year; the number of stages if none
	warmerC  float64
	frosts   []flora.Tender
}

// NewPlan returns the plan of a species in one season of its life. The first
// day that counts is started if that lies in the season and the planting began
// as seed, else the season's first: pass a started before the season for a
// planting that stands already. A year of life that the species does not have,
// or a start after the season, is an error.
func NewPlan(species *flora.Species, yearOfLife int, daylight *Daylight, started calendar.Date) (*Plan, error) {
	year, err := species.YearOfLifeRules(yearOfLife)
	if err != nil {
		return nil, err
	}
	season := daylight.Season
	if started > season.End {
		return nil, fmt.Errorf("the planting starts %s, after the season ends", started)
	}
	p := &Plan{
		Season: season, Stages: []flora.Stage{flora.Resting}, Sown: started >= season.Start, rules: year.Stages,
		baseC: species.Growth.Base.Value, upperC: species.Growth.Upper.Value,
		spread:     species.Growth.Spread.Value,
		warmthFrom: max(0, started.DaysSince(season.Start)),
		standing:   species.ForecastStanding(year),
		off:        []float64{0}, sequence: year.From, frosts: species.Tender,
	}
	p.light = []lightGate{{p.warmthFrom, p.warmthFrom, p.warmthFrom}}
	for p.ends = len(year.Stages) + 1; p.ends > 1; p.ends-- {
		if last := year.Stages[p.ends-2].Stage; last != flora.DyingBack && last != flora.Resting {
			break
		}
	}
	for k, rule := range year.Stages {
		p.Stages = append(p.Stages, rule.Stage)
		p.off = append(p.off, offOf(rule.Warmth))
		gate := gateOf(rule, daylight.hours).notBefore(p.light[k])
		if least := rule.LeastDays; least != nil {
			after := func(days float64) int { return p.warmthFrom + int(math.Round(days)) }
			gate = gate.notBefore(lightGate{after(least.Value), after(least.Low), after(least.High)})
		}
		p.light = append(p.light, gate)
	}
	return p, nil
}

// rangeHolds is how many standard deviations wide the range of a figure is taken to be: it
// holds nineteen in twenty.
const rangeHolds = 4

// offOf is the standard deviation of the logarithm of a figure, after its range.
func offOf(f flora.Figure) float64 {
	if f.Low <= 0 || f.High <= f.Low {
		return 0
	}
	return math.Log(f.High/f.Low) / rangeHolds
}

// AtSpot returns the plan for plants at a spot whose days are warmer than the
// weather's by a number of °C, or below 0 colder: its warmth is summed above bounds
// moved by as much.
func (p *Plan) AtSpot(warmerC float64) *Plan {
	spot := *p
	spot.baseC -= warmerC
	spot.upperC -= warmerC
	spot.warmerC += warmerC
	return &spot
}

// Standing is the weakest standing of the figures the plan rests on.
func (p *Plan) Standing() flora.Standing { return p.standing }

// Index returns a stage's place in the year's order. Resting is found at the
// beginning of the year before the plan's middle and at its end after it.
// Other stages stand once; a stage that the year does not have gives false.
func (p *Plan) Index(stage flora.Stage, day calendar.Date) (int, bool) {
	last := len(p.Stages) - 1
	if stage == flora.Resting {
		if p.Stages[last] == flora.Resting && day.DaysSince(p.Season.Start) > p.Season.Days()/2 {
			return last, true
		}
		return 0, true
	}
	for i, s := range p.Stages {
		if s == stage {
			return i, true
		}
	}
	return 0, false
}

// Daylight is the hours of daylight on each day of a season, which the plans of
// all plantings of a plot share.
type Daylight struct {
	Season calendar.Season
	hours  []float64
}

// NewDaylight returns the daylight of a season at a latitude in degrees, south
// negative. A latitude beyond ±90 is an error.
func NewDaylight(latitude float64, season calendar.Season) (*Daylight, error) {
	d := &Daylight{Season: season, hours: make([]float64, season.Days())}
	for i := range d.hours {
		var err error
		if d.hours[i], err = climate.DayLength(latitude, season.Start.AddDays(i)); err != nil {
			return nil, err
		}
	}
	return d, nil
}

// lightGate is the day of the season from which day length opens a stage: with
// the rule's usual figure, and at the earliest and latest with its range. A day
// past the season's end stands for never.
type lightGate struct{ usual, earliest, latest int }

// opensAt returns the day for a place in the range, 0 the earliest to 1 the latest.
func (g lightGate) opensAt(place float64) int {
	return g.earliest + int(place*float64(g.latest-g.earliest+1))
}

// share is the chance, 0–1, that the stage is open by a day.
func (g lightGate) share(day int) float64 {
	return math.Min(1, math.Max(0, float64(day-g.earliest+1)/float64(g.latest-g.earliest+1)))
}

func (g lightGate) notBefore(other lightGate) lightGate {
	return lightGate{max(g.usual, other.usual), max(g.earliest, other.earliest), max(g.latest, other.latest)}
}

// gateOf returns the days on which a rule's day lengths are met.
func gateOf(rule flora.StageRule, hours []float64) lightGate {
	var g lightGate
	if f := rule.DayAbove; f != nil {
		g = g.notBefore(lightGate{firstAbove(hours, f.Value), firstAbove(hours, f.Low), firstAbove(hours, f.High)})
	}
	if f := rule.DayShare; f != nil {
		shortest, longest := slices.Min(hours), slices.Max(hours)
		at := func(share float64) int { return firstBelow(hours, shortest+share*(longest-shortest)) }
		g = g.notBefore(lightGate{at(f.Value), at(f.High), at(f.Low)})
	}
	if f := rule.DayBelow; f != nil {
		g = g.notBefore(lightGate{firstBelow(hours, f.Value), firstBelow(hours, f.High), firstBelow(hours, f.Low)})
	}
	return g
}

// firstAbove returns the first day at least as long as the threshold.
func firstAbove(hours []float64, threshold float64) int {
	day := 0
	for day < len(hours) && hours[day] < threshold {
		day++
	}
	return day
}

// firstBelow returns the first day from the longest one on that is no longer
// than the threshold.
func firstBelow(hours []float64, threshold float64) int {
	longest := 0
	for day, length := range hours {
		if length > hours[longest] {
			longest = day
		}
	}
	for longest < len(hours) && hours[longest] > threshold {
		longest++
	}
	return longest
}

// table returns the weather's warmth for the plan's temperatures.
func (p *Plan) table(weather *climate.Ensemble) *climate.ThermalTable {
	return weather.Thermal(p.baseC, p.upperC)
}

// order is a stage's place in the year: the rest that ends it comes after all others, as
// does a stage that the year does not have and whose usual place is later.
func (p *Plan) order(stage flora.Stage) int {
	if stage != flora.Resting {
		for k := 1; k < len(p.Stages); k++ {
			if p.Stages[k] == stage {
				return k
			}
		}
		for k := 1; k < len(p.Stages); k++ {
			if p.Stages[k] > stage || p.Stages[k] == flora.Resting {
				return k
			}
		}
	}
	if last := len(p.Stages) - 1; p.Stages[last] == flora.Resting {
		return last
	}
	return len(p.Stages)
}

// ThroughWinter tells whether days between a stage and another run through the winter:
// the one that ends them comes earlier in the year of this plant than the one that begins
// them. The rest ends a year.
func (p *Plan) ThroughWinter(from, until flora.Stage) bool { return p.order(until) < p.order(from) }

// Between tells whether the stage of an index lies between a stage and another, which is
// outside.
func (p *Plan) Between(k int, from, until flora.Stage) bool {
	if p.ThroughWinter(from, until) {
		return k >= p.order(from) || k < p.order(until)
	}
	return k > 0 && k >= p.order(from) && k < p.order(until)
}
