package climate

import (
	"math"
	"math/rand/v2"

	"gonum.org/v1/gonum/stat/distuv"

	"bramblyacre/core/calendar"
)

// Expected is what an outlook says of one day to come.
type Expected struct {
	// TMin and TMax are the extremes that are expected, in °C, Spread how far off each may be (a
	// standard deviation).
	TMin, TMax, Spread float64
	// WetChance is the chance of a wet day, Rain how much falls if it is one, in mm.
	WetChance, Rain float64
}

// Usual returns what is usual on a day of the year without anything read: the mean extremes, their
// standard deviations in °C, and the share of wet days with the mean rain of one in mm.
func (g *Generator) Usual(day calendar.Date) (mean Day, spreadMin, spreadMax, wetShare, wetRain float64) {
	p := g.days[day.YearDay()]
	spreadMin, spreadMax = g.normals.Spread(day.YearDay())
	return Day{TMin: p.tmin, TMax: p.tmax, Rain: p.wetShare * (wetDayMM + p.gammaShape*p.gammaB)},
		spreadMin, spreadMax, p.wetShare, wetDayMM + p.gammaShape*p.gammaB
}

// toward appends a day for each of an outlook, from the state before. Each day is wet with the chance
// that the outlook gives, and its extremes lie about those expected as far as the outlook is unsure: its
// errors are a course of their own that stays from day to day as weather does, so that an outlook that is
// too cold tomorrow likely is the day after. It returns the state after them.
func (g *Generator) toward(
	rng *rand.Rand,
	days []Day,
	first calendar.Date,
	outlook []Expected,
	state State,
) ([]Day, State) {
	var off State
	if len(outlook) > 0 {
		off = g.Start(rng, first.AddDays(len(days)))
	}
	for _, expected := range outlook {
		yearDay := first.AddDays(len(days)).YearDay()
		p := &g.days[yearDay]
		made, next := g.next(rng, yearDay, state)
		offSlow := weeksShare*off.Weeks + yearShare*off.Year
		offMax, offMin := offSlow+ownShare*off.MaxResidual, offSlow+ownShare*off.MinResidual
		_, off = g.next(rng, yearDay, off)
		if next.Wet = rng.Float64() < expected.WetChance; next.Wet {
			if made.Rain < wetDayMM {
				made.Rain = wetDayMM + distuv.Gamma{Alpha: p.gammaShape, Beta: 1 / p.gammaB, Src: rng}.Rand()
			}
			if expected.Rain > 0 { // the made amount, scaled to the one that is expected
				made.Rain = math.Max(wetDayMM, made.Rain*expected.Rain/(wetDayMM+p.gammaShape*p.gammaB))
			}
		} else {
			made.Rain = 0
		}
		made.TMax = expected.TMax + expected.Spread*offMax
		made.TMin = expected.TMin + expected.Spread*offMin
		if span := made.TMax - made.TMin; span < leastSpan {
			middle := made.Mean()
			made.TMin, made.TMax = middle-leastSpan/2, middle+leastSpan/2
		}
		// What goes on is the departure that the day now has.
		slow := weeksShare*next.Weeks + yearShare*next.Year
		next.MaxResidual = ((made.TMax-g.meanMax(p, next.Wet))/p.spreadMax - slow) / ownShare
		next.MinResidual = ((made.TMin-p.tmin)/p.spreadMin - slow) / ownShare
		days = append(days, made)
		state = next
	}
	return days, state
}
