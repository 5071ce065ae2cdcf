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

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// Plan is a planting's year: its stages in order and what each waits for.
// Index 0 is the rest (or the seed) that the year begins with.
type Plan struct {
	Season calendar.Season
	Stages []flora.Stage

	rules      []flora.StageRule
	light      []lightGate // when day length opens each stage
	baseC      float64
	upperC     float64
	spread     float64
	warmthFrom int // day of the season from which warmth counts
	standing   flora.Standing
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
		Season: season, Stages: []flora.Stage{flora.Resting}, rules: year.Stages,
		baseC: species.Growth.Base.Value, upperC: species.Growth.Upper.Value,
		spread:     species.Growth.Spread.Value,
		warmthFrom: max(0, started.DaysSince(season.Start)),
		standing:   species.ForecastStanding(year),
	}
	p.light = []lightGate{{p.warmthFrom, p.warmthFrom, p.warmthFrom}}
	for k, rule := range year.Stages {
		p.Stages = append(p.Stages, rule.Stage)
		p.light = append(p.light, gateOf(rule, daylight.hours).notBefore(p.light[k]))
	}
	return p, nil
}

// AtSpot returns the plan for plants at a spot whose days are warmer than the
// weather's by a number of °C, or below 0 colder: its warmth is summed above bounds
// moved by as much.
func (p *Plan) AtSpot(warmerC float64) *Plan {
	spot := *p
	spot.baseC -= warmerC
	spot.upperC -= warmerC
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

// gates are the days before which each stage cannot be reached, whatever the
// warmth: by day length for every member alike, by chill for each member.
type gates struct {
	light []lightGate           // by stage index
	chill []*climate.ChillTable // nil where the stage waits for no cold
	wants []float64             // days of cold
}

func (p *Plan) gates(weather *climate.Ensemble) gates {
	g := gates{light: p.light, chill: make([]*climate.ChillTable, len(p.Stages)), wants: make([]float64, len(p.Stages))}
	for k, rule := range p.rules {
		if rule.Chill != nil {
			g.chill[k+1] = weather.Chill(climate.ChillRange{Low: flora.ChillLowC, High: flora.ChillHighC})
			g.wants[k+1] = rule.Chill.Value
		}
	}
	return g
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

// at returns the day for a place in the range, 0 the earliest to 1 the latest.
func (g lightGate) at(place float64) int {
	return g.earliest + int(place*float64(g.latest-g.earliest+1))
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

// member returns the first day on which each stage is open to one member, for
// a place in the range of the rules' day lengths (0 to 1; below 0 for the usual
// figures).
func (g gates) member(m int, place float64, into []int) []int {
	into = into[:0]
	open := 0
	for k, light := range g.light {
		day := light.usual
		if place >= 0 {
			day = light.at(place)
		}
		if g.chill[k] != nil {
			day = max(day, g.chill[k].DayReaching(m, g.wants[k]))
		}
		open = max(open, day)
		into = append(into, open)
	}
	return into
}

// usualLight asks for the rules' usual day lengths.
const usualLight = -1

// table returns the weather's warmth for the plan's temperatures.
func (p *Plan) table(weather *climate.Ensemble) *climate.ThermalTable {
	return weather.Thermal(p.baseC, p.upperC)
}

// lead returns how far past a stage's threshold a plant of pace rho stands when
// warmth (°C·d) has come since the start, in standard deviations of the
// planting's spread: the share of plants that have reached the stage is Φ of it.
func (p *Plan) lead(index int, warmth, logRho float64) float64 {
	if index == 0 {
		return beyondDoubt
	}
	threshold := p.rules[index-1].Warmth.Value
	switch {
	case threshold <= 0:
		return beyondDoubt
	case warmth <= 0:
		return -beyondDoubt
	}
	return (math.Log(warmth/threshold) - logRho) / p.spread
}

// beyondDoubt is a number of standard deviations that stands for certainty.
const beyondDoubt = 8.0
