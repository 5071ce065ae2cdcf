// Package propagation answers the question of a grower who makes more of a plant: which way,
// from what, when, how many to start, in what, and where each came from. Everything is a
// function of its arguments: dates, weather, figures and random sources come in.
package propagation

import (
	"errors"
	"fmt"
	"math"

	"gonum.org/v1/gonum/mathext"
	"gonum.org/v1/gonum/stat/distuv"
)

// MostStarts is the most that anybody starts of one thing at once here: beyond it the answer
// is that the way does not do.
const MostStarts = 100_000

// ErrTooMany is returned where even MostStarts would not be enough.
var ErrTooMany = fmt.Errorf("more than %d would have to be started", MostStarts)

// checkWanted refuses numbers that ask for nothing.
func checkWanted(wanted int, confidence float64) error {
	switch {
	case wanted < 1:
		return errors.New("the number wanted must be 1 or more")
	case wanted > MostStarts:
		return fmt.Errorf("the number wanted must be %d or less", MostStarts)
	case !(confidence > 0 && confidence < 1):
		return errors.New("the confidence must lie between 0 and 1, both outside: nothing is certain")
	}
	return nil
}

// Starts returns the least number to start so that with a confidence (0–1) at least as many as
// are wanted come through, where each does with a chance (0–1) and none minds the other: the
// smallest n with P(Binomial(n, chance) ≥ wanted) ≥ confidence. A chance of 0, or one so small
// that more than MostStarts were needed, is an error.
func Starts(wanted int, chance, confidence float64) (int, error) {
	if err := checkWanted(wanted, confidence); err != nil {
		return 0, err
	}
	if !(chance > 0 && chance <= 1) {
		return 0, errors.New("the chance must lie above 0 and be no more than 1")
	}
	return leastStarts(wanted, confidence, func(n int) float64 { return AtLeast(wanted, n, chance) })
}

// AtLeast returns P(Binomial(n, chance) ≥ wanted), by the incomplete beta function.
func AtLeast(wanted, n int, chance float64) float64 {
	switch {
	case wanted <= 0:
		return 1
	case n < wanted || !(chance > 0):
		return 0
	case chance >= 1:
		return 1
	}
	return mathext.RegIncBeta(float64(wanted), float64(n-wanted+1), chance)
}

// Share is what is known of the share of starts that come through one step: a Beta
// distribution. After a test in which Good of Tried came up, on a flat start, it is
// Beta(1 + good, 1 + tried − good).
type Share struct{ Alpha, Beta float64 }

// Tested is what a test says of a share: how many of those tried came up. A test of nothing,
// or one in which more came up than were tried, is an error.
func Tested(cameUp, tried int) (Share, error) {
	switch {
	case tried < 1:
		return Share{}, errors.New("a test needs 1 seed or more: of 0 nothing can be said")
	case cameUp < 0:
		return Share{}, errors.New("fewer than 0 cannot have come up")
	case cameUp > tried:
		return Share{}, fmt.Errorf("%d cannot have come up of %d", cameUp, tried)
	}
	return Share{1 + float64(cameUp), 1 + float64(tried-cameUp)}, nil
}

// Mean is the expected share.
func (s Share) Mean() float64 { return s.Alpha / (s.Alpha + s.Beta) }

// Quantile is the share below which the truth lies with a chance of q, 0–1.
func (s Share) Quantile(q float64) float64 {
	return distuv.Beta{Alpha: s.Alpha, Beta: s.Beta}.Quantile(q)
}

// Seen is the share after more were counted: so many came up of so many.
func (s Share) Seen(cameUp, of int) Share {
	return Share{s.Alpha + float64(cameUp), s.Beta + float64(of-cameUp)}
}

// StartsTested is Starts where the chance rests on a test: each start comes through with a
// chance that is itself in doubt by share. It is the smallest n at which the beta-binomial's
// P(X ≥ wanted) is the confidence or more.
func StartsTested(wanted int, share Share, confidence float64) (int, error) {
	if err := checkWanted(wanted, confidence); err != nil {
		return 0, err
	}
	if !(share.Alpha > 0 && share.Beta > 0) {
		return 0, errors.New("the share is not known")
	}
	return leastStarts(wanted, confidence, func(n int) float64 { return AtLeastTested(wanted, n, share) })
}

// AtLeastTested returns P(BetaBinomial(n, share) ≥ wanted), summed over the smaller tail.
func AtLeastTested(wanted, n int, share Share) float64 {
	switch {
	case wanted <= 0:
		return 1
	case n < wanted:
		return 0
	}
	low, high, upper := wanted, n, true
	if wanted-1 < n-wanted {
		low, high, upper = 0, wanted-1, false
	}
	sum := 0.0
	for k := low; k <= high; k++ {
		sum += math.Exp(logBetaBinomial(k, n, share))
	}
	if !upper {
		sum = 1 - sum
	}
	return min(max(sum, 0), 1)
}

func logBetaBinomial(k, n int, share Share) float64 {
	x, of := float64(k), float64(n)
	return lgamma(of+1) - lgamma(x+1) - lgamma(of-x+1) +
		mathext.Lbeta(x+share.Alpha, of-x+share.Beta) - mathext.Lbeta(share.Alpha, share.Beta)
}

func lgamma(x float64) float64 {
	value, _ := math.Lgamma(x)
	return value
}

// leastStarts is the smallest n, from wanted on, at which a chance that rises with n reaches
// the confidence: doubled until it does, then halved in.
func leastStarts(wanted int, confidence float64, chance func(n int) float64) (int, error) {
	low, high := wanted, wanted
	for chance(high) < confidence {
		if high >= MostStarts {
			return 0, ErrTooMany
		}
		low, high = high+1, min(high*2, MostStarts)
	}
	for low < high {
		middle := (low + high) / 2
		if chance(middle) >= confidence {
			high = middle
		} else {
			low = middle + 1
		}
	}
	return low, nil
}
