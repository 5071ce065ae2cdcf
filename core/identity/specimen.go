package identity

import (
	"math/rand/v2"

	"bramblyacre/core/flora"
)

// Specimen is one plant as it stands: one state by character.
type Specimen map[string]string

// NewSpecimen makes a plant of what a species shows: of every character on record one
// of its states, each as likely.
func NewSpecimen(shows flora.Shows, rng *rand.Rand) Specimen {
	plant := Specimen{}
	for _, id := range shows.Characters() {
		states := shows[id]
		plant[id] = states[rng.IntN(len(states))]
	}
	return plant
}

// Complete gives a plant a state in every character of the vocabulary: those that are
// not on record take any.
func (p Specimen) Complete(rng *rand.Rand) {
	for _, c := range vocabulary {
		if _, has := p[c.ID]; !has {
			p[c.ID] = c.States[rng.IntN(len(c.States))].ID
		}
	}
}

// Answers are what an observer who looks for a species notes of a plant in the given
// characters. One that the plant does not tell is "cannot tell".
func (p Specimen) Answers(species *flora.Species, characters []string) map[string]Answer {
	answers := map[string]Answer{}
	for _, id := range characters {
		state, has := p[id]
		answers[id] = NotSeen
		if !has {
			answers[id] = CannotTell
			continue
		}
		for _, own := range species.Identity.Shows[id] {
			if own == state {
				answers[id] = Seen
			}
		}
	}
	return answers
}
