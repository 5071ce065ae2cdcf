package spread

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// growthBaseC is the temperature in °C above which fronts are taken to go on: a guess of ours.
const growthBaseC = 5

// clock tells time in years of growth: a day counts as much as it is warmer than growthBaseC in the climate's usual
// year.
type clock struct {
	// passed is the share of a year's growth that is past at the end of each day of the year, 0 before the first.
	passed [367]float64
}

func newClock(normals climate.Normals) *clock {
	c, mean := &clock{}, normals.MeanCourse()
	const leap = 2032
	for day := 1; day <= 366; day++ {
		low, high := mean(calendar.Must(leap, 1, 1).AddDays(day - 1))
		c.passed[day] = c.passed[day-1] + max(0, (low+high)/2-growthBaseC)
	}
	for day := range c.passed {
		if all := c.passed[366]; all > 0 {
			c.passed[day] /= all
		} else { // nothing grows here by the books: then evenly
			c.passed[day] = float64(day) / 366
		}
	}
	return c
}

// at is a day's time in years of growth.
func (c *clock) at(day calendar.Date) float64 { return float64(day.Year()) + c.passed[day.YearDay()] }

// between is how many years of growth lie between two days.
func (c *clock) between(from, to calendar.Date) float64 { return max(0, c.at(to)-c.at(from)) }

// after is the day on which so many years of growth have passed since one.
func (c *clock) after(from calendar.Date, years float64) calendar.Date {
	until := c.at(from) + years
	year := int(until)
	first := calendar.Must(year, 1, 1)
	share := until - float64(year)
	low, high := 1, 366
	for low < high {
		if middle := (low + high) / 2; c.passed[middle] < share-1e-12 {
			low = middle + 1
		} else {
			high = middle
		}
	}
	return max(from, first.AddDays(min(low, 365)-1))
}
