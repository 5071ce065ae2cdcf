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
// or likely again.
type FrostDates struct {
	// Last is the last such night before midsummer in the asked chance of years: another
	// comes after it no more often than that.
	Last calendar.Date
	// First is the first day by whose end such a night has come with the
	// asked chance after midsummer.
	First calendar.Date
	// HasLast and HasFirst are false where such nights come in fewer years than that: then
	// there is no such date.
	HasLast, HasFirst bool
	// InSpring and InAutumn are the shares of years with any such night on that side of
	// midsummer, 0–1.
	InSpring, InAutumn float64
}

// FrostDates returns the dates for a night at or below thresholdC (°C) and a
// chance between 0 and 1: with 0.1, one year in ten has a later frost in
// spring, and one in ten an earlier or equal one in autumn.
func (e *Ensemble) FrostDates(thresholdC, chance float64) FrostDates {
	asked := frostAsked{thresholdC, chance}
	e.mu.Lock()
	dates, known := e.frosts[asked]
	e.mu.Unlock()
	if known {
		return dates
	}
	dates = e.countFrosts(thresholdC, chance)
	e.mu.Lock()
	defer e.mu.Unlock()
	if e.frosts == nil || len(e.frosts) >= mostFrosts {
		e.frosts = map[frostAsked]FrostDates{}
	}
	e.frosts[asked] = dates
	return dates
}

// frostAsked is what frost dates are asked for; mostFrosts of them are kept, since every tender planting asks for its
// own each time that jobs are told.
type frostAsked struct{ thresholdC, chance float64 }

const mostFrosts = 1000

func (e *Ensemble) countFrosts(thresholdC, chance float64) FrostDates {
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
	size := float64(len(e.members))
	dates := FrostDates{InSpring: 1 - float64(last[0])/size, InAutumn: 1 - float64(first[days])/size}
	allowed := chance * size
	if later := float64(len(e.members) - last[0]); later > allowed {
		dates.HasLast = true
		day := -1
		for later > allowed {
			day++
			later -= float64(last[day+1])
		}
		dates.Last = e.Season.Start.AddDays(day)
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
