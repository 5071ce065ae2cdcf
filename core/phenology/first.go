package phenology

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// FirstPlace is the place of a planting's first plants among all, 0–1: one in twenty is as early.
const FirstPlace = 0.05

// FirstPlants returns when a planting's first plants reach a stage; false where its year has none.
func (f *Forecast) FirstPlants(stage flora.Stage) (Dates, bool) {
	index, has := f.indexOf(stage)
	if !has {
		return Dates{}, false
	}
	return f.datesOf(f.first()[index]), true
}

// FirstPlantsBy is the chance, 0–1, that a planting's first plants have come to a stage by the end of a day: what is to
// be done before that stage is late with it.
func (f *Forecast) FirstPlantsBy(stage flora.Stage, day calendar.Date) float64 {
	index, has := f.indexOf(stage)
	if !has {
		return 0
	}
	n, at := 0, day.DaysSince(f.Season.Start)
	days := f.first()[index]
	for _, reached := range days {
		if int(reached) <= at && int(reached) < f.days {
			n++
		}
	}
	return float64(n) / float64(len(days))
}

// PassedBy is the share of a planting's plants, 0–1, that are at a stage or past it by the end of a day.
func (f *Forecast) PassedBy(stage flora.Stage, day calendar.Date) float64 {
	index, has := f.indexOf(stage)
	if !has {
		return 0
	}
	return f.arrived()[index][f.dayIndex(day)]
}
