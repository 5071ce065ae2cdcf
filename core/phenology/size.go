package phenology

import (
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// stageSize is the share of the year's full size that a plant has when it
// enters a stage: usual values for plants that grow anew from the ground.
var stageSize = map[flora.Stage]float64{
	flora.Resting: 0.05, flora.Shooting: 0.15, flora.Leafing: 0.45, flora.FullLeaf: 0.75, flora.InBud: 0.9,
	flora.FirstFlower: 1, flora.FullFlower: 1, flora.SettingSeed: 1, flora.Ripe: 0.95, flora.DyingBack: 0.6,
}

// keptLeafSize is the least share of its size that a plant keeps whose top does
// not vanish in winter.
const keptLeafSize = 0.8

// AgeShare returns the share of mature size that a species reaches in a year of
// life, 0–1: it rises along a square-root course to 1 at the full age.
func AgeShare(species *flora.Species, yearOfLife int) float64 {
	full := math.Max(1, species.Life.FullAge.Value)
	return math.Min(1, math.Sqrt(float64(max(yearOfLife, 0))/full))
}

// Size is a plant's height and width in metres.
type Size struct{ Height, Width float64 }

// SizeOn returns the expected size of one plant on a day: mature size, by age,
// by the stages the planting stands at. Plants in their lifetime's first weeks
// are small however far the stage.
func (f *Forecast) SizeOn(species *flora.Species, yearOfLife int, day calendar.Date) Size {
	share := 0.0
	for k, plants := range f.SharesOn(day) {
		share += plants * stageSize[f.Stages[k]]
	}
	if species.Life.KeepsLeaf {
		share = math.Max(share, keptLeafSize)
	}
	age := AgeShare(species, yearOfLife)
	// Width is held by the crown through the winter, height is not.
	wide := math.Max(share, 0.4)
	return Size{
		Height: species.Size.Height.Value / 100 * age * share,
		Width:  species.Size.Width.Value / 100 * age * wide,
	}
}
