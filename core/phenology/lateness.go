package phenology

import (
	"math"

	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// What a winter without cold does to a stage that waits for it: the warmth that it needs
// grows by up to mostLater of itself, and the plants' spread by up to mostUneven. The
// course between is exponential in the days of cold, after Cannell and Smith 1983, Journal
// of Applied Ecology 20:951–963, who found it of the warmth to bud burst; the sizes are
// guesses of ours.
const (
	mostLater  = 0.7
	mostUneven = 1.5
	coldCurve  = 2.5
)

// lateness is the cold that each stage of a plan waits for.
type lateness struct {
	chill []*climate.ChillTable // by stage index; nil where the stage waits for no cold
	wants []float64             // days of cold
}

func (p *Plan) lateness(weather *climate.Ensemble) lateness {
	late := lateness{make([]*climate.ChillTable, len(p.Stages)), make([]float64, len(p.Stages))}
	for k, rule := range p.rules {
		if rule.Chill != nil && rule.Chill.Value > 0 {
			late.chill[k+1] = weather.Chill(climate.ChillRange{Low: flora.ChillLowC, High: flora.ChillHighC})
			late.wants[k+1] = rule.Chill.Value
		}
	}
	return late
}

// lack is the share, 0–1, of the effect of no cold at all that a member's winter has on a
// stage that is otherwise due on a day.
func (late lateness) lack(k, member, day int) float64 {
	if late.chill[k] == nil {
		return 0
	}
	had := late.chill[k].Days(member, day) / late.wants[k]
	if had >= 1 {
		return 0
	}
	return (math.Exp(-coldCurve*had) - math.Exp(-coldCurve)) / (1 - math.Exp(-coldCurve))
}

// extra is how much more warmth in °C d a stage needs in a member for want of cold at it
// or at a stage before it; before is the warmth that had come when the plan's warmth began
// to count.
func (late lateness) extra(p *Plan, k, member int, table *climate.ThermalTable, before float64) float64 {
	most := 0.0
	for at := 1; at <= k; at++ {
		if late.chill[at] == nil {
			continue
		}
		needs := p.rules[at-1].Warmth.Value
		day := table.DayReaching(member, before+needs, 0)
		most = math.Max(most, mostLater*needs*late.lack(at, member, day))
	}
	return most
}

// isEnd tells whether a stage is an end of the year, after which nothing grows: it comes in
// its time, whatever the plant has not reached by then. What dies back to flower again is
// not at its end.
func (p *Plan) isEnd(k int) bool { return k >= p.ends }

// byLight tells whether day length alone decides when a stage comes: an end of the year
// that waits for one.
func (p *Plan) byLight(k int) bool {
	return p.isEnd(k) && (p.rules[k-1].DayBelow != nil || p.rules[k-1].DayShare != nil)
}
