package phenology

import (
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// frostEnd returns the day on which frost ends the year of a course in one member's
// weather, and whether it kills; the season's length where none does. place is the course's
// place in the ranges of the figures, 0 the hardiest to 1 the most tender; stages are the
// days on which the typical plant reaches each stage. Nights up to and with outlasted have
// been outlasted: the plant was seen growing after them.
//
// A frost that ends a year's growth does so from midsummer on; before it the plant grows
// again. One that kills does so whenever the plant stands above the ground.
func (p *Plan) frostEnd(weather []climate.Day, stages []int, place float64, outlasted int) (day int, kills bool) {
	day = p.Season.Days()
	for _, rule := range p.frosts {
		from, until := 1, len(p.Stages)
		if rule.From != flora.Resting {
			from = p.order(rule.From)
		}
		if rule.Until != flora.Resting {
			until = p.order(rule.Until)
		}
		if from >= len(stages) || rule.Does == flora.Harms {
			continue
		}
		first, last := stages[from], p.Season.Days()
		if until < len(stages) {
			last = stages[until]
		}
		if rule.Does == flora.EndsTheYear {
			first = max(first, p.Season.Days()/2)
		}
		below := rule.Below.Low + place*(rule.Below.High-rule.Below.Low) - p.warmerC
		for i := max(first, outlasted+1, 0); i < min(last, day); i++ {
			if weather[i].TMin <= below {
				day, kills = i, rule.Does == flora.Kills
				break
			}
		}
	}
	return day, kills
}
