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
	light      []int // day of the season before which day length bars each stage
	baseC      float64
	upperC     float64
	spread     float64
	warmthFrom int // day of the season from which warmth counts
	standing   flora.Standing
}

// NewPlan returns the plan of a species in one season of its life. latitude is
// in degrees, south negative. The first day that counts is started if that lies
// in the season and the planting began as seed, else the season's first: pass a
// started before the season for a planting that stands already. A year of life
// that the species does not have, or a latitude beyond ±90, is an error.
func NewPlan(species *flora.Species, yearOfLife int, season calendar.Season, latitude float64, started calendar.Date) (*Plan, error) {
	year, err := species.YearOfLifeRules(yearOfLife)
	if err != nil {
		return nil, err
	}
	days, err := dayLengths(latitude, season)
	if err != nil {
		return nil, err
	}
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
	p.light = []int{p.warmthFrom}
	for k, rule := range year.Stages {
		p.Stages = append(p.Stages, rule.Stage)
		p.light = append(p.light, max(p.light[k], lightGate(rule, days)))
	}
	return p, nil
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
	light []int                 // by stage index
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

// dayLengths returns the hours of daylight on each day of a season.
func dayLengths(latitude float64, season calendar.Season) ([]float64, error) {
	hours := make([]float64, season.Days())
	for i := range hours {
		var err error
		if hours[i], err = climate.DayLength(latitude, season.Start.AddDays(i)); err != nil {
			return nil, err
		}
	}
	return hours, nil
}

// lightGate returns the first day of the season on which a rule's day length
// is met, or the season's length if it never is.
func lightGate(rule flora.StageRule, hours []float64) int {
	gate := 0
	if rule.DayAbove != nil {
		for gate < len(hours) && hours[gate] < rule.DayAbove.Value {
			gate++
		}
	}
	if rule.DayBelow != nil {
		longest := 0
		for i, length := range hours {
			if length > hours[longest] {
				longest = i
			}
		}
		gate = max(gate, longest)
		for gate < len(hours) && hours[gate] > rule.DayBelow.Value {
			gate++
		}
	}
	return gate
}

// member returns the first day on which each stage is open to one member.
func (g gates) member(m int, into []int) []int {
	into = append(into[:0], g.light...)
	open := 0
	for k := range into {
		if g.chill[k] != nil {
			into[k] = max(into[k], g.chill[k].DayReaching(m, g.wants[k]))
		}
		open = max(open, into[k])
		into[k] = open
	}
	return into
}

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
