package ground

import (
	"math"

	"bramblyacre/core/flora"
)

// Evidence is something that speaks for some classes of an aspect and against
// others.
type Evidence struct {
	// ID and Name say what it is; From says where it comes from in the
	// grower's words.
	ID, Name, From string
	Aspect         string
	// Likelihood is, for each class, how often this is met there, the best at 1.
	Likelihood []float64
	// Standing is what the likelihood rests on.
	Standing flora.Standing
}

// Strength says how strongly evidence speaks: by the ratio between the class it
// goes with best and the mean of the others.
func (e Evidence) Strength() string {
	best, sum := 0.0, 0.0
	for _, l := range e.Likelihood {
		best = math.Max(best, l)
		sum += l
	}
	others := (sum - best) / math.Max(1, float64(len(e.Likelihood)-1))
	switch ratio := best / math.Max(others, 1e-6); {
	case ratio >= 6:
		return "strong"
	case ratio >= 2.2:
		return "fair"
	}
	return "slight"
}

// Belief is how sure we are of each class of an aspect.
type Belief struct {
	Aspect Aspect
	// Chance sums to 1.
	Chance   []float64
	Evidence []Evidence
	// Against are pairs of evidence, by their places, that cannot well both
	// hold.
	Against [][2]int
}

// contradiction is how little two pieces of evidence may go together in any class
// before they are said to contradict each other.
const contradiction = 0.2

// Weigh returns the belief that evidence adds up to, from a flat start (Bayes'
// rule; the pieces are taken as independent). Evidence for other aspects is
// passed over.
func Weigh(aspect Aspect, evidence []Evidence) Belief {
	b := Belief{Aspect: aspect, Chance: make([]float64, len(aspect.Words))}
	for i := range b.Chance {
		b.Chance[i] = 1
	}
	for _, e := range evidence {
		if e.Aspect != aspect.ID || len(e.Likelihood) != len(aspect.Words) {
			continue
		}
		for j, earlier := range b.Evidence {
			together := 0.0
			for i := range e.Likelihood {
				together = math.Max(together, e.Likelihood[i]*earlier.Likelihood[i])
			}
			if together < contradiction {
				b.Against = append(b.Against, [2]int{j, len(b.Evidence)})
			}
		}
		b.Evidence = append(b.Evidence, e)
		for i, l := range e.Likelihood {
			b.Chance[i] *= math.Max(l, 1e-4)
		}
		// Scaled after each piece: many that contradict would sink all to 0.
		scaledToBest(b.Chance)
	}
	sum := 0.0
	for _, c := range b.Chance {
		sum += c
	}
	for i := range b.Chance {
		b.Chance[i] /= sum
	}
	return b
}

// Likeliest returns the class with the highest chance, by its place, and the
// chance.
func (b Belief) Likeliest() (class int, chance float64) {
	for i, c := range b.Chance {
		if c > chance {
			class, chance = i, c
		}
	}
	return class, chance
}

// Known tells whether anything at all speaks for a class.
func (b Belief) Known() bool { return len(b.Evidence) > 0 }

// Mean returns the mean place on the numeric scale, in the aspect's unit.
func (b Belief) Mean() float64 {
	mean := 0.0
	for i, c := range b.Chance {
		mean += c * b.Aspect.Values[i]
	}
	return mean
}

// Certain returns the belief that a value on the numeric scale is right: all the
// chance on the one or two classes nearest to it.
func Certain(aspect Aspect, value float64) Belief {
	b := Belief{
		Aspect:   aspect,
		Chance:   make([]float64, len(aspect.Words)),
		Evidence: []Evidence{{ID: "certain", Name: "taken as certain", Aspect: aspect.ID}},
	}
	values := aspect.Values
	value = math.Max(values[0], math.Min(values[len(values)-1], value))
	for i := 1; i < len(values); i++ {
		if values[i] > values[i-1] && value <= values[i] {
			share := (value - values[i-1]) / (values[i] - values[i-1])
			b.Chance[i-1], b.Chance[i] = 1-share, share
			return b
		}
	}
	b.Chance[0] = 1
	return b
}

// scaledToBest scales likelihoods so that the best is 1.
func scaledToBest(chance []float64) []float64 {
	best := 0.0
	for _, c := range chance {
		best = math.Max(best, c)
	}
	if best > 0 {
		for i := range chance {
			chance[i] /= best
		}
	}
	return chance
}
