package climate

import (
	"math"

	"bramblyacre/core/calendar"
)

// FrostChance returns, for each day of the season, the chance of a night at or
// below thresholdC (°C): the share of members and of the week around the day
// (three days either side) that have one.
func (e *Ensemble) FrostChance(thresholdC float64) []float64 {
	const eitherSide = 3
	days := e.Season.Days()
	cold := make([]float64, days)
	for m := range e.members {
		for i, day := range e.Weather(m) {
			if day.TMin <= thresholdC {
				cold[i] += 1 / float64(len(e.members))
			}
		}
	}
	smooth := make([]float64, days)
	for i := range smooth {
		from, to := max(0, i-eitherSide), min(days-1, i+eitherSide)
		for j := from; j <= to; j++ {
			smooth[i] += cold[j] / float64(to-from+1)
		}
	}
	return smooth
}

// FrostDates are the days around a summer by which frost has become unlikely
// or likely again. None is set where the climate has no such night.
type FrostDates struct {
	// Last is the first day after which the chance of another such night
	// before midsummer has fallen to the asked chance.
	Last calendar.Date
	// First is the first day by whose end such a night has come with the
	// asked chance after midsummer.
	First             calendar.Date
	HasLast, HasFirst bool
}

// FrostDates returns the dates for a night at or below thresholdC (°C) and a
// chance between 0 and 1: with 0.1, one year in ten has a later frost in
// spring, and one in ten an earlier or equal one in autumn.
func (e *Ensemble) FrostDates(thresholdC, chance float64) FrostDates {
	days := e.Season.Days()
	middle := days / 2
	last, first := make([]int, days+1), make([]int, days+1)
	for m := range e.members {
		lastNight, firstNight := -1, days
		for i, day := range e.Weather(m) {
			if day.TMin > thresholdC {
				continue
			}
			if i < middle {
				lastNight = i
			} else if firstNight == days {
				firstNight = i
			}
		}
		last[lastNight+1]++
		first[firstNight]++
	}
	var dates FrostDates
	allowed := chance * float64(len(e.members))
	if later := float64(len(e.members) - last[0]); later > 0 {
		dates.HasLast = true
		day := -1
		for later > allowed {
			day++
			later -= float64(last[day+1])
		}
		dates.Last = e.Season.Start.AddDays(max(day, 0))
	}
	come := 0.0
	for day := middle; day < days; day++ {
		come += float64(first[day])
		if come > 0 && come >= allowed {
			dates.HasFirst = true
			dates.First = e.Season.Start.AddDays(day)
			break
		}
	}
	return dates
}

// YearlyLowest returns each member's lowest temperature of the season in °C.
func (e *Ensemble) YearlyLowest() []float64 {
	lows := make([]float64, len(e.members))
	for m := range e.members {
		lows[m] = math.Inf(1)
		for _, day := range e.Weather(m) {
			lows[m] = math.Min(lows[m], day.TMin)
		}
	}
	return lows
}
