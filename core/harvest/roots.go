package harvest

import (
	"errors"
	"math"
	"math/rand/v2"
	"slices"

	"gonum.org/v1/gonum/stat"
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
	// BackAt is the year of life at which what goes back begins: 0 or 1 for a crown, later for a plant of which only a
	// part was broken off.
	BackAt int
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
	case s.BackAt < 0 || s.BackAt > s.FirstYear:
		return errors.New("what goes back begins no later than at the first year of lifting")
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
		stand := s.start()
		short := false
		for range years {
			if short = stand.old() < float64(take); short {
				break
			}
			stand.year(float64(take), luck)
		}
		if !short && total(stand.ages) >= s.total() {
			kept++
		}
	}
	return float64(kept) / rootRuns
}

// RootFuture is what becomes of a stand, year by year from this one on: how many plants it has, in so many of ten
// futures no more than each.
type RootFuture struct {
	Low, Middle, High []float64
	// Lifted is how many roots were lifted in all, the mean of the futures; Keeps the share of the futures in which no
	// fewer plants stand at the end than today.
	Lifted, Keeps float64
}

// FutureOf returns what becomes of a stand of which a share of the plants of age, rounded down to whole ones, is lifted
// every year: in one future of ten it has no more plants than Low, in nine of ten no more than High.
func (s RootStand) FutureOf(share float64, years int, seed uint64) (f RootFuture, err error) {
	if err := s.Check(); err != nil {
		return f, err
	}
	if years < 1 || years > 200 || !(share >= 0 && share <= 1) {
		return f, errors.New("years lie from 1 to 200, and the share from 0 to 1")
	}
	plants := make([][]float64, years+1)
	for run := range rootRuns {
		luck := rand.New(rand.NewPCG(seed, uint64(run)))
		stand := s.start()
		plants[0] = append(plants[0], total(stand.ages))
		for year := range years {
			take := math.Floor(share*stand.old() + 1e-9)
			f.Lifted += take / rootRuns
			stand.year(take, luck)
			plants[year+1] = append(plants[year+1], total(stand.ages))
		}
		if total(stand.ages) >= s.total() {
			f.Keeps += 1.0 / rootRuns
		}
	}
	for _, year := range plants {
		slices.Sort(year)
		at := func(p float64) float64 { return stat.Quantile(p, stat.Empirical, year, nil) }
		f.Low, f.Middle, f.High = append(f.Low, at(0.1)), append(f.Middle, at(0.5)), append(f.High, at(0.9))
	}
	return f, nil
}

func (s RootStand) total() float64 { return total(s.Ages) }

// growing is a stand in one future.
type growing struct {
	RootStand
	ages []float64
}

func (s RootStand) start() *growing { return &growing{s, slices.Clone(s.Ages)} }

// old is how many plants are old enough to be lifted.
func (g *growing) old() float64 { return g.ages[len(g.ages)-1] }

// year lifts so many of the plants of age and lets a year pass: plants die, age and leave young ones.
func (g *growing) year(take float64, luck *rand.Rand) {
	old := len(g.ages) - 1
	vary := g.YearSigma * luck.NormFloat64()
	survival := g.Survival
	if g.Survival < 1 {
		odds := g.Survival / (1 - g.Survival) * math.Exp(vary)
		survival = odds / (1 + odds)
	}
	g.ages[old] -= take
	back := binomial(take, g.Replanted, luck)
	young := poisson(g.ages[old]*g.Offspring*math.Exp(vary), luck)
	for k := range g.ages {
		g.ages[k] = binomial(g.ages[k], survival, luck)
	}
	back = binomial(back, survival, luck)
	for k := old; k > 0; k-- {
		g.ages[k] += g.ages[k-1]
		g.ages[k-1] = 0
	}
	g.ages[max(0, g.BackAt-1)] += back
	if g.Room > 0 {
		young = min(young, math.Max(0, g.Room-total(g.ages)))
	}
	g.ages[0] += young
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
