package view

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/say"
)

// stillEarly is the chance of being late with which a day counts as in time.
const stillEarly = 0.1

// BeheadDays are when a forecast's first plants set seed, and the last day before it on which it is not late with nine
// in ten; false where they do not.
func BeheadDays(forecast *phenology.Forecast) (first phenology.Dates, last calendar.Date, comes bool) {
	if forecast == nil {
		return first, 0, false
	}
	first, has := forecast.FirstPlants(flora.SettingSeed)
	if !has || !first.Holds(0.5) {
		return first, 0, false
	}
	last = first.P50
	for day := forecast.Season.Start; day <= first.P50; day = day.AddDays(1) {
		if forecast.FirstPlantsBy(flora.SettingSeed, day) > stillEarly {
			last = day.AddDays(-1)
			break
		}
	}
	return first, last, true
}

// LateWords say how likely heads that come off on a day are late, and a week after; empty where no seed is set.
func LateWords(forecast *phenology.Forecast, on calendar.Date) string {
	_, last, comes := BeheadDays(forecast)
	if !comes {
		return ""
	}
	day := max(on, last)
	when := "On " + day.DayMonth()
	if day == on {
		when = "Today"
	}
	return fmt.Sprintf(
		"%s it is late with %s, a week after with %s.",
		when,
		say.Chance(
			forecast.FirstPlantsBy(flora.SettingSeed, day),
		),
		say.Chance(forecast.FirstPlantsBy(flora.SettingSeed, day.AddDays(7))),
	)
}
