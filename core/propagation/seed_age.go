package propagation

import (
	"errors"

	"gonum.org/v1/gonum/stat/distuv"
)

// Viability returns the share of a seed lot (0–1) that is alive after so many years, from the
// share that was when it was new and sigma, the standard deviation of single seeds' lives in
// years. A share outside 0–1, negative years or a sigma not above 0 are errors.
//
// Source: Ellis and Roberts 1980, Annals of Botany 45:13–30: ν = Kᵢ − t/σ in probits.
func Viability(whenNew, years, sigma float64) (float64, error) {
	switch {
	case !(whenNew > 0 && whenNew < 1):
		return 0, errors.New("the viability of new seed must lie between 0 and 1, both outside")
	case !(years >= 0):
		return 0, errors.New("the years must be 0 or more: a lot cannot be of tomorrow")
	case !(sigma > 0):
		return 0, errors.New("sigma must be above 0 years")
	}
	return distuv.UnitNormal.CDF(distuv.UnitNormal.Quantile(whenNew) - years/sigma), nil
}

// SigmaOfHalfLife returns the sigma of Viability with which half of the seed that was alive
// when new, a share of 0–1, is dead after a number of years: the figure that a library keeps
// turned into the one that the equation asks for.
func SigmaOfHalfLife(whenNew, halfLifeYears float64) (float64, error) {
	if !(whenNew > 0 && whenNew < 1) || !(halfLifeYears > 0) {
		return 0, errors.New("the viability of new seed must lie between 0 and 1, the half-life above 0 years")
	}
	probits := distuv.UnitNormal.Quantile(whenNew) - distuv.UnitNormal.Quantile(whenNew/2)
	return halfLifeYears / probits, nil
}
