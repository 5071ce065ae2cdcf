package climate

import (
	"math"
	"math/rand/v2"

	"bramblyacre/core/calendar"
)

// Past is what a run of read days says of the days to come: the last day as it was, and
// how much of its warmth or cold is likely to stay for weeks or for the year.
type Past struct {
	wet            bool
	highest, least float64    // of the last day, from the course in standard deviations
	slow           [2]float64 // the slow parts, weeks and year: their means
	root           [2][2]float64
}

// pastDays is how many read days are gone through: those before them say no more.
const pastDays = 400

// After returns what read days leave behind, the first of them being from; there has to
// be one. The slow parts cannot be seen by themselves: a Kalman filter (Kalman 1960)
// tells them from the day's own part by how long a departure has stayed.
func (g *Generator) After(from calendar.Date, days []Day) Past {
	if skipped := len(days) - pastDays; skipped > 0 {
		from, days = from.AddDays(skipped), days[skipped:]
	}
	// The state is weeks, year and the day's own part, of the mean of both extremes.
	const states = 3
	kept := [states]float64{weeksKept, yearKept, ownKept}
	variance := [states]float64{1, 1, (1 + sameDay) / 2}
	seen := [states]float64{weeksShare, yearShare, ownShare}
	var mean [states]float64
	var cov [states][states]float64
	for i := range states {
		cov[i][i] = variance[i]
	}
	p := Past{}
	for n, day := range days {
		params := &g.days[from.AddDays(n).YearDay()]
		p.wet = day.Wet()
		p.highest = (day.TMax - g.meanMax(params, p.wet)) / params.spreadMax
		p.least = (day.TMin - params.tmin) / params.spreadMin
		for i := range states {
			mean[i] *= kept[i]
			for j := range states {
				cov[i][j] *= kept[i] * kept[j]
			}
			cov[i][i] += (1 - kept[i]*kept[i]) * variance[i]
		}
		expected, spread := 0.0, 0.0
		var gain [states]float64
		for i := range states {
			expected += seen[i] * mean[i]
			for j := range states {
				gain[i] += cov[i][j] * seen[j]
			}
			spread += seen[i] * gain[i]
		}
		off := (p.highest+p.least)/2 - expected
		for i := range states {
			mean[i] += gain[i] / spread * off
			for j := range states {
				cov[i][j] -= gain[i] * gain[j] / spread
			}
		}
	}
	p.slow = [2]float64{mean[0], mean[1]}
	p.root[0][0] = math.Sqrt(math.Max(0, cov[0][0]))
	if p.root[0][0] > 0 {
		p.root[1][0] = cov[1][0] / p.root[0][0]
	}
	p.root[1][1] = math.Sqrt(math.Max(0, cov[1][1]-p.root[1][0]*p.root[1][0]))
	return p
}

// ownKept is how much of the mean of the extremes' own parts stays from day to day, after
// the correlations of Richardson's pair.
const ownKept = (maxFromMax + minFromMin + maxFromMin + minFromMax) / (2 + 2*sameDay)

// State draws a state to go on from after the past: the slow parts as likely as they are,
// and the day's own part what is left of the last day as it was read.
func (p Past) State(rng *rand.Rand) State {
	e0, e1 := rng.NormFloat64(), rng.NormFloat64()
	s := State{Wet: p.wet, Weeks: p.slow[0] + p.root[0][0]*e0, Year: p.slow[1] + p.root[1][0]*e0 + p.root[1][1]*e1}
	slow := weeksShare*s.Weeks + yearShare*s.Year
	s.MaxResidual, s.MinResidual = (p.highest-slow)/ownShare, (p.least-slow)/ownShare
	return s
}
