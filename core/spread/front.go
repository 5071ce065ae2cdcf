package spread

import (
	"errors"
	"math"

	"gonum.org/v1/gonum/stat/distuv"

	"bramblyacre/core/flora"
)

// inRange is the quantile that a range's high end stands for: of ten fronts nine are within it.
const inRange = 0.95

// Rate is how fast a front is: lognormal, in metres a year on open loose ground.
type Rate struct {
	// MedianM is the middle in metres a year, Sigma the standard deviation of its logarithm.
	MedianM, Sigma float64
	// lowM and highM bound what nobody saw; both 0 for no bounds.
	lowM, highM float64
}

// RateOf is the rate that a figure in metres a year tells: its range holds nine in ten, and what no look has shown is
// hardly looked for outside of it.
func RateOf(f flora.Figure) Rate {
	z := distuv.UnitNormal.Quantile(inRange)
	r := Rate{MedianM: f.Value, lowM: f.Low, highM: f.High}
	switch {
	case f.Value <= 0:
		r.Sigma = 0
	case f.Low > 0:
		r.Sigma = math.Log(f.High/f.Low) / (2 * z)
	default: // the range begins at nothing: only its upper half tells
		r.Sigma = math.Log(f.High/f.Value) / z
	}
	return r
}

// FrontYears is how many years a front of a rate takes for a distance in metres in one, five and nine of ten cases;
// an error for a rate, spread or distance that cannot be.
func FrontYears(rateM, sigma, distanceM float64) (p10, p50, p90 float64, err error) {
	switch {
	case !(rateM > 0) || math.IsInf(rateM, 0):
		return 0, 0, 0, errors.New("the rate must be above 0 m a year")
	case !(sigma >= 0) || sigma > 5:
		return 0, 0, 0, errors.New("sigma must lie between 0 and 5")
	case !(distanceM >= 0) || math.IsInf(distanceM, 0):
		return 0, 0, 0, errors.New("the distance must not be below 0 m")
	}
	z := distuv.UnitNormal.Quantile(0.9)
	p50 = distanceM / rateM
	return p50 * math.Exp(-sigma*z), p50, p50 * math.Exp(sigma*z), nil
}

// SightingKind is what somebody saw of a front.
type SightingKind string

// The kinds.
const (
	// Farthest is the place that a front has come to, AtLeast one that it has passed, AtMost one that it has not.
	Farthest SightingKind = "farthest"
	AtLeast  SightingKind = "at least"
	AtMost   SightingKind = "at most"
)

// Sighting is where a front was seen.
type Sighting struct {
	Kind SightingKind
	// WayM is how far that is in metres from where it began by the way it goes, Years how many years of growth it had.
	WayM, Years float64
	// Held is true where work held it meanwhile, so that it tells nothing of how fast it is by itself.
	Held bool
}

// seeing is how far off a look is, and how uneven a front: the standard deviation of the logarithm of a distance. A
// guess of ours.
const seeing = 0.2

// leastYears keeps a sighting soon after the start from telling too much.
const leastYears = 0.25

// outsideRange is how likely a speed outside a figure's range is held to be, against what the lognormal says: only
// looks bring it there.
const outsideRange = 0.02

// steps is how finely a rate is told.
const steps = 601

// Speeds are the speeds in metres a year at quantiles, 0–1, by a rate and all that was seen.
func (r Rate) Speeds(seen []Sighting, quantiles []float64) []float64 {
	speeds := make([]float64, len(quantiles))
	if r.MedianM <= 0 {
		return speeds
	}
	if r.Sigma == 0 && len(seen) == 0 {
		for i := range speeds {
			speeds[i] = r.MedianM
		}
		return speeds
	}
	const sigmas = 6
	sigma := math.Max(r.Sigma, 0.05)
	logs, cumulative := make([]float64, steps), make([]float64, steps+1)
	for i := range steps {
		z := sigmas * (2*float64(i)/(steps-1) - 1)
		logs[i] = math.Log(r.MedianM) + sigma*z
		v := math.Exp(logs[i])
		weight := distuv.UnitNormal.Prob(z)
		if r.highM > 0 && (v < r.lowM || v > r.highM) {
			weight *= outsideRange
		}
		for _, s := range seen {
			weight *= s.likelihood(v)
		}
		cumulative[i+1] = cumulative[i] + weight
	}
	all := cumulative[steps]
	if !(all > 0) { // what was seen contradicts itself
		return r.Speeds(nil, quantiles)
	}
	for i, q := range quantiles {
		speeds[i] = math.Exp(quantileOf(logs, cumulative, q*all))
	}
	return speeds
}

// quantileOf is the value up to which a cumulative weight lies, each value's weight taken as spread evenly over its
// step.
func quantileOf(values, cumulative []float64, weight float64) float64 {
	low, high := 0, len(values)-1
	for low < high {
		if middle := (low + high) / 2; cumulative[middle+1] < weight {
			low = middle + 1
		} else {
			high = middle
		}
	}
	step, inside := values[1]-values[0], 0.5
	if own := cumulative[low+1] - cumulative[low]; own > 0 {
		inside = (weight - cumulative[low]) / own
	}
	return values[low] + step*(inside-0.5)
}

// likelihood is how likely a sighting is at a speed in metres a year.
func (s Sighting) likelihood(speed float64) float64 {
	if s.Held || s.WayM <= 0 {
		return 1
	}
	z := (math.Log(speed*math.Max(s.Years, leastYears)) - math.Log(s.WayM)) / seeing
	switch s.Kind {
	case Farthest:
		return distuv.UnitNormal.Prob(z)
	case AtLeast:
		return distuv.UnitNormal.CDF(z)
	}
	return distuv.UnitNormal.CDF(-z)
}
