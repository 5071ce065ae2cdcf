package season

import (
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/garden/plot"
)

// qualityOf is what a unit of a part counts for on each day, 0–1: how good what is ready is, by how likely its window
// is open and the weather fit, each against the day on which it is likeliest; ready is the share of the plants at the
// right stage where it is open. That days and weather are not known yet takes little from what a window will bring, or
// the plan would have more picked than is needed: whoever plans it now moves it as they become known. Outside the
// window's likely days it is 0, as then nothing may be taken. opens is the first day on which it is not, below 0 for
// none.
func (q *question) qualityOf(
	p *plot.Planting,
	part flora.Part,
	weather *fitDays,
) (quality, ready []float64, opens int) {
	rule := part.Harvest
	quality, ready, opens = make([]float64, q.problem.Days), make([]float64, q.problem.Days), -1
	fit := weather.of(rule)
	surest := map[calendar.Date]float64{} // by the window's first day
	for t := range quality {
		day := q.first.AddDays(t)
		forecast, _ := q.state.ForecastOn(p, day)
		if forecast == nil {
			continue
		}
		chance, most := 0.0, 1.0
		for _, w := range p.Windows {
			if w.Part.Name != part.Name || !w.OpenOn(day) {
				continue
			}
			if c := w.ChanceOn(day); c > chance {
				first, _, _ := w.LikelyDays()
				if _, known := surest[first]; !known {
					surest[first] = slices.Max(w.ByDay)
				}
				chance, most = c, surest[first]
			}
		}
		if chance == 0 {
			continue
		}
		ready[t] = harvest.ReadyShare(forecast, rule, day)
		if t > 0 {
			ready[t] = min(1, ready[t]/chance)
		}
		if fit[t] > 0 {
			quality[t] = unsure(chance/most) * harvest.StageQuality(forecast, part, day)
		}
		if quality[t] > 0 && opens < 0 {
			opens = t
		}
	}
	const seldom = 0.5 // where fit days are rarer than this in all of a window, that takes from it
	fittest := 1e-9
	for t := range quality {
		if quality[t] > 0 {
			fittest = max(fittest, fit[t])
		}
	}
	for t := range quality {
		quality[t] = min(1, quality[t]*unsure(min(1, fit[t]/fittest))*min(1, fittest/seldom))
	}
	return quality, ready, opens
}

// unsure is what is left of a day's worth where it may come to nothing, so that the picking has to move: a quarter is
// lost on a day that hardly ever is the right one.
func unsure(likely float64) float64 { return 0.75 + 0.25*likely }

// fitDays are the chances of weather fit for picking.
type fitDays struct {
	ensemble *climate.Ensemble
	from     int
	days     int
	byDry    map[int][]float64
}

// soonDays is how far ahead the weather of a day itself is asked; further on it is enough that a fit day comes within
// as many days, since whoever has planned a day waits for one.
const soonDays = 4

func newFitDays(ensemble *climate.Ensemble, from, days int) *fitDays {
	f := &fitDays{ensemble, from, days, map[int][]float64{}}
	for dry := range 4 { // before they are asked for side by side
		f.byDry[dry] = f.reckon(dry)
	}
	return f
}

// of are the chances that each day is fit by a rule.
func (f *fitDays) of(rule *flora.HarvestRule) []float64 {
	if rule.DryDays == nil {
		return f.byDry[0]
	}
	if known, has := f.byDry[int(rule.DryDays.Value)]; has {
		return known
	}
	return f.reckon(int(rule.DryDays.Value))
}

// reckon counts the chance, over the seasons that may come, that a day ends a run of so many dry days.
func (f *fitDays) reckon(dry int) []float64 {
	chance := make([]float64, f.days)
	if dry == 0 {
		for t := range chance {
			chance[t] = 1
		}
		return chance
	}
	each := 1 / float64(f.ensemble.Size())
	fit := make([]bool, f.days)
	for m := range f.ensemble.Size() {
		weather := f.ensemble.Weather(m)
		run := 0
		for at := max(0, f.from-dry); at < f.from+f.days; at++ {
			if weather[at].HasRain() && !weather[at].Wet() {
				run++
			} else {
				run = 0
			}
			if at >= f.from {
				fit[at-f.from] = run >= dry
			}
		}
		next := f.days + soonDays // the next fit day
		for t := f.days - 1; t >= 0; t-- {
			if fit[t] {
				next = t
			}
			if next == t || t > soonDays && next-t < soonDays {
				chance[t] += each
			}
		}
	}
	return chance
}

// wet are the chances that it rains on each day.
func (f *fitDays) wet() []float64 {
	chance := make([]float64, f.days)
	for m := range f.ensemble.Size() {
		weather := f.ensemble.Weather(m)
		for t := range chance {
			if weather[f.from+t].Wet() {
				chance[t] += 1 / float64(f.ensemble.Size())
			}
		}
	}
	return chance
}
