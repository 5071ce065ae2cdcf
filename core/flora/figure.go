package flora

import (
	"fmt"
	"math"
)

// Standing says what a figure rests on, weakest first.
type Standing int

// The standings of a figure.
const (
	// Guess is a reasoned guess of ours.
	Guess Standing = iota
	// Usual is common horticultural knowledge.
	Usual
	// Published is taken from a named work.
	Published
	// Measured was measured by the grower on this plot.
	Measured
)

var standingNames = []string{"guess", "usual", "published", "measured"}

// String returns the standing's name.
func (s Standing) String() string { return standingNames[s] }

// MarshalText writes the standing's name.
func (s Standing) MarshalText() ([]byte, error) { return []byte(s.String()), nil }

// UnmarshalText reads the standing's name.
func (s *Standing) UnmarshalText(text []byte) error {
	for i, name := range standingNames {
		if name == string(text) {
			*s = Standing(i)
			return nil
		}
	}
	return fmt.Errorf("%q is not a standing; use guess, usual, published or measured", text)
}

// Weakest returns the weakest of several standings: what a result rests on.
func Weakest(first Standing, more ...Standing) Standing {
	for _, s := range more {
		first = min(first, s)
	}
	return first
}

// Figure is one figure of the trade: a usual value in a range, with its unit
// and what it rests on.
type Figure struct {
	Value    float64  `toml:"value"`
	Low      float64  `toml:"low"`
	High     float64  `toml:"high"`
	Unit     string   `toml:"unit"`
	Standing Standing `toml:"standing"`
	// Source names the work a published figure is taken from.
	Source string `toml:"source"`
	// Note says how a figure was come by, or when it does not hold.
	Note string `toml:"note"`
}

// check returns an error if the figure is not in the wanted unit, is out of
// its own range, or claims a source it does not name.
func (f Figure) check(unit string) error {
	switch {
	case !finite(f.Value, f.Low, f.High):
		return fmt.Errorf("is no number; write one in %s", unit)
	case f == Figure{}:
		return fmt.Errorf("is missing; write a number in %s, with its range in brackets", unit)
	case f.Unit == "":
		return fmt.Errorf("the unit is missing; it must be %q", unit)
	case f.Unit != unit:
		return fmt.Errorf("the unit is %q; it must be %q", f.Unit, unit)
	case f.Low > f.High:
		return fmt.Errorf("the range runs the wrong way: low %v, high %v", f.Low, f.High)
	case f.Value < f.Low || f.Value > f.High:
		return fmt.Errorf("the value %v is outside its range %v to %v", f.Value, f.Low, f.High)
	}
	return checkStanding(f.Standing, f.Source)
}

// finite tells whether all of several numbers are numbers, and not endless. No comparison
// holds for one that is none, so that it has to be asked for first.
func finite(numbers ...float64) bool {
	for _, n := range numbers {
		if math.IsNaN(n) || math.IsInf(n, 0) {
			return false
		}
	}
	return true
}
