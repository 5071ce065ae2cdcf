package bench

import (
	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// The kinds of what is counted of a batch.
const (
	countUp     = "up"
	countGone   = "gone"
	countPotted = "potted"
	countOut    = "out"
)

// countsOf are what was counted of a batch, in the order it was noted.
func countsOf(s *plot.State, batch int64) (of []store.BatchCount) {
	for _, c := range counts.Of(s) {
		if c.BatchID == batch {
			of = append(of, c)
		}
	}
	return of
}

// progress is how far a batch is, by what was counted.
type progress struct {
	// Up is how many had come up or rooted when last counted, UpOn when that was; Counted is false
	// where nobody did.
	Up      int
	UpOn    calendar.Date
	Counted bool
	// Gone were lost since they were up, Out went out.
	Gone, Out int
	// Potted is true once they were potted on, or counted closed by going out.
	Potted bool
}

func progressOf(s *plot.State, batch int64) (p progress) {
	for _, c := range countsOf(s, batch) {
		switch c.Kind {
		case countUp:
			p.Up, p.UpOn, p.Counted = int(c.Plants), dayOf(&c.Day), true
		case countGone:
			p.Gone += int(c.Plants)
		case countPotted:
			p.Potted = true
		case countOut:
			p.Out += int(c.Plants)
		}
	}
	return p
}

// Standing is how many plants of the batch are left to raise: those up that did not go, or all
// that were started where nobody counted yet.
func (p progress) standing(b store.Batch) int {
	if b.BegunOn == nil {
		return 0
	}
	up := p.Up
	if !p.Counted {
		up = int(b.Starts)
	}
	return max(0, up-p.Gone-p.Out)
}

// closedDays is how long after its seed should be up a tray is counted for good.
const closedDays = 14

// countedUp is how many of a batch came up, and whether that count is closed: the batch went on, or
// it was counted well after it should be up. A tray half up says nothing of its lot yet.
func countedUp(s *plot.State, b store.Batch) (up int, closed bool) {
	p := progressOf(s, b.ID)
	if !p.Counted {
		return 0, false
	}
	if p.Potted || p.Out > 0 || b.EndedOn != nil {
		return p.Up, true
	}
	for _, stay := range staysOf(b) {
		if stay.Step == stepRise || stay.Step == stepRoot {
			return p.Up, p.UpOn >= stay.Until.AddDays(closedDays)
		}
	}
	return p.Up, false
}
