package propagation

import (
	"errors"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// Weathers are the possible weathers of the days from one on, over several seasons: what a
// member of one ensemble begins, the same member of the next goes on with.
type Weathers struct {
	First   calendar.Date
	Days    int
	members [][]climate.Day
	means   [][]float64
}

// JoinSeasons are the weathers of ensembles of seasons that follow each other. After the last,
// its year comes again so many times, each with other members, for what takes longer than is
// forecast. Seasons with gaps, or without a member, are an error; where sizes differ, the smaller
// ones' members serve several times, as a season that is read has one.
func JoinSeasons(again int, ensembles ...*climate.Ensemble) (*Weathers, error) {
	if len(ensembles) == 0 {
		return nil, errors.New("weathers need a season")
	}
	size := 0
	for i, e := range ensembles {
		if e.Size() == 0 {
			return nil, errors.New("a season has no member")
		}
		if i > 0 && e.Season.Start != ensembles[i-1].Season.End.AddDays(1) {
			return nil, errors.New("the seasons do not follow each other")
		}
		size = max(size, e.Size())
	}
	w := &Weathers{First: ensembles[0].Season.Start}
	for member := range size {
		var days []climate.Day
		for _, e := range ensembles {
			days = append(days, e.Weather(member%e.Size())...)
		}
		last := ensembles[len(ensembles)-1]
		for i := range again {
			days = append(days, last.Weather((member*7+3+i)%last.Size())...)
		}
		means := make([]float64, len(days))
		for i, day := range days {
			means[i] = day.Mean()
		}
		w.members, w.means, w.Days = append(w.members, days), append(w.means, means), len(days)
	}
	return w, nil
}

// Size is the number of members.
func (w *Weathers) Size() int { return len(w.members) }

// Index is the place of a day in the weathers; below 0 before the first.
func (w *Weathers) Index(day calendar.Date) int { return day.DaysSince(w.First) }

// Date is the day of an index.
func (w *Weathers) Date(index int) calendar.Date { return w.First.AddDays(index) }

// Low is the lowest temperature of a member's day in °C; the last day's beyond the end.
func (w *Weathers) Low(member, index int) float64 {
	return w.members[member][min(max(index, 0), w.Days-1)].TMin
}

// ChanceAfter returns for each day the chance that a night at or below a temperature in °C comes
// on it or within days after it: the share of members.
func (w *Weathers) ChanceAfter(celsius float64, days int) []float64 {
	chance := make([]float64, w.Days)
	for member := range w.members {
		next := w.Days + days + 1
		for i := w.Days - 1; i >= 0; i-- {
			if w.members[member][i].TMin <= celsius {
				next = i
			}
			if next-i <= days {
				chance[i] += 1 / float64(w.Size())
			}
		}
	}
	return chance
}
