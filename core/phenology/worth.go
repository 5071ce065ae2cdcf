package phenology

import (
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// aheadDays is how far ahead a stage may lie for a look to be of use to it.
const aheadDays = 75

// WorthOfLook returns by how many days a look at the planting on a day is expected to narrow the days (P10 to P90) of
// the stage ahead that it tells most of, and that stage's index; 0 and -1 where a look tells nothing.
//
// It is the expected value of the information (Raiffa and Schlaifer 1961, Applied Statistical Decision Theory): the
// courses are parted by the stage that each has the typical plant at, which is what a look tells, and the standard
// deviation of the stage's day within the parts, in their mean, is held against that of all. A look is taken as
// right; what it tells of later years is left out.
func (f *Forecast) WorthOfLook(day calendar.Date) (days float64, stage int) {
	at := f.dayIndex(day)
	now := make([]int, len(f.typical[0])) // the stage of each course on the day
	for c := range now {
		k := len(f.Stages) - 1
		for k > 0 && f.typical[k][c] > int16(at) {
			k--
		}
		now[c] = k
	}
	stage = -1
	for k := 1; k < len(f.Stages); k++ {
		dates := f.Dates(k)
		if !dates.Holds(0.5) || dates.P90 < day || dates.P50.DaysSince(day) > aheadDays {
			continue
		}
		all := moments{}
		parts := make([]moments, len(f.Stages))
		for c, arrival := range f.typical[k] {
			if int(arrival) >= f.days {
				continue // this course never reaches it
			}
			all.add(float64(arrival))
			parts[now[c]].add(float64(arrival))
		}
		within := 0.0
		for _, part := range parts {
			if part.n > 0 {
				within += part.n / all.n * part.deviation()
			}
		}
		const width = 2 * climate.EightInTen // of P10 to P90, in standard deviations
		if saved := width * (all.deviation() - within); saved > days {
			days, stage = saved, k
		}
	}
	return days, stage
}

// moments sum up numbers.
type moments struct{ n, sum, squares float64 }

func (m *moments) add(x float64) { m.n, m.sum, m.squares = m.n+1, m.sum+x, m.squares+x*x }

func (m moments) deviation() float64 {
	if m.n == 0 {
		return 0
	}
	mean := m.sum / m.n
	return math.Sqrt(math.Max(0, m.squares/m.n-mean*mean))
}
