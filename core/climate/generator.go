package climate

import (
	"fmt"
	"math"
	"math/rand/v2"

	"gonum.org/v1/gonum/mat"
	"gonum.org/v1/gonum/stat/distuv"

	"bramblyacre/core/calendar"
)

// Day is one day's weather: extremes in °C and rain in mm.
type Day struct {
	TMin, TMax, Rain float64
}

// Wet tells whether the day counts as a wet day: 1 mm of rain or more, the
// usual definition behind monthly counts of wet days.
func (d Day) Wet() bool { return d.Rain >= wetDayMM }

// Mean returns the middle of the day's extremes, in °C.
func (d Day) Mean() float64 { return (d.TMin + d.TMax) / 2 }

const wetDayMM = 1.0

// State is what one day hands on to the next.
type State struct {
	Wet bool
	// MaxResidual and MinResidual are the extremes' distances from the
	// season's course, in standard deviations.
	MaxResidual, MinResidual float64
}

// Generator makes daily weather with the statistics of the normals.
//
// Source: Richardson 1981, Water Resources Research 17:182–190: a two-state
// Markov chain for wet days, gamma amounts, and the extremes' residuals as a
// first-order autoregressive pair about a yearly course. The chain's
// probabilities and the gamma's shape follow from the monthly normals by Geng
// et al. 1986, Agricultural and Forest Meteorology 36:363–376.
type Generator struct {
	normals Normals
	days    [367]dayParameters
	// carry is A and noise is B of Richardson's equation χₜ = A χₜ₋₁ + B εₜ.
	carry, noise [2][2]float64
}

type dayParameters struct {
	tmin, tmax         float64 // means over wet and dry days, °C
	wetShare           float64
	wetAfterDry        float64
	wetAfterWet        float64
	gammaShape, gammaB float64 // amount above the wet-day limit: shape, scale in mm
}

// Correlations of the residuals on the same day and a day apart, rounded from
// the range Richardson (1981) found over the stations he fitted.
const (
	sameDay      = 0.63
	maxFromMax   = 0.62
	minFromMin   = 0.67
	maxFromMin   = 0.44
	minFromMax   = 0.50
	wettestShare = 0.97
)

// NewGenerator prepares a generator for the normals, which must pass Check.
func NewGenerator(normals Normals) (*Generator, error) {
	if err := normals.Check(); err != nil {
		return nil, err
	}
	g := &Generator{normals: normals}
	if err := g.fitResiduals(); err != nil {
		return nil, err
	}
	tmin, tmax := fitHarmonics(normals.TMin), fitHarmonics(normals.TMax)
	for yearDay := 1; yearDay <= 366; yearDay++ {
		share, amount := normals.wetShare(yearDay)
		share = math.Min(share, wettestShare)
		p := dayParameters{tmin: tmin.at(yearDay), tmax: tmax.at(yearDay), wetShare: share}
		p.wetAfterDry = 0.75 * share // Geng et al. 1986
		p.wetAfterWet = 0.25 + p.wetAfterDry
		above := math.Max(0.2, amount-wetDayMM)
		// Geng et al. 1986: scale −2.16 + 1.83 × mean amount, held where the
		// shape stays between 0.4 and 1.
		p.gammaB = math.Min(above/0.4, math.Max(above, -2.16+1.83*amount))
		p.gammaShape = above / p.gammaB
		g.days[yearDay] = p
	}
	return g, nil
}

// fitResiduals solves A = M₁M₀⁻¹ and BBᵀ = M₀ − M₁M₀⁻¹M₁ᵀ (Matalas 1967, as
// used by Richardson 1981).
func (g *Generator) fitResiduals() error {
	m0 := mat.NewDense(2, 2, []float64{1, sameDay, sameDay, 1})
	m1 := mat.NewDense(2, 2, []float64{maxFromMax, maxFromMin, minFromMax, minFromMin})
	var inverse, a, explained mat.Dense
	if err := inverse.Inverse(m0); err != nil {
		return fmt.Errorf("residual correlations: %w", err)
	}
	a.Mul(m1, &inverse)
	explained.Mul(&a, m1.T())
	rest := mat.NewSymDense(2, nil)
	for i := range 2 {
		for j := range 2 {
			rest.SetSym(i, j, m0.At(i, j)-(explained.At(i, j)+explained.At(j, i))/2)
		}
	}
	var cholesky mat.Cholesky
	if !cholesky.Factorize(rest) {
		return fmt.Errorf("residual correlations leave no room for chance")
	}
	var lower mat.TriDense
	cholesky.LTo(&lower)
	for i := range 2 {
		for j := range 2 {
			g.carry[i][j] = a.At(i, j)
			g.noise[i][j] = lower.At(i, j)
		}
	}
	return nil
}

// Generate appends n days of weather from start on to days, drawing from rng
// and going on from the state; it returns the days and the state after them.
func (g *Generator) Generate(days []Day, rng *rand.Rand, start calendar.Date, n int, from State) ([]Day, State) {
	yearDay := start.YearDay()
	for i := range n {
		if i > 0 {
			yearDay++
			if yearDay > 365 {
				yearDay = start.AddDays(i).YearDay()
			}
		}
		var day Day
		day, from = g.next(rng, yearDay, from)
		days = append(days, day)
	}
	return days, from
}

func (g *Generator) next(rng *rand.Rand, yearDay int, from State) (Day, State) {
	p := &g.days[yearDay]
	chance := p.wetAfterDry
	if from.Wet {
		chance = p.wetAfterWet
	}
	var day Day
	next := State{Wet: rng.Float64() < chance}
	if next.Wet {
		day.Rain = wetDayMM + distuv.Gamma{Alpha: p.gammaShape, Beta: 1 / p.gammaB, Src: rng}.Rand()
	}
	e0, e1 := rng.NormFloat64(), rng.NormFloat64()
	next.MaxResidual = g.carry[0][0]*from.MaxResidual + g.carry[0][1]*from.MinResidual + g.noise[0][0]*e0
	next.MinResidual = g.carry[1][0]*from.MaxResidual + g.carry[1][1]*from.MinResidual + g.noise[1][0]*e0 + g.noise[1][1]*e1
	day.TMax = g.meanMax(p, next.Wet) + next.MaxResidual*g.normals.SpreadMax
	day.TMin = p.tmin + next.MinResidual*g.normals.SpreadMin
	if day.TMin > day.TMax-0.5 {
		// Richardson 1981 leaves such days possible; a day's lowest stays
		// below its highest here.
		middle := (day.TMin + day.TMax) / 2
		day.TMin, day.TMax = middle-0.25, middle+0.25
	}
	return day, next
}

// meanMax is the mean highest temperature of a wet or a dry day; over both it
// is the normal.
func (g *Generator) meanMax(p *dayParameters, wet bool) float64 {
	if wet {
		return p.tmax - g.normals.WetDayCooler*(1-p.wetShare)
	}
	return p.tmax + g.normals.WetDayCooler*p.wetShare
}

// StateAfter returns the state that a read day leaves behind, so that the
// generated days go on from the weather as it was.
func (g *Generator) StateAfter(date calendar.Date, day Day) State {
	p := &g.days[date.YearDay()]
	return State{
		Wet:         day.Wet(),
		MaxResidual: (day.TMax - g.meanMax(p, day.Wet())) / g.normals.SpreadMax,
		MinResidual: (day.TMin - p.tmin) / g.normals.SpreadMin,
	}
}

// Start returns a state without a past, for the first day of a series.
func (g *Generator) Start(rng *rand.Rand, date calendar.Date) State {
	e := rng.NormFloat64()
	return State{
		Wet:         rng.Float64() < g.days[date.YearDay()].wetShare,
		MaxResidual: e,
		MinResidual: sameDay*e + math.Sqrt(1-sameDay*sameDay)*rng.NormFloat64(),
	}
}
