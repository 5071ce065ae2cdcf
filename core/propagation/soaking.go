package propagation

import "bramblyacre/core/climate"

// Soaking is the rain that cuttings wait for which are set into the open ground: so many
// millimetres within so many days.
type Soaking struct {
	MM   float64
	Days int
}

// FirstDay returns the first day, from one on, by whose end a soaking rain has fallen within
// a season's weather, and whether any does.
func (s Soaking) FirstDay(weather []climate.Day, from int) (day int, comes bool) {
	sum := 0.0
	for day := from; day < len(weather); day++ {
		sum += weather[day].Rain
		if gone := day - s.Days; gone >= from {
			sum -= weather[gone].Rain
		}
		if sum >= s.MM {
			return day, true
		}
	}
	return len(weather), false
}

// ChanceByWeek returns for each week from a day on the chance that the soaking rain has come by
// its end: the share of the weathers' members.
func (s Soaking) ChanceByWeek(w *Weathers, from, weeks int) []float64 {
	chance := make([]float64, weeks)
	for _, member := range w.members {
		day, comes := s.FirstDay(member, from)
		if !comes {
			continue
		}
		for week := max(day-from, 0) / 7; week < weeks; week++ {
			chance[week] += 1 / float64(w.Size())
		}
	}
	return chance
}
