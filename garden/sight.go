package garden

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
)

// Sight is what was on the page when a plant was looked at: an answer speaks of that plant
// and those states, and of nothing that they became meanwhile.
type Sight struct {
	SpeciesID string `json:"speciesId" doc:"The plant that was asked about"`
	// Shown are, for each answer, the states that the plant was said to show.
	Shown map[string][]string `json:"shown" doc:"For each answer the states that the plant was said to show"`
}

// isOf makes sure that what was seen is what is in force, and says what changed where it is
// not.
func (s Sight) isOf(g *Garden, rules *identity.Rules, answers map[string]string) error {
	species := rules.Species
	if s.SpeciesID != species.ID {
		before := s.SpeciesID
		if other, has := g.lib().Species(before); has {
			before = other.Names.Name
		}
		if before == "" {
			before = "no plant"
		}
		return StaleError{What: "the plant", Why: []string{fmt.Sprintf("It is down as %s now; what you answered was asked of %s.", species.Names.Name, before)}}
	}
	var why []string
	for _, id := range slices.Sorted(maps.Keys(answers)) {
		standing, onRecord := species.Identity.Shows[id]
		character, known := identity.CharacterOf(id)
		if !onRecord && len(s.Shown[id]) == 0 || !known {
			continue // it was never asked, which is told as such
		}
		if !sameStates(standing, s.Shown[id]) {
			why = append(why, fmt.Sprintf("Of its %s the page said %s; now it says %s.", character.Name, stateWords(character, s.Shown[id]), stateWords(character, standing)))
		}
	}
	if why != nil {
		return StaleError{What: "what is on record of " + species.Names.Name, Why: why}
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

// sightOf is what a page shows of some characters.
func sightOf(speciesID string, answers map[string]string, shows func(id string) []StateView) Sight {
	s := Sight{SpeciesID: speciesID, Shown: map[string][]string{}}
	for id := range answers {
		for _, state := range shows(id) {
			s.Shown[id] = append(s.Shown[id], state.ID)
		}
	}
	return s
}

// Look is a look at what a check shows, with these answers.
func (v CheckView) Look(day, by string, answers map[string]string) LookInput {
	return LookInput{Day: day, By: by, Answers: answers, Sight: sightOf(v.SpeciesID, answers, func(id string) []StateView {
		for _, known := range v.Known {
			if known.ID == id {
				return known.Shows
			}
		}
		return nil
	})}
}

// Sorting is a sorting by what a basket asks, with these answers.
func (v BasketView) Sorting(by string, answers map[string]string) SortingInput {
	return SortingInput{By: by, Answers: answers, Sight: sightOf(v.SpeciesID, answers, func(id string) []StateView {
		for _, q := range v.Questions {
			if q.ID == id {
				return q.Shows
			}
		}
		return nil
	})}
}
