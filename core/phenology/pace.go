package phenology

import (
	"math"

	"gonum.org/v1/gonum/stat/distuv"

	"bramblyacre/core/flora"
)

// Pace is what is known of how a planting's thermal time to its stages lies against the
// species' usual one, on the scale of logarithms: below 0 for a planting that runs ahead.
// It has three parts, as the mixed models of Laird and Ware 1982 (Biometrics 38:963–974)
// keep them: what lasts with the planting, what is of one year, and for each stage by how
// much the library's figure is off here (the discrepancy of Kennedy and O'Hagan 2001,
// Journal of the Royal Statistical Society B 63:425–464). What lasts is either within the
// usual or, more rarely, far out: two suppositions that are weighed against each other by
// what is seen.
type Pace struct {
	// Seen counts the sightings it has learned from.
	Seen int
	// sequence is the year of life from which the stages are those it has learned of.
	sequence int
	// farOut is the chance, 0–1, that the planting lasts far out of the usual.
	farOut float64
	// beliefs are those of the two suppositions, the usual first.
	beliefs [2]belief
}

const (
	// lastingSpread and farSpread are the standard deviations of what lasts, within the
	// usual and far out of it, and farChance is the chance of the latter; yearSpread is
	// that of what is of one year. Guesses of ours: together they spread a planting that
	// nobody has looked at by about 0.15.
	lastingSpread = 0.10
	farSpread     = 0.28
	farChance     = 0.12
	yearSpread    = 0.04
	// lastingDrift is by how much what lasts moves from year to year, and stageKept how
	// much of a stage's discrepancy is the same the next year.
	lastingDrift = 0.02
	stageKept    = 0.95
)

// Places of the parts in a belief.
const (
	lastingPart = iota
	yearPart
	stageParts // and one for each stage
	parts      = stageParts + 10
)

// belief is a normal distribution over the parts; that of a stage in standard deviations
// of its figure.
type belief struct {
	mean [parts]float64
	cov  [parts][parts]float64
}

// PriorPace returns the pace of a planting that has never been looked at.
func PriorPace() Pace {
	p := Pace{farOut: farChance}
	for i, spread := range []float64{lastingSpread, farSpread} {
		b := &p.beliefs[i]
		b.cov[lastingPart][lastingPart] = spread * spread
		b.cov[yearPart][yearPart] = yearSpread * yearSpread
		for part := stageParts; part < parts; part++ {
			b.cov[part][part] = 1
		}
	}
	return p
}

// NextYear returns the pace to begin the next year with: what lasts stays, what was of
// the year is drawn anew, and the stages' discrepancies fade a little.
func (p Pace) NextYear() Pace {
	for i := range p.beliefs {
		b := &p.beliefs[i]
		b.scale(yearPart, 0, yearSpread*yearSpread)
		b.cov[lastingPart][lastingPart] += lastingDrift * lastingDrift
		for part := stageParts; part < parts; part++ {
			b.scale(part, stageKept, 1-stageKept*stageKept)
		}
	}
	return p
}

// forSequence returns the pace for stages that begin to hold from a year of life:
// what was learned of a seedling's stages says nothing of those of later years.
func (p Pace) forSequence(from int) Pace {
	if p.sequence != 0 && p.sequence != from {
		for i := range p.beliefs {
			for part := stageParts; part < parts; part++ {
				p.beliefs[i].scale(part, 0, 1)
			}
		}
	}
	p.sequence = from
	return p
}

// scale keeps a share of a part, and adds fresh variance to it.
func (b *belief) scale(part int, kept, fresh float64) {
	b.mean[part] *= kept
	for i := range parts {
		b.cov[part][i] *= kept
		b.cov[i][part] *= kept
	}
	b.cov[part][part] += fresh
}

// stagePart is the place of a stage's discrepancy.
func stagePart(stage flora.Stage) int { return stageParts + int(stage) }

// logWarmth returns the mean and the variance of how far a stage's thermal time is off, on the
// log scale, where a standard deviation of its figure is off: the sum of all three parts.
func (b *belief) logWarmth(stage flora.Stage, off float64) (mean, variance float64) {
	s := stagePart(stage)
	mean = b.mean[lastingPart] + b.mean[yearPart] + off*b.mean[s]
	variance = b.cov[lastingPart][lastingPart] + b.cov[yearPart][yearPart] + 2*b.cov[lastingPart][yearPart] +
		2*off*(b.cov[lastingPart][s]+b.cov[yearPart][s]) + off*off*b.cov[s][s]
	return mean, math.Max(variance, 1e-12)
}

// learn takes in that a stage's part, as of returns it, lies between low and high, told
// with a normal error, and returns the chance of that, 0–1. The belief stays normal:
// the first two moments are kept (assumed density filtering, Minka 2001, Uncertainty in
// Artificial Intelligence 17:362–369).
func (b *belief) learn(stage flora.Stage, off, low, high, err float64) (chance float64) {
	mean, variance := b.logWarmth(stage, off)
	spread := math.Sqrt(variance + err*err)
	zLow, zHigh := (low-mean)/spread, (high-mean)/spread
	chance = normalBetween(zLow, zHigh)
	if chance < 1e-12 {
		return chance // as good as impossible: what follows would only be rounding
	}
	densityLow, densityHigh := density(zLow), density(zHigh)
	slope := (densityLow - densityHigh) / chance
	curve := (times(zLow, densityLow)-times(zHigh, densityHigh))/chance - slope*slope
	s := stagePart(stage)
	var gain [parts]float64
	for i := range parts {
		gain[i] = b.cov[i][lastingPart] + b.cov[i][yearPart] + off*b.cov[i][s]
	}
	for i := range parts {
		b.mean[i] += gain[i] * slope / spread
		for j := range parts {
			b.cov[i][j] += gain[i] * gain[j] * curve / (spread * spread)
		}
	}
	return chance
}

// blend returns the normal distribution with the moments of a mixture of beliefs, whose
// weights sum to 1.
func blend(beliefs []belief, weights []float64) (b belief) {
	for n, w := range weights {
		for i := range parts {
			b.mean[i] += w * beliefs[n].mean[i]
		}
	}
	for n, w := range weights {
		if w == 0 {
			continue
		}
		var off [parts]float64
		for i := range parts {
			off[i] = beliefs[n].mean[i] - b.mean[i]
		}
		for i := range parts {
			for j := range parts {
				b.cov[i][j] += w * (beliefs[n].cov[i][j] + off[i]*off[j])
			}
		}
	}
	return b
}

// Quantile returns the pace ρ below which the truth lies with chance q, 0–1: the factor
// on the usual thermal time that holds for the planting in this year.
func (p Pace) Quantile(q float64) float64 {
	low, high := -3.0, 3.0
	for range 50 {
		middle := (low + high) / 2
		if p.below(middle) < q {
			low = middle
		} else {
			high = middle
		}
	}
	return math.Exp((low + high) / 2)
}

// below is the chance that the logarithm of the pace lies below a value.
func (p Pace) below(logRho float64) (chance float64) {
	for i, weight := range []float64{1 - p.farOut, p.farOut} {
		mean, variance := p.beliefs[i].logWarmth(flora.Resting, 0)
		chance += weight * distuv.UnitNormal.CDF((logRho-mean)/math.Sqrt(variance))
	}
	return chance
}

func density(z float64) float64 { return math.Exp(-z*z/2) / math.Sqrt(2*math.Pi) }

// times is z times a density, 0 at either infinity.
func times(z, density float64) float64 {
	if math.IsInf(z, 0) {
		return 0
	}
	return z * density
}

// normalBetween is the chance of a standard normal between two bounds, exact in either
// tail.
func normalBetween(low, high float64) float64 {
	if low > 0 {
		low, high = -high, -low
	}
	return math.Max(0, distuv.UnitNormal.CDF(high)-distuv.UnitNormal.CDF(low))
}
