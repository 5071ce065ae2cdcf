package phenology

import (
	"math"
	"sync"

	"gonum.org/v1/gonum/stat/distuv"
)

// Pace is what is known of a planting's pace ρ: its thermal time to each stage
// relative to the species' usual one, below 1 for a planting that runs ahead.
// It is a probability on a grid of ln ρ.
type Pace struct {
	// Seen counts the sightings it has learned from.
	Seen    int
	weights [gridSize]float64
}

const (
	// PriorSpread is the standard deviation of ln ρ before anything was seen.
	PriorSpread = 0.12
	// carriedOver is how much of a year's pace holds in the next: the same
	// ground and the same plants, another year.
	carriedOver = 0.7

	gridSize = 121
	gridStep = 0.01
	gridLow  = -gridStep * (gridSize - 1) / 2
)

func logRhoAt(i int) float64 { return gridLow + gridStep*float64(i) }

// PriorPace returns the pace of a planting that has never been looked at:
// lognormal about 1 with PriorSpread.
func PriorPace() Pace {
	var p Pace
	normal := distuv.Normal{Mu: 0, Sigma: PriorSpread}
	for i := range p.weights {
		p.weights[i] = normal.Prob(logRhoAt(i))
	}
	p.normalise()
	return p
}

func (p *Pace) normalise() {
	sum := 0.0
	for _, w := range p.weights {
		sum += w
	}
	for i := range p.weights {
		p.weights[i] /= sum
	}
}

// carryKernel[j][i] is the chance that a pace at grid point j is at i next year.
var carryKernel = sync.OnceValue(func() *[gridSize][gridSize]float64 {
	var kernel [gridSize][gridSize]float64
	drift := PriorSpread * math.Sqrt(1-carriedOver*carriedOver)
	for j := range kernel {
		normal := distuv.Normal{Mu: carriedOver * logRhoAt(j), Sigma: drift}
		sum := 0.0
		for i := range kernel[j] {
			kernel[j][i] = normal.Prob(logRhoAt(i))
			sum += kernel[j][i]
		}
		for i := range kernel[j] {
			kernel[j][i] /= sum
		}
	}
	return &kernel
})

// NextYear returns the pace to begin the next year with: drawn back toward 1
// and widened, so that a planting left alone returns to the prior. It is a
// first-order autoregressive step of ln ρ that leaves the prior unchanged.
func (p Pace) NextYear() Pace {
	kernel := carryKernel()
	next := Pace{Seen: p.Seen}
	for j, w := range p.weights {
		if w < 1e-9 {
			continue
		}
		for i, chance := range kernel[j] {
			next.weights[i] += w * chance
		}
	}
	next.normalise()
	return next
}

// Quantile returns the pace ρ below which the truth lies with chance q, 0–1.
func (p Pace) Quantile(q float64) float64 { return math.Exp(p.logQuantile(q)) }

func (p Pace) logQuantile(q float64) float64 {
	sum := 0.0
	for i, w := range p.weights {
		if sum+w >= q && w > 0 {
			return logRhoAt(i) + gridStep*((q-sum)/w-0.5)
		}
		sum += w
	}
	return logRhoAt(gridSize - 1)
}

// logQuantiles returns n evenly spread quantiles of ln ρ, lowest first.
func (p Pace) logQuantiles(n int) []float64 {
	quantiles := make([]float64, n)
	sum, i := 0.0, 0
	for k := range quantiles {
		q := (float64(k) + 0.5) / float64(n)
		for i < gridSize-1 && sum+p.weights[i] < q {
			sum += p.weights[i]
			i++
		}
		within := 0.5
		if p.weights[i] > 0 {
			within = math.Min(1, (q-sum)/p.weights[i])
		}
		quantiles[k] = logRhoAt(i) + gridStep*(within-0.5)
	}
	return quantiles
}
