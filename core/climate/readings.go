package climate

import (
	"math"
	"math/rand/v2"

	"bramblyacre/core/calendar"
)

// Unread is the value of what was not read of a day.
var Unread = math.NaN()

// HasWarmth tells whether both extremes of a day were read, HasRain whether its rain was.
func (d Day) HasWarmth() bool { return !math.IsNaN(d.TMin) && !math.IsNaN(d.TMax) }

// HasRain tells whether a day's rain was read.
func (d Day) HasRain() bool { return !math.IsNaN(d.Rain) }

// Whole tells whether all of a day was read.
func (d Day) Whole() bool { return d.HasWarmth() && d.HasRain() }

// Blank tells whether nothing of a day was read.
func (d Day) Blank() bool { return math.IsNaN(d.TMin) && math.IsNaN(d.TMax) && !d.HasRain() }

// NoReading is a day of which nothing was read.
func NoReading() Day { return Day{Unread, Unread, Unread} }

// filler makes a whole series of days out of readings that may have gaps.
type filler struct {
	generator *Generator
	first     calendar.Date
	readings  []Day
	outlook   []Expected
	// past is what the whole readings at the beginning leave behind; nil for none.
	past *Past
}

// member makes one series of days: read where they were read, and else as they may have been or may
// come. The first known days are whole.
func (f filler) member(rng *rand.Rand, known, total int) []Day {
	g := f.generator
	days := make([]Day, known, total)
	copy(days, f.readings)
	var state State
	if f.past != nil {
		state = f.past.State(rng)
	} else {
		state = g.Start(rng, f.first)
	}
	for len(days) < len(f.readings) {
		at := len(days)
		run := at
		if f.readings[at].HasWarmth() {
			for run < len(f.readings) && f.readings[run].HasWarmth() {
				run++
			}
			days = f.fillRain(rng, days, run)
			state = g.After(f.first, days).State(rng)
			continue
		}
		for run < len(f.readings) && !f.readings[run].HasWarmth() {
			run++
		}
		days, state = f.bridge(rng, days, run, state)
	}
	days, state = g.toward(rng, days, f.first, f.outlook[:min(len(f.outlook), total-len(days))], state)
	days, _ = g.Generate(days, rng, f.first.AddDays(len(days)), total-len(days), state)
	return days
}

// fillRain appends the days up to until, whose temperatures were all read: rain that was not is drawn
// from the chain of wet and dry days.
func (f filler) fillRain(rng *rand.Rand, days []Day, until int) []Day {
	for i := len(days); i < until; i++ {
		day := f.readings[i]
		if !day.HasRain() {
			wet := i > 0 && days[i-1].Wet()
			made, _ := f.generator.next(rng, f.first.AddDays(i).YearDay(), State{Wet: wet})
			day.Rain = made.Rain
		}
		days = append(days, day)
	}
	return days
}

// bridge appends the days up to until, whose temperatures were not read. They are generated from the
// state before, and drawn to the day after the gap, if that was read: by how far the generated day
// misses it, each day by its share (conditioning of a first-order autoregressive course on both
// ends: its covariance with the far end over the far end's variance, as in simple kriging).
func (f filler) bridge(rng *rand.Rand, days []Day, until int, state State) ([]Day, State) {
	from := len(days)
	hasBefore := from > 0
	generated, after := f.generator.Generate(nil, rng, f.first.AddDays(from), until-from+1, state)
	gap := generated[:until-from]
	if until < len(f.readings) {
		missMin := f.readings[until].TMin - generated[len(gap)].TMin
		missMax := f.readings[until].TMax - generated[len(gap)].TMax
		for i := range gap {
			share := bridgeShare(i+1, len(gap), hasBefore)
			gap[i].TMin += share * missMin
			gap[i].TMax += share * missMax
			if middle := gap[i].Mean(); gap[i].TMax-gap[i].TMin < leastSpan/2 {
				gap[i].TMin, gap[i].TMax = middle-leastSpan/4, middle+leastSpan/4
			}
		}
	}
	for i, day := range gap {
		days = append(days, f.readings[from+i].over(day))
	}
	return days, after
}

// dayToDay is the correlation of a day's departure with the next day's: that of the parts by their shares.
var dayToDay = weeksShare*weeksShare*weeksKept + yearShare*yearShare*yearKept + ownShare*ownShare*ownKept

// bridgeShare is the share of the far end's miss that the ith day of a gap of n takes, 1 being the first.
func bridgeShare(i, n int, hasBefore bool) float64 {
	share := math.Pow(dayToDay, float64(n+1-i))
	if hasBefore {
		share *= (1 - math.Pow(dayToDay, 2*float64(i))) / (1 - math.Pow(dayToDay, 2*float64(n+1)))
	}
	return share
}

// over is a day with what was read of it laid over what is made up. Where one extreme was read, the other
// goes with it, as far as the two go together.
func (d Day) over(made Day) Day {
	lowRead, highRead := !math.IsNaN(d.TMin), !math.IsNaN(d.TMax)
	switch {
	case lowRead && !highRead:
		made.TMax = math.Max(d.TMin+leastSpan, made.TMax+sameDay*(d.TMin-made.TMin))
		made.TMin = d.TMin
	case highRead && !lowRead:
		made.TMin = math.Min(d.TMax-leastSpan, made.TMin+sameDay*(d.TMax-made.TMax))
		made.TMax = d.TMax
	}
	if d.HasRain() {
		made.Rain = d.Rain
	}
	return made
}
