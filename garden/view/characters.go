package view

import (
	"cmp"
	"slices"

	"bramblyacre/core/identity"
	"bramblyacre/garden/say"
)

// CheckAnswers notes what is wrong with answers to characters.
func CheckAnswers(c *say.Checklist, rules *identity.Rules, answers map[string]string) {
	if len(answers) == 0 {
		c.Add("answers", "Answer at least one question.")
	}
	for id, answer := range answers {
		if _, known := rules.Species.Identity.Shows[id]; !known {
			c.Add("answers", "%q is no character on record for %s.", id, rules.Species.Names.Name)
		}
		if _, err := identity.ParseAnswer(answer); err != nil {
			c.AddError("answers", err)
		}
	}
	slices.SortFunc(c.Faults, func(a, b say.Fault) int {
		return slices.Compare([]string{a.Field, a.Message}, []string{b.Field, b.Message})
	})
}

// PlantCharacter is a character that a plant is known by.
type PlantCharacter struct {
	ID    string      `json:"id"`
	Name  string      `json:"name"`
	Must  bool        `json:"must"`
	Shows []StateView `json:"shows"`
}

// CharactersOf are the characters that a plant is known by, the musts first, then what tells it
// from most dangerous plants, those that it names above all.
func CharactersOf(rules *identity.Rules) []PlantCharacter {
	species, views, tells := rules.Species, []PlantCharacter{}, map[string]int{}
	const namedCounts = 20 // as many others as a danger that the plant names
	for _, d := range rules.Dangers {
		for _, id := range d.Deciding {
			if tells[id]++; d.Listed {
				tells[id] += namedCounts
			}
		}
	}
	for _, c := range identity.Vocabulary() {
		if states, has := species.Identity.Shows[c.ID]; has {
			views = append(
				views,
				PlantCharacter{c.ID, c.Name, slices.Contains(species.Identity.Musts, c.ID), ViewStates(c, states)},
			)
		}
	}
	slices.SortStableFunc(views, func(a, b PlantCharacter) int {
		return cmp.Or(-say.CompareBools(a.Must, b.Must), cmp.Compare(tells[b.ID], tells[a.ID]))
	})
	return views
}

// CharacterView is a character with its states to choose from.
type CharacterView struct {
	ID     string      `json:"id"`
	Name   string      `json:"name"`
	Ask    string      `json:"ask"`
	How    string      `json:"how"`
	States []StateView `json:"states"`
	Bits   float64     `json:"-"`
}

// ViewCharacter shows a character, with how much it tells.
func ViewCharacter(c identity.Character, bits float64) CharacterView {
	v := CharacterView{ID: c.ID, Name: c.Name, Ask: c.Ask, How: c.How, States: []StateView{}, Bits: say.Round2(bits)}
	for _, state := range c.States {
		v.States = append(v.States, StateView{state.ID, state.Words})
	}
	return v
}
