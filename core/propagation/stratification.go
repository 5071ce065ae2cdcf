package propagation

import "bramblyacre/core/climate"

// Rest is the moist rest that seed wants before it can come up: days of warmth first, then
// days of cold. Days count that lie in their range of daily mean temperature, in °C.
type Rest struct {
	WarmDays, ColdDays float64
	Warm, Cold         climate.ChillRange
}

// Ends returns the day, 0 for the first, on which the rest is over under a course of daily
// means in °C from the day that the seed was laid down, where it is within most days. Cold that
// comes before the warmth is through does not count; without any rest it is over at once.
func (r Rest) Ends(celsius func(day int) float64, most int) (day int, ends bool) {
	warm, cold := 0.0, 0.0
	for day := range most {
		if warm >= r.WarmDays && cold >= r.ColdDays {
			return day, true
		}
		t := celsius(day)
		switch {
		case warm < r.WarmDays:
			if within(r.Warm, t) {
				warm++
			}
		case within(r.Cold, t):
			cold++
		}
	}
	return most, warm >= r.WarmDays && cold >= r.ColdDays
}

func within(r climate.ChillRange, celsius float64) bool { return celsius >= r.Low && celsius <= r.High }
