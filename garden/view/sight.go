package view

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// Sight is what was on the page when a plant was looked at: an answer speaks of that plant
// and those states, and of nothing that they became meanwhile.
type Sight struct {
	SpeciesID string `json:"speciesId" doc:"The plant that was asked about"`
	// Shown are, for each answer, the states that the plant was said to show.
	Shown map[string][]string `json:"shown" doc:"For each answer the states that the plant was said to show"`
}

// IsOf makes sure that what was seen is what is in force, and says what changed where it is
// not.
func (s Sight) IsOf(g *plot.Plot, rules *identity.Rules, answers map[string]string) error {
	species := rules.Species
	if s.SpeciesID != species.ID {
		before := s.SpeciesID
		if other, has := g.Lib().Species(before); has {
			before = other.Names.Name
		}
		if before == "" {
			before = "no plant"
		}
		return say.StaleError{
			What: "the plant",
			Why:  []string{fmt.Sprintf("It is down as %s now; what you answered was asked of %s.", species.Names.Name, before)},
		}
	}
	var why []string
	for _, id := range slices.Sorted(maps.Keys(answers)) {
		standing, onRecord := species.Identity.Shows[id]
		character, known := identity.CharacterOf(id)
		if !onRecord && len(s.Shown[id]) == 0 || !known {
			continue // it was never asked, which is told as such
		}
		if !sameStates(standing, s.Shown[id]) {
			why = append(
				why,
				fmt.Sprintf(
					"Of its %s the page said %s; now it says %s.",
					character.Name,
					stateWords(character, s.Shown[id]),
					stateWords(character, standing),
				),
			)
		}
	}
	if why != nil {
		return say.StaleError{What: "what is on record of " + species.Names.Name, Why: why}
	}
	return nil
}

func sameStates(a flora.States, b []string) bool {
	return slices.Equal(slices.Sorted(slices.Values(a)), slices.Sorted(slices.Values(b)))
}

func stateWords(c identity.Character, ids []string) string {
	if len(ids) == 0 {
		return "nothing"
	}
	var words []string
	for _, id := range ids {
		if state, has := c.State(id); has {
			words = append(words, state.Words)
		} else {
			words = append(words, id)
		}
	}
	return strings.Join(words, " or ")
}

// SightOf is what a page shows of some characters.
func SightOf(speciesID string, answers map[string]string, shows func(id string) []StateView) Sight {
	s := Sight{SpeciesID: speciesID, Shown: map[string][]string{}}
	for id := range answers {
		for _, state := range shows(id) {
			s.Shown[id] = append(s.Shown[id], state.ID)
		}
	}
	return s
}
