package plot

import (
	"fmt"
	"math"

	"bramblyacre/core/flora"
	"bramblyacre/store"
)

// shadyHours is under how many hours of sun a day in summer a spot lies in the
// shade.
const shadyHours = 4

// Warmer is how much warmer, or below 0 colder, a bed's days are than the plot's in
// °C, with the reason: a wall behind it or the grower's word, and shade.
func (s *State) Warmer(bed store.Bed) (offset flora.Figure, why string) {
	switch {
	case bed.Warmth == "cold":
		return s.Days.Cold, "it lies cold"
	case bed.Warmth == "warm":
		return s.Days.Warm, "it lies warm"
	case s.Warmed(bed.ID):
		return s.Days.Warm, "it lies before a wall or a house"
	}
	if hours, measured := s.SummerHours(bed); hours < shadyHours && (measured || len(s.SunHours[bed.ID]) > 0) {
		return s.Days.Shade, "it lies in the shade"
	}
	return flora.Figure{}, ""
}

// SpotWords say by how much a bed's days are reckoned warmer or colder; nothing
// where they are the plot's.
func (s *State) SpotWords(bed store.Bed) string {
	offset, why := s.Warmer(bed)
	if why == "" {
		return ""
	}
	than := "warmer"
	if offset.Value < 0 {
		than = "colder"
	}
	return fmt.Sprintf(
		" Its days are reckoned %s %s than the plot's: %s (%s).",
		s.Units.TemperatureDifference(math.Abs(offset.Value)),
		than,
		why,
		offset.Standing,
	)
}
