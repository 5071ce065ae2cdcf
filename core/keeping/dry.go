// Package keeping is what becomes of what was picked: dried, frozen or made into something, filled into jars, used up.
// It holds the sums of it, and nothing of where the figures come from.
package keeping

import (
	"errors"
	"fmt"
	"math"
)

// DryWeight returns what fresh grams weigh once their share of water went from water to dryWater, both of the whole
// weight (wet basis): what is no water stays. An error where a share is none, or it would grow wetter.
func DryWeight(fresh, water, dryWater float64) (grams float64, err error) {
	switch {
	case !(fresh >= 0) || math.IsInf(fresh, 0):
		return 0, errors.New("the fresh weight is a number of grams, not below 0")
	case !(water >= 0 && water < 1) || !(dryWater >= 0 && dryWater < 1):
		return 0, errors.New("a share of water lies between 0 and 1, and something else is in it too")
	case dryWater > water:
		return 0, fmt.Errorf("it would take up water: %v is more than %v", dryWater, water)
	}
	return fresh * (1 - water) / (1 - dryWater), nil
}

// MoistureRatio returns which share of its first water is still in what was dried for some hours, by the thin-layer
// equation of Page (1949): exp(−k tⁿ), k per hourⁿ. An error where a figure is no such figure.
func MoistureRatio(k, n, hours float64) (float64, error) {
	switch {
	case !(k > 0) || math.IsInf(k, 0):
		return 0, errors.New("k is above 0, per hour")
	case !(n > 0) || n > 10:
		return 0, errors.New("n lies above 0, and mostly near 1")
	case !(hours >= 0):
		return 0, errors.New("the hours are a number, not below 0")
	}
	return moistureRatio(k, n, hours), nil
}

func moistureRatio(k, n, hours float64) float64 { return math.Exp(-k * math.Pow(hours, n)) }

// HoursUntil is how long drying takes until only a share of the first water is left, by the same equation turned
// round; 0 for a share of 1 or more.
func HoursUntil(k, n, ratio float64) float64 {
	if ratio >= 1 {
		return 0
	}
	return math.Pow(-math.Log(ratio)/k, 1/n)
}

// WaterLeft is the ratio, as MoistureRatio tells it, at which a share of water fell from water to done, both of the
// whole weight: the equation holds for water against what is no water.
func WaterLeft(water, done float64) float64 { return done / (1 - done) / (water / (1 - water)) }

const gasConstant, kelvin = 8.314, 273.15 // J/(mol K), K at 0 °C

// Warmer is how many times as quickly something goes on at a temperature as at another, both in °C, by the law of
// Arrhenius (1889) with an energy in kJ/mol.
func Warmer(energy, celsius, reference float64) float64 {
	return math.Exp(-1000 * energy / gasConstant * (1/(celsius+kelvin) - 1/(reference+kelvin)))
}
