// Package practice trains a grower to tell a plant from what it is mistaken for: it
// makes specimens, judges decisions, and says when a pair is to come back.
package practice

import "bramblyacre/core/calendar"

// Card is how well one pair of plants is told apart: its box and when it is due.
type Card struct {
	// Box is 1 to Boxes; a new pair is in box 1.
	Box int
	Due calendar.Date
	// Tries and Correct count decisions; Deadly those that took a deadly or poisonous
	// plant for the one looked for.
	Tries, Correct, Deadly int
}

// Boxes is how many boxes there are, and boxDays after how many days a card in each
// comes back. The boxes are Leitner's (So lernt man lernen, Herder, 1972): a card that
// was known moves one box on, one that was not goes back to the first. He sized the
// boxes; the days, each about double the last, are a usual reading of that.
const Boxes = 6

var boxDays = [Boxes]int{1, 3, 7, 16, 35, 80}

// New is the card of a pair that was never tried: due at once.
func New(today calendar.Date) Card { return Card{Box: 1, Due: today} }

// After returns the card after a decision on a day. One that cannot tell is no mistake
// and no success: the card stays in its box and comes back tomorrow.
func (c Card) After(outcome Outcome, today calendar.Date) Card {
	c.Tries++
	switch outcome {
	case Right:
		c.Correct++
		c.Box = min(c.Box+1, Boxes)
		c.Due = today.AddDays(boxDays[c.Box-1])
	case Wrong:
		c.Box = 1
		c.Due = today.AddDays(boxDays[0])
	case Dangerous:
		c.Deadly++
		c.Box = 1
		c.Due = today // a mistake that kills comes back at once
	case Unsure:
		c.Due = today.AddDays(1)
	}
	return c
}

// Outcome is what a decision amounts to.
type Outcome string

// The outcomes.
const (
	Right     Outcome = "right"
	Wrong     Outcome = "wrong"
	Dangerous Outcome = "dangerous"
	Unsure    Outcome = "unsure"
)
