package ground

import (
	"fmt"
	"math"
)

// permeability is one class of how fast water goes in, up to a rate in mm an hour.
type permeability struct {
	below float64
	word  string
	// speaksFor is how often such a rate is met on ground of each drainage
	// class, waterlogged first: a guess.
	speaksFor []float64
}

// permeabilities are the classes of the USDA Soil Survey Manual (1993), in inches
// an hour there: 0.06, 0.2, 0.6, 2, 6 and 20.
var permeabilities = []permeability{
	{0.06 * 25.4, "very slow", []float64{1, 0.5, 0.05, 0.02}},
	{0.2 * 25.4, "slow", []float64{0.7, 1, 0.15, 0.03}},
	{0.6 * 25.4, "moderately slow", []float64{0.3, 1, 0.5, 0.05}},
	{2 * 25.4, "moderate", []float64{0.08, 0.4, 1, 0.25}},
	{6 * 25.4, "moderately rapid", []float64{0.03, 0.15, 1, 0.7}},
	{20 * 25.4, "rapid", []float64{0.02, 0.05, 0.5, 1}},
	{math.Inf(1), "very rapid", []float64{0.02, 0.03, 0.25, 1}},
}

// Infiltration returns how fast water goes into wetted ground, in mm an hour, from
// its fall in mm over a time in minutes, and the class of that rate. A fall that
// is negative or of more than 1000 mm, or a time that is not above 0 and at most
// 2880 minutes, is an error.
//
// Source of the classes: USDA Soil Survey Manual (1993), chapter 3.
func Infiltration(fallMM, minutes float64) (mmPerHour float64, class string, err error) {
	if math.IsNaN(fallMM) || fallMM < 0 || fallMM > 1000 {
		return 0, "", fmt.Errorf("a fall of %v mm cannot be; it lies between 0 and 1000 mm", fallMM)
	}
	if math.IsNaN(minutes) || minutes <= 0 || minutes > 2880 {
		return 0, "", fmt.Errorf("%v minutes cannot be; the time lies above 0 and at most at 2880 minutes", minutes)
	}
	rate := fallMM / minutes * 60
	return rate, permeabilityOf(rate).word, nil
}

func permeabilityOf(rate float64) permeability {
	for _, p := range permeabilities {
		if rate < p.below {
			return p
		}
	}
	return permeabilities[len(permeabilities)-1]
}
