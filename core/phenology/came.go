package phenology

import (
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// Came is what the looks of a season tell of the day on which the typical plant of a planting came into a stage.
type Came struct {
	Stage flora.Stage
	// After is the last day on which it was not yet there, By the first on which it was.
	After, By calendar.Date
}

// Middle is the day that the looks speak for, Doubt by how many days it may be off at most.
func (c Came) Middle() (day calendar.Date, doubt float64) {
	between := c.By.DaysSince(c.After)
	return c.After.AddDays((between + 1) / 2), float64(between) / 2
}

// isThere tells whether a look saw the typical plant, the middle one of a planting, at the stage that it names.
func isThere(share Share) bool { return share == Half || share == Most }

// CameIn tells from the looks of a season, by day, when the typical plant came into each stage of a plan's year, where
// a look before shows that it was not there yet. Looks that contradict each other tell nothing of the stage.
func (p *Plan) CameIn(seen []Sighting) (all []Came) {
	at := func(look Sighting, index int) (there, known bool) {
		k, has := p.Index(look.Stage, look.Day)
		switch {
		case !has:
			return false, false
		case k == index:
			return isThere(look.Share), true
		}
		return k > index, k < index || isThere(look.Share) // of a few ahead, nobody knows where the middle one is
	}
	stages := p.Stages
	for index := 1; index < len(stages); index++ {
		after, by, contradicted := calendar.Date(math.MinInt32), calendar.Date(math.MaxInt32), false
		for _, look := range seen {
			switch there, known := at(look, index); {
			case !known:
			case there:
				by = min(by, look.Day)
			default:
				contradicted = contradicted || look.Day > by
				after = max(after, look.Day)
			}
		}
		if !contradicted && after > math.MinInt32 && by < math.MaxInt32 && after < by {
			all = append(all, Came{stages[index], after, by})
		}
	}
	return all
}

// Told is how the dates that were told held against what came. Looks tell a stage's day to some days only: a date holds
// where it may have come within its 8 in 10, and counts as early or late where it surely did not. So more hold than
// would if each day were known.
type Told struct {
	// Of is how many were told, Within how many may have come inside their 8 in 10, and Early and Late the others.
	Of, Within, Early, Late int
	// Off is by how many days at least the middle date was off in the mean, and Wide how many days the 8 in 10 spanned.
	Off, Wide float64
}

// Add adds a date that was told and what came of it, and returns by how many days it surely came before the days that
// were told, below 0, or after them, above.
func (t *Told) Add(d Dates, came Came) (outside int) {
	first, last := came.After+1, came.By // the days on which it may have come
	n := float64(t.Of)
	t.Off = (t.Off*n + float64(max(0, first.DaysSince(d.P50), d.P50.DaysSince(last)))) / (n + 1)
	t.Wide = (t.Wide*n + float64(d.P90.DaysSince(d.P10))) / (n + 1)
	t.Of++
	switch {
	case last < d.P10:
		t.Early++
		return last.DaysSince(d.P10)
	case first > d.P90:
		t.Late++
		return first.DaysSince(d.P90)
	}
	t.Within++
	return 0
}

// Plausible tells whether so few within their 8 in 10 may come of spans that hold in 8 of 10: that no fewer do in more
// than 1 of 20 cases, by the binomial distribution. Of none it is.
func (t Told) Plausible() bool {
	const holds, tail = 0.8, 0.05
	fewer := 0.0
	for k := 0; k <= t.Within; k++ {
		fewer += binomial(t.Of, k, holds)
	}
	return t.Of == 0 || fewer > tail
}

// binomial is the chance of k of n where each has the chance p.
func binomial(n, k int, p float64) float64 {
	a, _ := math.Lgamma(float64(n) + 1)
	b, _ := math.Lgamma(float64(k) + 1)
	c, _ := math.Lgamma(float64(n-k) + 1)
	return math.Exp(a - b - c + float64(k)*math.Log(p) + float64(n-k)*math.Log(1-p))
}
