package flora

import (
	"fmt"
	"slices"
	"strings"
)

// Range is what a species asks of one need, as a trapezoid on a scale: full
// between From and To, falling to nothing at Low and at High.
type Range struct {
	Low      float64  `toml:"low"`
	From     float64  `toml:"from"`
	To       float64  `toml:"to"`
	High     float64  `toml:"high"`
	Unit     string   `toml:"unit"`
	Standing Standing `toml:"standing"`
	Source   string   `toml:"source"`
	Note     string   `toml:"note"`
}

func (r Range) check(unit string) error {
	switch {
	case !finite(r.Low, r.From, r.To, r.High):
		return fmt.Errorf("is no range of numbers; write it in %s", unit)
	case r == Range{}:
		return fmt.Errorf("is missing; write from what to what it is good, in %s, and in brackets what is borne", unit)
	case r.Unit != unit:
		return fmt.Errorf("the unit is %q; it must be %q", r.Unit, unit)
	case r.Low > r.From || r.From > r.To || r.To > r.High:
		return fmt.Errorf("the range runs the wrong way: low %v, from %v, to %v, high %v", r.Low, r.From, r.To, r.High)
	}
	return checkStanding(r.Standing, r.Source)
}

// WordRange is a Range on a scale of words: good from From to To, borne from Low
// to High.
type WordRange struct {
	Low      string   `toml:"low"`
	From     string   `toml:"from"`
	To       string   `toml:"to"`
	High     string   `toml:"high"`
	Standing Standing `toml:"standing"`
	Source   string   `toml:"source"`
	Note     string   `toml:"note"`
}

// On returns the range on the numeric scale on which the words stand at 0, 1, 2
// and so on: it falls to nothing one step beyond the last word that is borne. The
// words were checked when the species was read.
func (r WordRange) On(words []string) Range {
	at := func(word string) float64 { return float64(slices.Index(words, word)) }
	return Range{Low: at(r.Low) - 1, From: at(r.From), To: at(r.To), High: at(r.High) + 1, Standing: r.Standing}
}

func (r WordRange) check(words []string) error {
	if r == (WordRange{}) {
		return fmt.Errorf("is missing; use the words %s", strings.Join(words, ", "))
	}
	before := 0
	for _, word := range []string{r.Low, r.From, r.To, r.High} {
		at := slices.Index(words, word)
		if at < 0 {
			return fmt.Errorf("%q is none of %q", word, words)
		}
		if at < before {
			return fmt.Errorf("the range runs the wrong way: %s, %s, %s, %s", r.Low, r.From, r.To, r.High)
		}
		before = at
	}
	return checkStanding(r.Standing, r.Source)
}

func checkStanding(standing Standing, source string) error {
	if standing == Published && source == "" {
		return fmt.Errorf("a published figure must name its source")
	}
	return nil
}
