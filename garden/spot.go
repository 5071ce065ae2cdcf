package garden

import (
	"fmt"
	"math"

	"bramblyacre/core/flora"
	"bramblyacre/store"
)

// shadyHours is under how many hours of sun a day in summer a spot lies in the
// shade.
const shadyHours = 4

// warmer is how much warmer, or below 0 colder, a bed's days are than the plot's in
// °C, with the reason: a wall behind it or the grower's word, and shade.
func (s *state) warmer(bed store.Bed) (offset flora.Figure, why string) {
	switch {
	case bed.Warmth == "cold":
		return s.days.Cold, "it lies cold"
	case bed.Warmth == "warm":
		return s.days.Warm, "it lies warm"
	case s.warmed(s.forms[bed.ID]):
		return s.days.Warm, "it lies before a wall or a house"
	}
	if hours, measured := s.summerHours(bed); hours < shadyHours && (measured || len(s.sunHours[bed.ID]) > 0) {
		return s.days.Shade, "it lies in the shade"
	}
	return flora.Figure{}, ""
}

// spotWords say by how much a bed's days are reckoned warmer or colder; nothing
// where they are the plot's.
func (s *state) spotWords(bed store.Bed) string {
	offset, why := s.warmer(bed)
	if why == "" {
		return ""
	}
	than := "warmer"
	if offset.Value < 0 {
		than = "colder"
	}
	return fmt.Sprintf(" Its days are reckoned %s %s than the plot's: %s (%s).", s.units.TemperatureDifference(math.Abs(offset.Value)), than, why, offset.Standing)
}
