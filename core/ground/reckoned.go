package ground

import (
	"fmt"
	"math"

	"bramblyacre/core/flora"
)

// goneOf is the share of the available water that is gone in the mean of a growing season in ground of each word of
// moisture, and goneError how much beds of a word differ in it: guesses of ours, from dry ground that has lost most of
// it to wet that stands above what it holds.
var goneOf = map[string]float64{"dry": 0.75, "fresh": 0.45, "moist": 0.2, "wet": -0.1}

const goneError = 0.2

// ReckonedMoisture is what a reckoning of the ground's water says of its moisture: by the share of the available water
// that was gone in the mean of so many days, below 0 where it stood above what the ground holds.
func ReckonedMoisture(gone float64, days int) []Evidence {
	aspect, err := AspectOf(Moisture)
	if err != nil {
		return nil
	}
	likelihood := make([]float64, len(aspect.Words))
	for i, word := range aspect.Words {
		off := (gone - goneOf[word]) / goneError
		likelihood[i] = math.Exp(-off * off / 2)
	}
	name := fmt.Sprintf("%.0f %% of what it can hold was gone", 100*math.Max(0, gone))
	if gone < 0 {
		name = "it stood above what it can hold"
	}
	return []Evidence{{
		ID: "reckoned", Name: name, From: fmt.Sprintf("reckoned from the weather of %d days", days), Aspect: Moisture,
		Likelihood: scaledToBest(likelihood), Standing: flora.Guess,
	}}
}
