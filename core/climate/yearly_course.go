package climate

import (
	"math"
	"time"

	"bramblyacre/core/calendar"
)

// yearLength is the mean calendar year, in days.
const yearLength = 365.2425

// harmonics is a yearly course: a mean and two waves, a year and half a year long.
type harmonics struct {
	mean     float64
	cos, sin [2]float64
}

// fitHarmonics fits the course whose monthly means are nearest the given ones.
// Averaging over a month flattens wave k by sinc(kπ/12), which is undone here.
func fitHarmonics(monthly [12]float64) harmonics {
	var h harmonics
	for m, value := range monthly {
		h.mean += value / 12
		for k := range 2 {
			angle := float64(k+1) * 2 * math.Pi * (float64(m) + 0.5) / 12
			flattened := float64(k+1) * math.Pi / 12
			gain := flattened / math.Sin(flattened) / 6
			h.cos[k] += value * math.Cos(angle) * gain
			h.sin[k] += value * math.Sin(angle) * gain
		}
	}
	return h
}

// at returns the course on a day of the year, 1–366.
func (h harmonics) at(yearDay int) float64 {
	value := h.mean
	for k := range 2 {
		angle := float64(k+1) * 2 * math.Pi * (float64(yearDay) - 0.5) / yearLength
		value += h.cos[k]*math.Cos(angle) + h.sin[k]*math.Sin(angle)
	}
	return value
}

// betweenMonths interpolates monthly figures linearly between mid-months.
func betweenMonths(monthly [12]float64, yearDay int) float64 {
	position := (float64(yearDay)-0.5)/yearLength*12 - 0.5
	before := int(math.Floor(position))
	share := position - float64(before)
	return monthly[(before+12)%12]*(1-share) + monthly[(before+13)%12]*share
}

// MeanCourse returns what tells the usual lowest and highest temperature of a day, in
// °C. Fitting it costs far more than asking it.
func (n Normals) MeanCourse() func(day calendar.Date) (tminC, tmaxC float64) {
	low, high := fitHarmonics(n.TMin), fitHarmonics(n.TMax)
	return func(day calendar.Date) (tminC, tmaxC float64) {
		return low.at(day.YearDay()), high.at(day.YearDay())
	}
}

// wetShare returns the share of wet days and the mean rain of one, in mm.
func (n Normals) wetShare(yearDay int) (share, millimetres float64) {
	var shares, amounts [12]float64
	for m := range 12 {
		shares[m] = n.WetDays[m] / float64(daysIn(time.Month(m+1)))
		if n.WetDays[m] > 0 {
			amounts[m] = n.Rain[m] / n.WetDays[m]
		}
	}
	return betweenMonths(shares, yearDay), betweenMonths(amounts, yearDay)
}
