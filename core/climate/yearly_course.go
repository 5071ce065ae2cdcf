package climate

import (
	"math"
	"sync"
	"time"

	"gonum.org/v1/gonum/mat"

	"bramblyacre/core/calendar"
)

// yearLength is the mean calendar year, in days.
const yearLength = 365.2425

// course is a yearly course: a value for each day of the year, 1–366.
type course [367]float64

// fitCourse returns the course whose mean over each month is the given one: a mean, the
// first five pairs of waves and the sixth, of which twelve months leave one way.
//
// Source: Epstein 1991, Journal of Climate 4:365–368, with months of their own lengths.
func fitCourse(monthly [12]float64) *course {
	shares := monthShares()
	var c course
	for yearDay := range c {
		for m, value := range monthly {
			c[yearDay] += value * shares[yearDay][m]
		}
	}
	return &c
}

// monthShares are how much each month's mean counts towards each day of the year.
var monthShares = sync.OnceValue(func() *[367][12]float64 {
	means := mat.NewDense(12, 12, nil)
	yearDay := 0
	for m := range 12 {
		days := daysIn(time.Month(m + 1))
		for range days {
			yearDay++
			for k, value := range waves(yearDay) {
				means.Set(m, k, means.At(m, k)+value/float64(days))
			}
		}
	}
	var inverse mat.Dense
	if err := inverse.Inverse(means); err != nil {
		panic(err) // the same twelve months every time
	}
	var shares [367][12]float64
	for yearDay := range shares {
		for k, wave := range waves(yearDay) {
			for m := range 12 {
				shares[yearDay][m] += wave * inverse.At(k, m)
			}
		}
	}
	return &shares
})

// waves are 1, and the cosines and sines of one to six waves a year, on a day. The sixth
// stands for both of its kind: over twelve months they look alike.
func waves(yearDay int) (values [12]float64) {
	angle := 2 * math.Pi * (float64(yearDay) - 0.5) / yearLength
	values[0] = 1
	for k := 1; k <= 5; k++ {
		values[2*k-1], values[2*k] = math.Cos(float64(k)*angle), math.Sin(float64(k)*angle)
	}
	values[11] = math.Sin(6 * angle)
	return values
}

// MeanCourse returns what tells the usual lowest and highest temperature of a day, in
// °C. Fitting it costs far more than asking it.
func (n Normals) MeanCourse() func(day calendar.Date) (tminC, tmaxC float64) {
	low, high := fitCourse(n.TMin), fitCourse(n.TMax)
	return func(day calendar.Date) (tminC, tmaxC float64) {
		return low[day.YearDay()], high[day.YearDay()]
	}
}

// midwinter is the day of the year on which a northern winter's weather swings most.
const midwinter = 15

// Spread returns the standard deviations of a day's lowest and highest temperature about
// their course, in °C: one wave a year, widest in midwinter where the swing is above 0.
//
// Source: Richardson 1981, who fits a yearly wave to the standard deviations too.
func (n Normals) Spread(yearDay int) (minC, maxC float64) {
	at := 2 * math.Pi * (float64(yearDay) - midwinter) / yearLength
	if n.Latitude < 0 {
		at += math.Pi
	}
	return n.SpreadMin * (1 + n.SwingMin*math.Cos(at)), n.SpreadMax * (1 + n.SwingMax*math.Cos(at))
}

// wetShare returns the share of wet days and the mean rain of one, in mm, in the month
// of a day of the year: the month's own, so that a dry month stays dry beside a wet one
// (as Richardson and Wright 1984, WGEN, have it).
func (n Normals) wetShare(yearDay int) (share, millimetres float64) {
	m := int(calendar.Must(2031, time.January, 1).AddDays(min(yearDay, 365)-1).Month()) - 1
	if yearDay == 366 {
		m = 11
	}
	if n.WetDays[m] == 0 {
		return 0, 0
	}
	return n.WetDays[m] / float64(daysIn(time.Month(m+1))), n.Rain[m] / n.WetDays[m]
}
