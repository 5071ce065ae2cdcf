package view

import (
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// GoneWords say how much of the water that a ground holds is gone.
func GoneWords(gone float64) string {
	switch {
	case gone < -0.02:
		return "wetter than it holds"
	case gone < 0.02:
		return "full"
	}
	return fmt.Sprintf("%.0f %% of its water gone", 100*gone)
}

// WaterOn is the share of its water that a bed's ground has on a day, today or one soon after, with the words for
// it; false for days that are not told.
func WaterOn(s *plot.State, bed store.Bed, on calendar.Date) (full float64, words string, told bool) {
	ahead := on.DaysSince(s.Today)
	if ahead < 0 || ahead > plot.WaterAheadDays {
		return 0, "", false
	}
	w, err := s.Water(bed)
	if err != nil || ahead > len(w.Ahead) {
		return 0, "", false
	}
	if ahead == 0 {
		return math.Max(0, 1-w.Gone), GoneWords(w.Gone), true
	}
	day := w.Ahead[ahead-1]
	return math.Max(0, 1-day.P50), "likely " + GoneWords(day.P50), true
}

// Spot is how a bed's nights and days lie to the open plot's.
type Spot struct {
	// NightC is by how much its winter nights are warmer, or below 0 colder, DayC its days, in °C.
	NightC, DayC float64
	Words        string
}

// SpotOf is how a bed's winter nights and its days lie to the open plot's.
func SpotOf(s *plot.State, bed store.Bed) Spot {
	day, why := s.Warmer(bed)
	spot := Spot{s.WinterOffset(bed, s.Lib.Ground().Offsets), day.Value, "as the open plot"}
	if spot.NightC != 0 {
		spot.Words = "winter nights " + apart(s, spot.NightC)
	}
	if why != "" {
		if spot.NightC == 0 {
			spot.Words = "nights as the open plot"
		}
		spot.Words += fmt.Sprintf(", days %s: %s", apart(s, spot.DayC), why)
	}
	return spot
}

// apart says how much warmer or colder something is.
func apart(s *plot.State, celsius float64) string {
	how := "warmer"
	if celsius < 0 {
		how = "colder"
	}
	return s.Units.TemperatureDifference(math.Abs(celsius)) + " " + how
}
