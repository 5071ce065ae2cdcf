// Package ground is what is known of a bed's soil: the aspects that count, the
// evidence for each, and the belief that the evidence adds up to. Signs, tests and
// a grower's own word all shift the same belief.
package ground

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// Aspect is one thing that counts of a bed's ground, on a scale from one end to
// the other.
type Aspect struct {
	ID   string
	Name string
	// Words are the classes of the scale in order.
	Words []string
	// Values are the classes' places on a numeric scale, in Unit.
	Values []float64
	Unit   string
}

// The aspects by their ids.
const (
	Texture   = "texture"
	Drainage  = "drainage"
	Moisture  = "moisture"
	Winter    = "winter"
	Acidity   = "ph"
	Fertility = "fertility"
	Depth     = "depth"
)

// The deepest class has no end, and stands for ground as deep as roots ask for: a plant that
// wants more than half a metre can do well in it.
var aspects = []Aspect{
	{Texture, "texture", textureWords(), textureHeaviness(), "heaviness"},
	{Drainage, "drainage", flora.DrainageWords, []float64{0, 1, 2, 3}, "drainage"},
	{Moisture, "moisture in summer", flora.MoistureWords, []float64{0, 1, 2, 3}, "moisture"},
	{Winter, "moisture in winter", flora.MoistureWords, []float64{0, 1, 2, 3}, "moisture"},
	{
		Acidity,
		"pH",
		[]string{"4", "4.5", "5", "5.5", "6", "6.5", "7", "7.5", "8", "8.5", "9"},
		[]float64{4, 4.5, 5, 5.5, 6, 6.5, 7, 7.5, 8, 8.5, 9},
		"pH",
	},
	{Fertility, "fertility", flora.FertilityWords, []float64{0, 1, 2}, "fertility"},
	{Depth, "depth", []string{"under 15 cm", "15–30 cm", "30–50 cm", "over 50 cm"}, []float64{10, 22, 40, 100}, "cm"},
}

// Aspects lists every aspect.
func Aspects() []Aspect { return append([]Aspect(nil), aspects...) }

// AspectOf returns an aspect by its id, or an error.
func AspectOf(id string) (Aspect, error) {
	for _, a := range aspects {
		if a.ID == id {
			return a, nil
		}
	}
	return Aspect{}, fmt.Errorf("%q is not an aspect of the ground", id)
}

// Index returns the place of a word on the scale, and whether it is there.
func (a Aspect) Index(word string) (int, bool) {
	i := slices.Index(a.Words, word)
	return i, i >= 0
}
