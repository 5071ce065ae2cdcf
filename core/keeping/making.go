package keeping

import (
	"errors"
	"math"
)

// Diluted is what is measured out for a spirit of some strength.
type Diluted struct{ SpiritML, WaterML float64 }

// Dilute returns how much spirit of a strength, in % by volume, is filled up with water to so many ml of a weaker one.
// It goes by volume and leaves out that spirit and water shrink a little as they mix: the water is what fills it up. An
// error where it cannot be.
func Dilute(wantML, want, from float64) (Diluted, error) {
	switch {
	case !(wantML > 0) || math.IsInf(wantML, 0):
		return Diluted{}, errors.New("how much is wanted is above 0 ml")
	case !(from > 0 && from <= 100):
		return Diluted{}, errors.New("a spirit has above 0 and at most 100 %")
	case !(want > 0 && want <= 100):
		return Diluted{}, errors.New("the strength that is wanted lies above 0 and at most at 100 %")
	case want > from:
		return Diluted{}, errors.New("water makes a spirit weaker, not stronger")
	}
	spirit := wantML * want / from
	return Diluted{spirit, wantML - spirit}, nil
}

// StrengthAfter is how strong a spirit is, in % by volume, once fresh herb has given its water to it: all of that water
// is taken to go over.
func StrengthAfter(spiritML, strength, herbGrams, herbWater float64) float64 {
	water := herbGrams * herbWater // a gram of water is a millilitre
	if spiritML+water <= 0 {
		return 0
	}
	return spiritML * strength / (spiritML + water)
}

// Infusing is how herb is covered with a liquid.
type Infusing struct {
	// MLPerGram is the liquid for a gram of herb; PackedMLPerGram the room that a gram takes in the jar.
	MLPerGram, PackedMLPerGram float64
	// Kept is which share of the liquid comes through the strainer.
	Kept float64
}

// Infused is what a jar of herb and liquid comes to.
type Infused struct{ LiquidML, JarML, StrainedML float64 }

// Infuse tells how much liquid covers so many grams, how big a jar holds both, and what comes through the strainer. The
// liquid fills the room between the herb: of the herb's own room only what stands above the liquid needs more. An
// error where a figure is none.
func Infuse(herbGrams float64, in Infusing) (Infused, error) {
	if !(herbGrams > 0) || math.IsInf(herbGrams, 0) {
		return Infused{}, errors.New("what goes in weighs more than nothing")
	}
	if !(in.MLPerGram > 0) || !(in.Kept > 0 && in.Kept <= 1) {
		return Infused{}, errors.New("how it is made is not known")
	}
	liquid := herbGrams * in.MLPerGram
	// The herb itself, as if pressed to its own substance, takes about a millilitre a gram.
	return Infused{liquid, math.Max(liquid+herbGrams, herbGrams*in.PackedMLPerGram), liquid * in.Kept}, nil
}

// Share is a part of a mix, by weight.
type Share struct {
	Name  string
	Parts float64
}

// Mix shares out a weight in grams by parts. An error where there is none, or one is not above 0.
func Mix(total float64, shares []Share) ([]float64, error) {
	if !(total > 0) || math.IsInf(total, 0) {
		return nil, errors.New("a mix weighs more than nothing")
	}
	if len(shares) == 0 {
		return nil, errors.New("a mix has at least one part")
	}
	sum := 0.0
	for _, s := range shares {
		if !(s.Parts > 0) || math.IsInf(s.Parts, 0) {
			return nil, errors.New("each part of a mix is above 0")
		}
		sum += s.Parts
	}
	grams := make([]float64, len(shares))
	for i, s := range shares {
		grams[i] = total * s.Parts / sum
	}
	return grams, nil
}
