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

// State is what one day hands on to the next. All but Wet are in standard deviations of
// their own.
type State struct {
	Wet bool
	// MaxResidual and MinResidual are the day's own part of how far its extremes lie
	// from the season's course; Weeks and Year are the parts that change over weeks and
	// over a year, which both extremes share.
	MaxResidual, MinResidual float64
	Weeks, Year              float64
}

// Generator makes daily weather with the statistics of the normals.
//
// Source: Richardson 1981, Water Resources Research 17:182–190: a two-state
// Markov chain for wet days, gamma amounts, and the extremes' residuals as a
// first-order autoregressive pair about a yearly course, with a yearly course of their
// spread. The chain's probabilities and the gamma's shape follow from the monthly normals
// by Geng et al. 1986, Agricultural and Forest Meteorology 36:363–376.
//
// Such weather differs too little from year to year (Wilks and Wilby 1999, Progress in
// Physical Geography 23:329–357), so a part of the spread changes slowly: over weeks, and
// over a year, each a first-order autoregressive course of its own. The whole spread of a
// day stays what the normals say.
type Generator struct {
	normals Normals
	days    [367]dayParameters
	// carry is A and noise is B of Richardson's equation χₜ = A χₜ₋₁ + B εₜ.
	carry, noise [2][2]float64
}

type dayParameters struct {
	tmin, tmax         float64 // means over wet and dry days, °C
	spreadMin          float64 // standard deviation about the mean, °C
	spreadMax          float64 // and about the mean of a wet or a dry day
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

// The slow parts: their shares of the spread, and the days in which each forgets all but
// 1/e of itself. Guesses of ours, such that the means of a season and of a year differ
// about twice as much as without them.
const (
	weeksShare, weeksDays = 0.30, 25.0
	yearShare, yearDays   = 0.15, 365.0
)

// persistence of the slow parts from day to day, and the day's own share of the spread.
var (
	weeksKept = math.Exp(-1 / weeksDays)
	yearKept  = math.Exp(-1 / yearDays)
	ownShare  = math.Sqrt(1 - weeksShare*weeksShare - yearShare*yearShare)
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
	tmin, tmax := fitCourse(normals.TMin), fitCourse(normals.TMax)
	before := 0.0
	for _, yearDay := range append([]int{365}, oneTo366...) {
		share, amount := normals.wetShare(yearDay)
		share = math.Min(share, wettestShare)
		p := dayParameters{tmin: tmin[yearDay], tmax: tmax[yearDay], wetShare: share}
		p.spreadMin, p.spreadMax = normals.Spread(yearDay)
		// Wet and dry days lie apart already; what is left of the spread is chance.
		p.spreadMax = math.Sqrt(
			math.Max(
				p.spreadMax*p.spreadMax/4,
				p.spreadMax*p.spreadMax-normals.WetDayCooler*normals.WetDayCooler*share*(1-share),
			),
		)
		// Geng et al. 1986: a quarter higher after a wet day; the rest such that the
		// share of wet days is the month's, whatever the month before.
		p.wetAfterDry = math.Max(0, share-wetPersistence*before)
		p.wetAfterWet = wetPersistence + p.wetAfterDry
		before = share
		above := math.Max(leastAbove, amount-wetDayMM)
		// Geng et al. 1986: scale −2.16 + 1.83 × mean amount, held where the
		// shape stays between 0.4 and 1.
		p.gammaB = math.Min(above/0.4, math.Max(above, -2.16+1.83*amount))
		p.gammaShape = above / p.gammaB
		g.days[yearDay] = p
	}
	return g, nil
}

// wetPersistence is how much likelier a wet day is after a wet day than after a dry one
// (Geng et al. 1986); leastAbove is the least mean rain of a wet day above its limit, in
// mm.
const wetPersistence, leastAbove = 0.25, 0.05

var oneTo366 = func() (all []int) {
	for yearDay := 1; yearDay <= 366; yearDay++ {
		all = append(all, yearDay)
	}
	return all
}()

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
	next.MinResidual = g.carry[1][0]*from.MaxResidual + g.carry[1][1]*from.MinResidual +
		g.noise[1][0]*e0 + g.noise[1][1]*e1
	next.Weeks = weeksKept*from.Weeks + math.Sqrt(1-weeksKept*weeksKept)*rng.NormFloat64()
	next.Year = yearKept*from.Year + math.Sqrt(1-yearKept*yearKept)*rng.NormFloat64()
	slow := weeksShare*next.Weeks + yearShare*next.Year
	day.TMax = g.meanMax(p, next.Wet) + (slow+ownShare*next.MaxResidual)*p.spreadMax
	day.TMin = p.tmin + (slow+ownShare*next.MinResidual)*p.spreadMin
	if span := day.TMax - day.TMin; span < leastSpan {
		// Richardson 1981 leaves such days possible; a day's lowest stays below its
		// highest here, the nearer the smaller the span would be.
		middle := (day.TMin + day.TMax) / 2
		span = leastSpan * math.Exp(span/leastSpan-1)
		day.TMin, day.TMax = middle-span/2, middle+span/2
	}
	return day, next
}

// leastSpan is the span of a day's temperatures in °C below which they are drawn apart.
const leastSpan = 1.0

// meanMax is the mean highest temperature of a wet or a dry day; over both it
// is the normal.
func (g *Generator) meanMax(p *dayParameters, wet bool) float64 {
	if wet {
		return p.tmax - g.normals.WetDayCooler*(1-p.wetShare)
	}
	return p.tmax + g.normals.WetDayCooler*p.wetShare
}

// Start returns a state without a past, for the first day of a series.
func (g *Generator) Start(rng *rand.Rand, date calendar.Date) State {
	e := rng.NormFloat64()
	return State{
		Wet:         rng.Float64() < g.days[date.YearDay()].wetShare,
		MaxResidual: e,
		MinResidual: sameDay*e + math.Sqrt(1-sameDay*sameDay)*rng.NormFloat64(),
		Weeks:       rng.NormFloat64(),
		Year:        rng.NormFloat64(),
	}
}
