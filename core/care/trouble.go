package care

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
)

// Trouble is a sign that is marked on a round, with what it asks for: common horticultural knowledge.
type Trouble struct {
	// Mark is the word that it is noted by, Title its heading.
	Mark  string `toml:"mark"`
	Title string `toml:"title"`
	// Looks says what it looks like, Unlike from what it is told apart and how.
	Looks  string `toml:"looks"`
	Unlike string `toml:"unlike"`
	// Verb and What are the job, Why the reason.
	Verb string `toml:"verb"`
	What string `toml:"what"`
	Why  string `toml:"why"`
	// Urgent is how soon, in flora's words.
	Urgent string `toml:"urgent"`
	// Days is for how many days after the look it is worth doing, Minutes the work.
	Days    int     `toml:"days"`
	Minutes float64 `toml:"minutes"`
	// Picking is what to mind where something is picked meanwhile; empty for nothing.
	Picking string `toml:"picking"`
	// Match are words of a species' own troubles that are of this sign.
	Match  []string `toml:"match"`
	Steps  []string `toml:"steps"`
	Causes []Cause  `toml:"cause"`
}

// Cause is what commonly brings a trouble.
type Cause struct {
	Says string `toml:"says"`
	// Weather is what of late brings it on: wet, dry, cold or warm; empty for any.
	Weather Lately `toml:"weather,omitempty"`
}

// Lately is what the weather of the last weeks was.
type Lately string

// What the weather was of late.
const (
	Wet  Lately = "wet"
	Dry  Lately = "dry"
	Cold Lately = "cold"
	Warm Lately = "warm"
)

// OfThis tells whether a species' own trouble is of this sign.
func (t Trouble) OfThis(own flora.Trouble) bool {
	name := strings.ToLower(own.Name)
	return slices.ContainsFunc(t.Match, func(word string) bool { return strings.Contains(name, word) })
}

// Sorted are a trouble's causes with those first that the weather of late brings on, each with whether it does.
func (t Trouble) Sorted(lately []Lately) (causes []Cause, likely int) {
	var others []Cause
	for _, cause := range t.Causes {
		if slices.Contains(lately, cause.Weather) {
			causes = append(causes, cause)
		} else {
			others = append(others, cause)
		}
	}
	return append(causes, others...), len(causes)
}

// Trouble returns what a mark asks for, and whether it is one.
func (l Lore) Trouble(mark string) (Trouble, bool) {
	for _, t := range l.Troubles {
		if t.Mark == mark {
			return t, true
		}
	}
	return Trouble{}, false
}

func (l Lore) checkTroubles() error {
	seen := map[string]bool{}
	for i, t := range l.Troubles {
		switch {
		case t.Mark == "" || t.Title == "" || t.Looks == "" || t.Unlike == "" || t.Verb == "" || t.What == "" || t.Why == "":
			return fmt.Errorf("trouble[%d]: needs mark, title, looks, unlike, verb, what and why", i)
		case seen[t.Mark] || strings.Contains(t.Mark, ","):
			return fmt.Errorf("trouble %q: a mark stands once, and has no comma", t.Mark)
		case !slices.Contains(flora.UrgentWords, t.Urgent):
			return fmt.Errorf("trouble %q: urgent is one of %s", t.Mark, strings.Join(flora.UrgentWords, ", "))
		case t.Days < 1 || t.Minutes <= 0 || len(t.Steps) == 0 || len(t.Causes) == 0:
			return fmt.Errorf("trouble %q: needs days, minutes, steps and causes", t.Mark)
		}
		for _, cause := range t.Causes {
			if cause.Says == "" || !slices.Contains([]Lately{"", Wet, Dry, Cold, Warm}, cause.Weather) {
				return fmt.Errorf("trouble %q: a cause says what, and of wet, dry, cold or warm weather", t.Mark)
			}
		}
		seen[t.Mark] = true
	}
	return nil
}
