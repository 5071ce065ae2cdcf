package spread

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spread"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// DeadlineView is the last day to behead a stand, with what each day of waiting costs.
type DeadlineView struct {
	PlantingID int64         `json:"plantingId"`
	Name       string        `json:"name"`
	Bed        string        `json:"bed"`
	Last       calendar.Date `json:"last" doc:"The last day on which it is not late with 9 in 10"`
	Words      string        `json:"words" doc:"Empty where it sets no seed that is on record"`
	Late       []LatePoint   `json:"late"`
	// Passed is true where the day is over.
	Passed bool `json:"passed"`
}

// LatePoint is how late a day is.
type LatePoint struct {
	On     calendar.Date `json:"on"`
	Chance float64       `json:"chance" doc:"That the first plants have set seed by then"`
	Fallen float64       `json:"fallen" doc:"The share of seed that has fallen by then"`
	Words  string        `json:"words"`
}

// deadlineOf is the last day to behead a planting: before its first plants set seed, this season or the next.
func deadlineOf(s *plot.State, p *plot.Planting) DeadlineView {
	v := DeadlineView{PlantingID: p.ID, Name: p.Species.Names.Name, Bed: p.Bed.Name, Late: []LatePoint{}, Last: s.Today}
	if spread.SeedWay(p.Species) == nil {
		return v
	}
	for _, forecast := range []*phenology.Forecast{p.Now, p.Next} {
		first, last, comes := view.BeheadDays(forecast)
		if !comes || forecast.PassedBy(flora.Ripe, s.Today) > 0.95 && forecast.Season.Contains(s.Today) {
			continue // it sets none, or all has fallen
		}
		v.Last, v.Passed = last, s.Today > last
		v.Words = fmt.Sprintf("Behead by %s: its first plants set seed about %s.", last.DayMonthYear(), first.P50.DayMonth())
		if v.Passed {
			v.Words = fmt.Sprintf(
				"Late since %s: its first plants have set seed with %s, and about %.0f %% of its seed has fallen. Each day lets more fall.",
				last.DayMonth(),
				say.Chance(forecast.FirstPlantsBy(flora.SettingSeed, s.Today)),
				100*forecast.PassedBy(flora.Ripe, s.Today),
			)
		}
		v.Late = latePoints(forecast, max(last, s.Today))
		return v
	}
	return v
}

// latePoints are the chances of being late, day by day from the last that is not until all have come.
func latePoints(forecast *phenology.Forecast, from calendar.Date) (all []LatePoint) {
	const most = 90
	for day := from; day <= min(from.AddDays(most), forecast.Season.End); day = day.AddDays(1) {
		late, fallen := forecast.FirstPlantsBy(flora.SettingSeed, day), forecast.PassedBy(flora.Ripe, day)
		words := fmt.Sprintf("%s: late %s", day.DayMonth(), say.Chance(late))
		if fallen >= 0.005 {
			words += fmt.Sprintf(", %.0f %% of the seed fallen", 100*fallen)
		}
		all = append(all, LatePoint{day, say.Round2(late), say.Round2(fallen), words})
		if late > 0.99 && fallen > 0.95 {
			break
		}
	}
	return all
}

// fallenBy is the share of a planting's seed that has fallen by a day of this season or the next.
func fallenBy(s *plot.State, p *plot.Planting, day calendar.Date) float64 {
	forecast, _ := s.ForecastOn(p, day)
	if forecast == nil {
		return 0
	}
	return forecast.PassedBy(flora.Ripe, day)
}
