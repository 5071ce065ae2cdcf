package view

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/plot"
)

// The chances by which cold nights come that work goes by: the first day is before all but the rarest years' first
// such night, the best before nine in ten, the last as likely as not.
const (
	nightFirst, nightBest, nightLast = 0.02, 0.10, 0.50
	// nightNotice is how many days before the first day the work is told.
	nightNotice = 10
)

// Nights are the days before the first night of a season at or below a limit.
type Nights struct {
	// First is the first day worth doing what is to be done before it, Best the last that is before nine years in ten,
	// and Last that by which such a night has come in five.
	First, Best, Last calendar.Date
	// Rare is when it comes in the rarest years, Most is false where it does not come in five of ten.
	Rare calendar.Date
	Most bool
}

// NightsBefore tells the days before the first night at or below limitC at a planting's spot; comes is false where
// fewer than one year in ten has such a night.
func NightsBefore(s *plot.State, p *plot.Planting, ensemble *climate.Ensemble, limitC float64) (n Nights, comes bool) {
	warmer, _ := s.Warmer(p.Bed)
	at := limitC - warmer.Value
	best := ensemble.FrostDates(at, nightBest)
	if !best.HasFirst {
		return n, false
	}
	n.Best = best.First
	n.Rare = min(ensemble.FrostDates(at, nightFirst).First, n.Best)
	last := ensemble.FrostDates(at, nightLast)
	if n.Last, n.Most = last.First, last.HasFirst; !n.Most {
		n.Last = ensemble.Season.End
	}
	n.First = n.Rare.AddDays(-nightNotice)
	return n, true
}

// ChanceWords say when such a night comes.
func (n Nights) ChanceWords() string {
	words := fmt.Sprintf("in 1 year of 10 by %s", n.Best.DayMonth())
	if n.Most {
		words += fmt.Sprintf(", in 5 of 10 by %s", n.Last.DayMonth())
	}
	return words
}
