package propagation

import (
	"errors"
	"math/rand/v2"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"

	"bramblyacre/core/flora"
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

// Alive is the share of a lot that is alive, over what is not known of how it was when new, of
// its species' half-life in years, and of its store: the shares that the truth lies below with 1, 5
// and 9 in 10.
func (l SeedLot) Alive(halfLife flora.Figure, lore *Lore) [3]float64 {
	const draws = 400
	a := Attempt{Row: flora.Propagation{Way: "seed", SeedLife: &halfLife}, Lore: lore, Lot: &l}
	rng := rand.New(rand.NewPCG(1, 0xa11e))
	shares := make([]float64, draws)
	for i := range shares {
		shares[i] = a.drawAlive(rng)
	}
	slices.Sort(shares)
	return [3]float64{shares[draws/10], shares[draws/2], shares[draws*9/10]}
}
