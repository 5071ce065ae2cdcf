package keeping

import (
	"math"

	"gonum.org/v1/gonum/stat/distuv"
)

// Amount is an amount in grams that is believed to be so, give or take.
type Amount struct{ Mean, Deviation float64 }

// Yields is what plants bear in a year, in grams dried: Each of one plant, Years how much good and bad years differ, as
// a share, for all plants at once.
type Yields struct {
	Each  Amount
	Years float64
}

// FallsShort is the chance that so many plants bear less in a year than is needed, 0 to 1. Both the need and the yield
// are taken for log-normal: neither is below nothing, and each may be much larger than expected.
func FallsShort(plants int, y Yields, need Amount) float64 {
	if need.Mean <= 0 {
		return 0
	}
	if plants <= 0 || y.Each.Mean <= 0 {
		return 1
	}
	n := float64(plants)
	needMiddle, needSigma := logNormal(need.Mean, need.Deviation)
	// The plants differ by themselves; the year is good or bad for all of them.
	own := y.Each.Deviation / y.Each.Mean / math.Sqrt(n)
	yieldMiddle, yieldSigma := logNormal(n*y.Each.Mean, n*y.Each.Mean*math.Hypot(own, y.Years))
	sigma := math.Hypot(needSigma, yieldSigma)
	if sigma == 0 {
		if n*y.Each.Mean < need.Mean {
			return 1
		}
		return 0
	}
	return distuv.UnitNormal.CDF((needMiddle - yieldMiddle) / sigma)
}

// logNormal are the middle and the spread of the logarithm of what has a mean and a deviation.
func logNormal(mean, deviation float64) (middle, sigma float64) {
	s2 := math.Log1p(deviation * deviation / (mean * mean))
	return math.Log(mean) - s2/2, math.Sqrt(s2)
}

// mostPlants is the most that PlantsFor counts up to: more than any garden has.
const mostPlants = 100000

// PlantsFor is the least number of plants that fall short of a need no more often than a chance; false where no number
// of them does, as where the years differ too much.
func PlantsFor(y Yields, need Amount, chance float64) (plants int, can bool) {
	if need.Mean <= 0 {
		return 0, true
	}
	low, high := 0, 1
	for FallsShort(high, y, need) > chance {
		if low, high = high, 2*high; high > mostPlants {
			return 0, false
		}
	}
	for low+1 < high {
		if middle := (low + high) / 2; FallsShort(middle, y, need) > chance {
			low = middle
		} else {
			high = middle
		}
	}
	return high, true
}
