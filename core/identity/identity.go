// Package identity is the gate between growing a plant and using it: only a
// planting that is sure is ever offered for use.
package identity

import (
	"cmp"
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// State is whether a planting's identity has been proved.
type State string

// The states. There is no probability between them.
const (
	Unproven State = "unproven"
	Sure     State = "sure"
)

// Parse returns the state of a word, or an error.
func Parse(word string) (State, error) {
	if s := State(word); s == Unproven || s == Sure {
		return s, nil
	}
	return "", fmt.Errorf("%q is not known; a planting is sure or unproven", word)
}

// Check is one look that is owed before a planting can be sure.
type Check struct {
	// LookAlike is the plant to be excluded, Botanical its botanical name.
	LookAlike, Botanical string
	// Danger is deadly, poisonous, unpleasant or harmless.
	Danger string
	// Decides is the character that tells them apart, When the season it shows.
	Decides, When string
}

var dangerOrder = map[string]int{"deadly": 0, "poisonous": 1, "unpleasant": 2, "harmless": 3}

// Owed returns the checks that a planting still owes, the most dangerous
// look-alike first: none for a sure one.
func Owed(species *flora.Species, state State) []Check {
	if state == Sure {
		return nil
	}
	var owed []Check
	for _, l := range species.LookAlikes {
		owed = append(owed, Check{l.Name, l.Botanical, l.Danger, l.Decides, l.When})
	}
	slices.SortStableFunc(owed, func(a, b Check) int { return cmp.Compare(dangerOrder[a.Danger], dangerOrder[b.Danger]) })
	return owed
}
