package view

import (
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/garden/say"
)

// PlantCharacter is a character that a plant is known by.
type PlantCharacter struct {
	ID    string      `json:"id"`
	Name  string      `json:"name"`
	Must  bool        `json:"must"`
	Shows []StateView `json:"shows"`
}

// CharactersOf are the characters that a plant is known by, the musts first.
func CharactersOf(species *flora.Species) []PlantCharacter {
	views := []PlantCharacter{}
	for _, c := range identity.Vocabulary() {
		if states, has := species.Identity.Shows[c.ID]; has {
			views = append(views, PlantCharacter{c.ID, c.Name, slices.Contains(species.Identity.Musts, c.ID), ViewStates(c, states)})
		}
	}
	slices.SortStableFunc(views, func(a, b PlantCharacter) int { return -say.CompareBools(a.Must, b.Must) })
	return views
}
