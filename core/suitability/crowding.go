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

// AreaInYears returns the ground in m² that a stand's plants take in a number of
// years from now, each at its age (see groundOf); 0 once it has lived its life.
func (s Stand) AreaInYears(years int) float64 {
	year := s.Year + years
	if _, err := s.Species.YearOfLifeRules(max(year, 1)); err != nil {
		return 0
	}
	return float64(s.Plants) * groundOf(s.Species, phenology.AgeShare(s.Species, year))
}

// groundOf is the ground in m² that one plant takes in a bed at a share of its full width:
// a square as wide as it is, as when it stands in rows. It is the one reckoning of a
// plant's ground: for how many go on an area, for crowding and for room.
func groundOf(species *flora.Species, share float64) float64 {
	width := species.Size.Width.Value / 100 * share
	return width * width
}

// MatureArea returns the ground in m² that plants of a species take full-grown.
func MatureArea(species *flora.Species, plants int) float64 {
	return float64(plants) * groundOf(species, 1)
}

// PlantsOn returns how many plants of a species fill a ground of areaM2 square metres
// full-grown: at least one. It is the way back from MatureArea.
func PlantsOn(species *flora.Species, areaM2 float64) int {
	return int(math.Max(1, math.Round(areaM2/MatureArea(species, 1))))
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
