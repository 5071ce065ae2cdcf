package keeping

import (
	"math"
	"sort"
)

// Spread is a figure that is not known for certain: its middle, and the bounds between which it lies 8 times in 10.
type Spread struct{ Value, Low, High float64 }

// Drying is what is known of how a tray dries before it is weighed.
type Drying struct {
	// Fresh is its weight in grams when it was loaded.
	Fresh float64
	// Rate is k of Page's equation at the drier's warmth, per hour to the power of Exponent.
	Rate, Exponent Spread
	// Water is the share of water in it as it was loaded, Done that at which it keeps, both of the whole weight.
	Water Spread
	Done  float64
}

// Weighing is what a tray weighed after some hours in the drier.
type Weighing struct{ Hours, Grams float64 }

// Finish is when a tray is dry, in hours since it was loaded: as likely before Middle as after, and 8 times in 10
// between Early and Late.
type Finish struct {
	Early, Middle, Late float64
	// Grams is what it weighs then, in the middle.
	Grams float64
}

// DryingForecast is what is believed of how a tray dries: which rates, exponents and shares of water go with what was
// weighed, and how well each does.
type DryingForecast struct {
	drying Drying
	nodes  []dryingNode
}

type dryingNode struct{ rate, exponent, water, weight float64 }

// How far a weighing is off: the tray, the scale and what clings, as a share of the weight and in grams; and how far
// real drying strays from the equation, as a share of the fresh weight. Guesses of ours.
const (
	scaleShare  = 0.01
	scaleGrams  = 1.0
	strayShare  = 0.015
	wideNodes   = 15
	narrowNodes = 7
)

// ForecastDrying weighs what was known before against what was weighed since, by Bayes' rule over a grid of rates,
// exponents and shares of water: a weighing counts for as much as it tells, so that one in the first hour, when little
// has gone, moves little, and one near the end almost settles it. Weighings after which a tray weighs more than fresh
// tell nothing of how quickly it dries and are taken as such.
func ForecastDrying(d Drying, weighed []Weighing) DryingForecast {
	f := DryingForecast{drying: d}
	rates := steps(math.Log(d.Rate.Value), spreadOf(math.Log(d.Rate.Low), math.Log(d.Rate.High)), 2*wideNodes+1)
	exponents := steps(d.Exponent.Value, spreadOf(d.Exponent.Low, d.Exponent.High), narrowNodes)
	odds := func(share float64) float64 { return math.Log(share / (1 - share)) }
	waters := steps(odds(d.Water.Value), spreadOf(odds(d.Water.Low), odds(d.Water.High)), wideNodes)
	for _, rate := range rates {
		for _, exponent := range exponents {
			for _, water := range waters {
				n := dryingNode{
					rate: math.Exp(rate.at), exponent: math.Max(0.3, exponent.at), water: 1 / (1 + math.Exp(-water.at)),
					weight: rate.logWeight + exponent.logWeight + water.logWeight,
				}
				for _, w := range weighed {
					off := w.Grams - f.gramsOf(n, w.Hours)
					sigma := math.Hypot(math.Hypot(scaleShare*w.Grams, scaleGrams), strayShare*d.Fresh*math.Min(1, w.Hours))
					n.weight -= off * off / (2 * sigma * sigma)
				}
				f.nodes = append(f.nodes, n)
			}
		}
	}
	f.normalise()
	return f
}

type step struct{ at, logWeight float64 }

// steps are places about a middle by the bell curve, up to three of its deviations away.
func steps(middle, sigma float64, count int) []step {
	if sigma <= 0 {
		return []step{{middle, 0}}
	}
	all := make([]step, count)
	for i := range all {
		z := 6*float64(i)/float64(count-1) - 3
		all[i] = step{middle + sigma*z, -z * z / 2}
	}
	return all
}

// bounds8In10 is how many deviations of the bell curve lie between the bounds that hold 8 times in 10.
const bounds8In10 = 2 * 1.2815515655446004

func spreadOf(low, high float64) float64 { return (high - low) / bounds8In10 }

func (f *DryingForecast) normalise() {
	most := math.Inf(-1)
	for _, n := range f.nodes {
		most = math.Max(most, n.weight)
	}
	for i := range f.nodes {
		f.nodes[i].weight = math.Exp(f.nodes[i].weight - most)
	}
	// What is a millionth as likely as the likeliest tells nothing, and takes time.
	const next = 1e-6
	kept := f.nodes[:0]
	left := 0.0
	for _, n := range f.nodes {
		if n.weight >= next {
			kept, left = append(kept, n), left+n.weight
		}
	}
	f.nodes = kept
	for i := range f.nodes {
		f.nodes[i].weight /= left
	}
}

// gramsOf is what a tray weighs after some hours.
func (f DryingForecast) gramsOf(n dryingNode, hours float64) float64 {
	solid := f.drying.Fresh * (1 - n.water)
	return solid + f.drying.Fresh*n.water*moistureRatio(n.rate, n.exponent, math.Max(0, hours))
}

// doneAfter is after how many hours a tray is dry.
func (f DryingForecast) doneAfter(n dryingNode) float64 {
	return HoursUntil(n.rate, n.exponent, WaterLeft(n.water, f.drying.Done))
}

// Finish tells when the tray is dry.
func (f DryingForecast) Finish() Finish {
	q := f.quantiles(f.doneAfter)
	grams := f.quantiles(func(n dryingNode) float64 { return f.drying.Fresh * (1 - n.water) / (1 - f.drying.Done) })
	return Finish{q(0.1), q(0.5), q(0.9), grams(0.5)}
}

// GramsAfter is what the tray weighs after some hours, on the mean of what is believed.
func (f DryingForecast) GramsAfter(hours float64) (grams float64) {
	for _, n := range f.nodes {
		grams += n.weight * f.gramsOf(n, hours)
	}
	return grams
}

// DoneBy is the chance that the tray is dry after some hours, 0 to 1.
func (f DryingForecast) DoneBy(hours float64) (chance float64) {
	for _, n := range f.nodes {
		if f.doneAfter(n) <= hours {
			chance += n.weight
		}
	}
	return math.Min(1, chance)
}

// Rate is k of Page's equation as it is believed now, per hour, in the middle.
func (f DryingForecast) Rate() float64 {
	return f.quantiles(func(n dryingNode) float64 { return n.rate })(0.5)
}

// RateAfter is a rate as it is believed after runs of one's own, whose rates are given: all of them and what was
// believed before count alike, in their logarithms, and the more there are the nearer together they are taken to lie,
// down to half as far apart.
func RateAfter(before Spread, own []float64) Spread {
	if len(own) == 0 {
		return before
	}
	middle := math.Log(before.Value)
	for _, rate := range own {
		middle += math.Log(rate)
	}
	middle = math.Exp(middle / float64(len(own)+1))
	narrower := math.Max(0.5, 1/math.Sqrt(float64(len(own)+1)))
	return Spread{
		middle, middle * math.Pow(before.Low/before.Value, narrower), middle * math.Pow(before.High/before.Value, narrower),
	}
}

// quantiles returns at which value a share of the belief lies below it.
func (f DryingForecast) quantiles(of func(dryingNode) float64) func(share float64) float64 {
	type weighted struct{ value, weight float64 }
	all := make([]weighted, len(f.nodes))
	for i, n := range f.nodes {
		all[i] = weighted{of(n), n.weight}
	}
	sort.Slice(all, func(i, j int) bool { return all[i].value < all[j].value })
	return func(share float64) float64 {
		// Each value stands for the middle of its own weight; between two it runs straight.
		below, beforeMiddle, before := 0.0, 0.0, all[0].value
		for _, w := range all {
			middle := below + w.weight/2
			if middle >= share && w.weight > 0 {
				if middle == beforeMiddle {
					return w.value
				}
				part := (share - beforeMiddle) / (middle - beforeMiddle)
				return before + math.Max(0, math.Min(1, part))*(w.value-before)
			}
			below += w.weight
			if w.weight > 0 {
				beforeMiddle, before = middle, w.value
			}
		}
		return all[len(all)-1].value
	}
}
