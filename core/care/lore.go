// Package care tells which of the work that a species' rows ask for is wanted of a planting now, and what leaving it
// costs.
package care

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// The names of kinds of work that are judged by more than a plant's stage.
const (
	Pinch   = "pinch"
	Mulch   = "mulch"
	Feed    = "feed"
	Shelter = "shelter"
	Renew   = "renew"
	Hold    = "hold"
	// BeforeSeed is what keeps seed from falling.
	BeforeSeed = "before seed"
	Water      = "water"
	Other      = "other"
)

// What the work wants of the day's weather.
const (
	AnyWeather = "any"
	DryDay     = "dry"
	DampGround = "damp ground"
	Roof       = "roof"
)

// Work is a kind of work on plants.
type Work struct {
	Name string `toml:"name"`
	// Verbs are those that a species' row of this work begins with.
	Verbs []string `toml:"verbs"`
	// Stake is the part of a planting's worth in a year that leaving it costs, 0–1.
	Stake   flora.Figure `toml:"stake"`
	Weather string       `toml:"weather"`
	// Leaving says what leaving it costs.
	Leaving string `toml:"leaving"`
}

// Lore is what is known of work on plants that is of no one species.
type Lore struct {
	Works    []Work    `toml:"work"`
	Troubles []Trouble `toml:"trouble"`
}

// WorkOf is the kind of work of a species' row: the one it names, else the one of its verb, else "other".
func (l Lore) WorkOf(row flora.Care) Work {
	named := row.Work
	for _, w := range l.Works {
		if named == "" && slices.Contains(w.Verbs, row.Verb) || named != "" && w.Name == named {
			return w
		}
	}
	for _, w := range l.Works {
		if w.Name == Other {
			return w
		}
	}
	return Work{Name: Other, Weather: AnyWeather}
}

// Has tells whether there is a kind of work of a name.
func (l Lore) Has(name string) bool {
	return slices.ContainsFunc(l.Works, func(w Work) bool { return w.Name == name })
}

// Check tells what is wrong with the kinds of work and the troubles: one without a name, a stake or words, or a verb
// of two.
func (l Lore) Check() error {
	of := map[string]string{}
	for i, w := range l.Works {
		switch {
		case w.Name == "" || w.Leaving == "":
			return fmt.Errorf("work[%d]: needs a name and what leaving it costs", i)
		case w.Stake.Unit != "share" || w.Stake.Low < 0 || w.Stake.High > 1:
			return fmt.Errorf("work %q: needs a stake, a share from 0 to 1", w.Name)
		case !slices.Contains([]string{AnyWeather, DryDay, DampGround, Roof}, w.Weather):
			return fmt.Errorf("work %q: there is no weather %q", w.Name, w.Weather)
		}
		for _, verb := range w.Verbs {
			if other, has := of[verb]; has {
				return fmt.Errorf("%q is the verb of %q and of %q", verb, other, w.Name)
			}
			of[verb] = w.Name
		}
	}
	return l.checkTroubles()
}
