package phenology

import (
	"math"

	"gonum.org/v1/gonum/stat/distuv"

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
	// Affirmed is true where it was asked back as surprising and is no slip.
	Affirmed bool
}

// Surprise is a sighting that the forecast before it held for unlikely.
type Surprise struct {
	Sighting
	// Chance is how likely the forecast held a sighting this far out, 0–1.
	Chance float64
	// Ahead is true where the planting was further on than expected.
	Ahead bool
}

// Reading is a sighting with what it was most likely: the stage that was named, the one
// before or after it, or a slip that says nothing.
type Reading struct {
	Sighting
	// before, at and after are the chances of each; what is left of 1 is a slip.
	before, at, after float64
}

// Named is the chance, 0–1, that the sighting was of the stage that it names.
func (r Reading) Named() float64 { return r.at }

// Slip is the chance, 0–1, that the sighting was a slip.
func (r Reading) Slip() float64 { return math.Max(0, 1-r.before-r.at-r.after) }

const (
	// oneStageError is the chance that an observer names the stage before, and
	// again that they name the one after.
	oneStageError = 0.04
	// slipChance is the chance that a sighting is a slip, of the pen or of the plant: any
	// stage at all (the contaminated likelihood of Box and Tiao 1968, Biometrika
	// 55:119–129). affirmedSlip is what is left of it where the grower was asked again.
	slipChance   = 0.02
	affirmedSlip = 0.001
	// shareNoise is the error of a share judged by eye, in standard deviations
	// of the planting's spread.
	shareNoise = 0.45
	// surpriseBelow is the chance under which a sighting is a surprise.
	surpriseBelow = 0.05
	// unnoticed is the probit of the share of plants (a tenth) below which a
	// later stage goes unnoticed.
	unnoticed = -1.2816
)

// Learn returns the pace after a sighting, what the sighting most likely was, and the
// surprise it was, if it was one. The pace is unchanged, and learned is false, for a stage
// that the plan does not have and for a day outside the plan's season. Where the weather up
// to the sighting was not read, what it may have been is part of the doubt.
//
// The sighting's likelihood is that of judging the share of plants by eye
// (normal error on the probit scale) with room for a one-stage mistake and for a slip.
func (p *Plan) Learn(
	pace Pace,
	weather *climate.Ensemble,
	seen Sighting,
) (after Pace, read Reading, surprise *Surprise, learned bool) {
	index, has := p.Index(seen.Stage, seen.Day)
	if !has || !p.Season.Contains(seen.Day) {
		return pace, Reading{}, nil, false
	}
	after = pace.forSequence(p.sequence)
	after.Seen++
	on := p.progress(weather, seen.Day)
	surprise = on.surprise(after, seen, index)
	slip, named := slipChance, [3]float64{oneStageError, 1 - 2*oneStageError, oneStageError}
	if seen.Affirmed { // asked and confirmed, it is what was seen
		slip, named = affirmedSlip, [3]float64{0, 1, 0}
	}
	read.Sighting = seen
	var evidence [2]float64
	var outcomes [2][3]float64
	for i := range after.beliefs {
		before := &after.beliefs[i]
		// A slip, which says nothing, and the three stages that may be meant.
		beliefs, weights := [4]belief{*before, *before, *before, *before}, [4]float64{slip / float64(len(p.Stages))}
		for n, chance := range named {
			outcomes[i][n] = (1 - slip) * chance * on.learn(&beliefs[n+1], index-1+n, seen.Share)
			weights[n+1] = outcomes[i][n]
		}
		for _, w := range weights {
			evidence[i] += w
		}
		for n := range weights {
			weights[n] /= evidence[i]
		}
		after.beliefs[i] = blend(beliefs[:], weights[:])
	}
	usual, far := (1-pace.farOut)*evidence[0], pace.farOut*evidence[1]
	after.farOut = far / (usual + far)
	share := func(n int) float64 {
		return ((1-pace.farOut)*outcomes[0][n] + pace.farOut*outcomes[1][n]) / (usual + far)
	}
	read.before, read.at, read.after = share(0), share(1), share(2)
	if seen.Affirmed {
		read.before, read.at, read.after = 0, 1, 0
	}
	return after, read, surprise, true
}

// Doubts tells, before a sighting is noted, whether it would more likely be a slip or a stage
// misnamed than what it says, and so has to be asked back: what is not asked is taken at its
// word. The chance, 0–1, is the one that the forecast gave the planting to have come so far
// by the day, or where it is behind, to have come no farther.
func (p *Plan) Doubts(pace Pace, weather *climate.Ensemble, seen Sighting) (chance float64, doubted bool) {
	_, read, _, learned := p.Learn(pace, weather, seen)
	if !learned || read.Named() >= 0.5 {
		return 1, false
	}
	index, _ := p.Index(seen.Stage, seen.Day)
	on, before := p.progress(weather, seen.Day), pace.forSequence(p.sequence)
	return math.Min(on.reached(before, index), 1-on.reached(before, index+1)), true
}

// progress is how far a season has come by a day, seen from each stage.
type progress struct {
	*Plan
	// passed is the logarithm of the warmth so far over what the stage usually needs, and
	// open the chance that its day length has come.
	passed []float64
	open   []float64
	// doubt is the standard deviation of passed, 0 where the weather was read.
	doubt float64
}

// progress works out how far the season has come by the end of a day: in the weather that
// was read, or where it was not in the mean of what it may have been.
func (p *Plan) progress(weather *climate.Ensemble, day calendar.Date) progress {
	at := day.DaysSince(p.Season.Start)
	table := p.table(weather)
	late := p.lateness(weather)
	on := progress{Plan: p, passed: make([]float64, len(p.Stages)), open: make([]float64, len(p.Stages))}
	members := weather.Size()
	if day <= weather.KnownUntil {
		members = 1
	}
	for k := range p.Stages {
		on.open[k] = p.light[k].share(at)
		if k == 0 {
			on.passed[0] = math.Inf(1)
			continue
		}
		usual := p.rules[k-1].Warmth.Value
		sum, squares, cold := 0.0, 0.0, 0
		for m := range members {
			before := table.Sum(m, p.warmthFrom-1)
			got := table.Sum(m, at) - before
			if !p.isEnd(k) {
				got -= late.extra(p, k, m, table, before)
			}
			if got <= 0 {
				cold++
				continue
			}
			ln := math.Log(got)
			sum, squares = sum+ln, squares+ln*ln
		}
		switch warm := float64(members - cold); {
		case usual <= 0:
			on.passed[k] = math.Inf(1)
		case 2*cold > members:
			on.passed[k] = math.Inf(-1)
		default:
			mean := sum / warm
			on.passed[k] = mean - math.Log(usual)
			on.doubt = math.Max(on.doubt, math.Sqrt(math.Max(0, squares/warm-mean*mean)))
		}
	}
	if members == 1 {
		on.doubt = 0
	}
	return on
}

// noise is the error of a look, on the log scale of warmth: the eye's, and what is not
// known of the weather.
func (on progress) noise() float64 { return math.Hypot(shareNoise*on.spread, on.doubt) }

// leastClosed is what is left of the chance that a stage has not come whose day length has:
// some plants of a kind keep on.
const leastClosed = 0.02

// learn takes into a belief that the planting had come as far as the stage of an index, a
// share of its plants having reached it, and returns how likely that was.
func (on progress) learn(b *belief, k int, share Share) (chance float64) {
	if k < 0 || k >= len(on.Stages) {
		return 0
	}
	chance = 1
	noise := on.noise()
	if on.byLight(k) {
		chance *= on.open[k]
	} else if k > 0 {
		low, high := share.bounds()
		// The larger the share, the further the typical plant is past the stage.
		from, to := on.passed[k]-on.spread*distuv.UnitNormal.Quantile(
			high,
		), on.passed[k]-on.spread*distuv.UnitNormal.Quantile(
			low,
		)
		chance *= on.open[k] * b.learn(on.Stages[k], on.off[k], from, to, noise)
	}
	if next := k + 1; next < len(on.Stages) && chance > 0 {
		if on.byLight(next) {
			return chance * math.Max(leastClosed, 1-on.open[next])
		}
		if on.open[next] < 0.5 {
			// Its day length most likely had not come: nothing is said of its warmth.
			return chance
		}
		chance *= b.learn(on.Stages[next], on.off[next], on.passed[next]-on.spread*unnoticed, math.Inf(1), noise)
	}
	return chance
}

// surprise tells whether a sighting was unlikely by what was known before it.
func (on progress) surprise(pace Pace, seen Sighting, index int) *Surprise {
	asFar, farther := 0.0, 0.0 // chance to be named this stage or a later one; a later one
	for n, chance := range []float64{oneStageError, 1 - 2*oneStageError, oneStageError} {
		asFar += chance * on.reached(pace, index-1+n)
		farther += chance * on.reached(pace, index+n)
	}
	if notPast := 1 - farther; asFar < surpriseBelow || notPast < surpriseBelow {
		return &Surprise{Sighting: seen, Chance: math.Max(0, math.Min(asFar, notPast)), Ahead: asFar < notPast}
	}
	return nil
}

// reached is the chance that enough of the plants have come to a stage to be noticed.
func (on progress) reached(pace Pace, k int) (chance float64) {
	switch {
	case k <= 0:
		return 1
	case k >= len(on.Stages):
		return 0
	}
	if on.byLight(k) {
		return on.open[k]
	}
	noise := on.noise()
	for i, weight := range []float64{1 - pace.farOut, pace.farOut} {
		mean, variance := pace.beliefs[i].logWarmth(on.Stages[k], on.off[k])
		chance += weight * distuv.UnitNormal.CDF((on.passed[k]-on.spread*unnoticed-mean)/math.Sqrt(variance+noise*noise))
	}
	return chance * on.open[k]
}
