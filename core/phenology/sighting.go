package phenology

import (
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// Sighting is what a grower saw of a planting on a day: the furthest stage that
// some plants show, and how many of them do.
type Sighting struct {
	Day   calendar.Date
	Stage flora.Stage
	Share Share
}

// Surprise is a sighting that the forecast before it held for unlikely.
type Surprise struct {
	Sighting
	// Chance is how likely the forecast held a sighting this far out, 0–1.
	Chance float64
	// Ahead is true where the planting was further on than expected.
	Ahead bool
}

const (
	// oneStageError is the chance that an observer names the stage before, and
	// again that they name the one after.
	oneStageError = 0.04
	// shareNoise is the error of a share judged by eye, in standard deviations
	// of the planting's spread.
	shareNoise = 0.45
	// surpriseBelow is the chance under which a sighting is a surprise.
	surpriseBelow = 0.05
	// unnoticed is the probit of the share of plants (a tenth) below which a
	// later stage goes unnoticed.
	unnoticed = -1.2816
)

// Learn returns the pace after a sighting, and the surprise it was, if it was
// one. The weather up to the sighting must have been read; the pace is
// unchanged, and learned is false, for a stage that the plan does not have and
// for a day outside the plan's season or beyond the weather read.
//
// The sighting's likelihood is that of judging the share of plants by eye
// (normal error on the probit scale) with room for a one-stage mistake.
func (p *Plan) Learn(pace Pace, weather *climate.Ensemble, seen Sighting) (after Pace, surprise *Surprise, learned bool) {
	index, has := p.Index(seen.Stage, seen.Day)
	if !has || !p.Season.Contains(seen.Day) || seen.Day > weather.KnownUntil {
		return pace, nil, false
	}
	day := seen.Day.DaysSince(p.Season.Start)
	table := p.table(weather)
	warmth := table.Sum(0, day) - table.Sum(0, p.warmthFrom-1)
	open := p.gates(weather).member(0, usualLight, nil)
	lead := func(k int, logRho float64) float64 {
		switch {
		case k <= 0:
			return beyondDoubt
		case k >= len(p.Stages) || day < open[k]:
			return -beyondDoubt
		}
		return p.lead(k, warmth, logRho)
	}
	after = pace
	after.Seen++
	asFar, farther := 0.0, 0.0 // chance to be named this stage or a later one; a later one
	for i, w := range pace.weights {
		logRho := logRhoAt(i)
		likelihood := 0.0
		for offset, chance := range []float64{oneStageError, 1 - 2*oneStageError, oneStageError} {
			k := index - 1 + offset
			if k >= 0 && k < len(p.Stages) {
				likelihood += chance * shareLikelihood(seen.Share, lead(k, logRho), lead(k+1, logRho))
			}
			asFar += w * chance * normalCDF((lead(k, logRho)-unnoticed)/shareNoise)
			farther += w * chance * normalCDF((lead(k+1, logRho)-unnoticed)/shareNoise)
		}
		// The floor only keeps the sum from underflowing to nothing.
		after.weights[i] = w * (likelihood + 1e-300)
	}
	after.normalise()
	if notPast := 1 - farther; asFar < surpriseBelow || notPast < surpriseBelow {
		surprise = &Surprise{Sighting: seen, Chance: math.Max(0, math.Min(asFar, notPast)), Ahead: asFar < notPast}
	}
	return after, surprise, true
}

// shareLikelihood is the chance to judge the share of plants at a stage to be
// as said, and to see next to none of the stage after.
func shareLikelihood(said Share, lead, leadOfNext float64) float64 {
	low, high := said.bounds()
	seenAbove := normalCDF((lead - probit(low)) / shareNoise)
	if high < 1 {
		seenAbove -= normalCDF((lead - probit(high)) / shareNoise)
	}
	return seenAbove * normalCDF((unnoticed-leadOfNext)/shareNoise)
}

func normalCDF(x float64) float64 { return 0.5 * math.Erfc(-x/math.Sqrt2) }

func probit(share float64) float64 { return math.Sqrt2 * math.Erfinv(2*share-1) }
