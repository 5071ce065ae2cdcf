package harvest

import (
	"errors"
	"math"
	"math/rand/v2"

	"gonum.org/v1/gonum/stat/distuv"
)

// RootStand is a stand whose roots are lifted year after year, by the ages of its plants.
type RootStand struct {
	// Ages are how many plants there are of each year of life, the first first; the last holds all of FirstYear and older.
	Ages []float64
	// FirstYear is the year of life from which a root may be lifted.
	FirstYear int
	// Survival is the share of plants that see the next year, Offspring how many young plants one of age leaves in a year,
	// Replanted the share of what is lifted whose crown with buds goes back and begins anew.
	Survival, Offspring, Replanted float64
	// YearSigma is how much the years differ: the standard deviation of the logarithm of the odds of surviving, and of the
	// number of offspring.
	YearSigma float64
	// Room is how many plants the ground holds: what comes up beyond it finds no place. 0 for no bound.
	Room float64
}

// rootRuns is how many futures a take is judged by.
const rootRuns = 400

// Check returns what is wrong with a stand.
func (s RootStand) Check() error {
	switch {
	case s.FirstYear < 1 || s.FirstYear > 50:
		return errors.New("the first year of lifting lies from 1 to 50")
	case len(s.Ages) != s.FirstYear:
		return errors.New("ages must have one number for each year up to the first of lifting")
	case !(s.Survival >= 0 && s.Survival <= 1), !(s.Replanted >= 0 && s.Replanted <= 1):
		return errors.New("shares lie from 0 to 1")
	case !(s.Offspring >= 0 && s.Offspring <= 1000):
		return errors.New("offspring lie from 0 to 1000 a plant and year")
	case !(s.YearSigma >= 0 && s.YearSigma <= 3):
		return errors.New("how much years differ lies from 0 to 3")
	case !(s.Room >= 0):
		return errors.New("room lies from 0 on")
	}
	for _, plants := range s.Ages {
		if !(plants >= 0 && plants <= 100_000) || plants != math.Trunc(plants) {
			return errors.New("plants are whole numbers up to 100 000")
		}
	}
	return nil
}

// SteadyTake returns the greatest number of roots that may be lifted every year for so many years, so that in a share
// keep of the simulated futures the stand then has no fewer plants than today, and had enough plants of age in every
// year. A stage-structured model (Lefkovitch 1965) with the chance of each plant and of each year; all takes are
// judged by the same seeds.
func (s RootStand) SteadyTake(years int, keep float64, seed uint64) (take int, err error) {
	if err := s.Check(); err != nil {
		return 0, err
	}
	if years < 1 || years > 200 || !(keep > 0 && keep <= 1) {
		return 0, errors.New("years lie from 1 to 200, and the share that keeps the stand above 0 and up to 1")
	}
	low, high := 0, int(s.total())
	for low < high {
		middle := (low + high + 1) / 2
		if s.Keeps(middle, years, seed) >= keep {
			low = middle
		} else {
			high = middle - 1
		}
	}
	return low, nil
}

// Keeps returns the share of simulated futures in which a yearly take leaves no fewer plants than today and never wants
// for plants of age.
func (s RootStand) Keeps(take, years int, seed uint64) float64 {
	kept := 0
	for run := range rootRuns {
		luck := rand.New(rand.NewPCG(seed, uint64(run)))
		if left, short := s.future(take, years, luck); !short && left >= s.total() {
			kept++
		}
	}
	return float64(kept) / rootRuns
}

func (s RootStand) total() (plants float64) {
	for _, n := range s.Ages {
		plants += n
	}
	return plants
}

// future is how many plants stand after so many years of a take, and whether it was ever short of plants of age.
func (s RootStand) future(take, years int, luck *rand.Rand) (plants float64, short bool) {
	ages := append([]float64(nil), s.Ages...)
	old := len(ages) - 1
	for range years {
		year := s.YearSigma * luck.NormFloat64()
		odds := s.Survival / (1 - s.Survival) * math.Exp(year)
		survival := s.Survival
		if s.Survival < 1 {
			survival = odds / (1 + odds)
		}
		if ages[old] < float64(take) {
			return 0, true
		}
		ages[old] -= float64(take)
		crowns := binomial(float64(take), s.Replanted, luck)
		young := poisson(ages[old]*s.Offspring*math.Exp(year), luck)
		for k := range ages {
			ages[k] = binomial(ages[k], survival, luck)
		}
		crowns = binomial(crowns, survival, luck)
		for k := old; k > 0; k-- {
			ages[k] += ages[k-1]
			ages[k-1] = 0
		}
		ages[0] += crowns
		if s.Room > 0 {
			young = min(young, math.Max(0, s.Room-total(ages)))
		}
		ages[0] += young
	}
	return total(ages), false
}

func total(ages []float64) (all float64) {
	for _, n := range ages {
		all += n
	}
	return all
}

func binomial(n, p float64, luck *rand.Rand) float64 {
	switch {
	case n <= 0 || p <= 0:
		return 0
	case p >= 1:
		return n
	}
	return distuv.Binomial{N: n, P: p, Src: luck}.Rand()
}

func poisson(mean float64, luck *rand.Rand) float64 {
	if mean <= 0 {
		return 0
	}
	return distuv.Poisson{Lambda: mean, Src: luck}.Rand()
}
