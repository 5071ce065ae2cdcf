package suitability

import (
	"math"

	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

// Stand is a number of plants of one species, by the year of life they are in.
type Stand struct {
	Species *flora.Species
	Plants  int
	Year    int
}

// AreaInYears returns the ground in m² that a stand's plants cover in a number of
// years from now, each a circle of its width at its age; 0 once it has lived its
// life.
func (s Stand) AreaInYears(years int) float64 {
	year := s.Year + years
	if _, err := s.Species.YearOfLifeRules(max(year, 1)); err != nil {
		return 0
	}
	width := s.Species.Size.Width.Value / 100 * phenology.AgeShare(s.Species, year)
	return float64(s.Plants) * math.Pi / 4 * width * width
}

// MatureArea returns the ground in m² that plants of a species cover full-grown.
func MatureArea(species *flora.Species, plants int) float64 {
	width := species.Size.Width.Value / 100
	return float64(plants) * math.Pi / 4 * width * width
}

// Crowding returns the ground in m² that all stands of a bed cover together, this
// year first and each of the years after.
func Crowding(stands []Stand, years int) []float64 {
	area := make([]float64, years+1)
	for _, s := range stands {
		for y := range area {
			area[y] += s.AreaInYears(y)
		}
	}
	return area
}
