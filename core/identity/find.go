package identity

import (
	"cmp"
	"math"
	"slices"

	"bramblyacre/core/flora"
)

// Candidate is a plant that what was seen may be.
type Candidate struct {
	Species *flora.Species
	// Agrees and Against are the characters entered that it shows and does not show;
	// one that is not on record for it stands in neither.
	Agrees, Against []string
}

// stays is up to how many contradictions a dangerous plant stays in sight: one may
// have been misread.
const stays = 1

// Find returns the plants that what was seen, one state by character, can be: all that
// nothing contradicts, and the dangerous ones with up to one contradiction. Those that
// nothing contradicts come first, then the most dangerous, then those that more agrees with.
func Find(all []*flora.Species, seen map[string]string) []Candidate {
	var found []Candidate
	for _, s := range all {
		c := Candidate{Species: s}
		for _, character := range vocabulary {
			state, given := seen[character.ID]
			states, known := s.Identity.Shows[character.ID]
			switch {
			case !given || !known:
			case slices.Contains(states, state):
				c.Agrees = append(c.Agrees, character.ID)
			default:
				c.Against = append(c.Against, character.ID)
			}
		}
		if len(c.Against) == 0 || flora.IsDangerous(s.Identity.Danger) && len(c.Against) <= stays && len(c.Agrees) > 0 {
			found = append(found, c)
		}
	}
	slices.SortStableFunc(found, func(a, b Candidate) int {
		return cmp.Or(cmp.Compare(len(a.Against), len(b.Against)), cmp.Compare(len(b.Agrees), len(a.Agrees)),
			cmp.Compare(dangerOrder[a.Species.Identity.Danger], dangerOrder[b.Species.Identity.Danger]))
	})
	return found
}

// Next returns the characters not looked at yet that tell most about which of the
// candidates it is, the best first, each with its worth in bits: the expected loss of
// entropy (Shannon 1948) over candidates that weigh by their danger, so that a
// question which parts a deadly plant from the rest comes before one which parts two
// harmless ones. Every state on record for a plant is taken as equally likely; where a
// character is not on record, every state of the vocabulary is.
func Next(candidates []Candidate, looked map[string]bool, shows func(Character) bool) []Worth {
	var worths []Worth
	prior := make([]float64, len(candidates))
	total := 0.0
	for i, c := range candidates {
		prior[i] = dangerWeights[c.Species.Identity.Danger]
		total += prior[i]
	}
	if len(candidates) < 2 {
		return nil
	}
	before := entropy(prior, total)
	joint := make([]float64, len(candidates))
	for _, character := range vocabulary {
		if looked[character.ID] || !shows(character) {
			continue
		}
		after := 0.0
		for _, state := range character.States {
			sum := 0.0
			for i, c := range candidates {
				joint[i] = prior[i] * likelihood(c.Species.Identity.Shows[character.ID], state.ID, len(character.States))
				sum += joint[i]
			}
			if sum > 0 {
				after += sum / total * entropy(joint, sum)
			}
		}
		if bits := before - after; bits > 1e-9 {
			worths = append(worths, Worth{character, bits})
		}
	}
	slices.SortStableFunc(worths, func(a, b Worth) int { return cmp.Compare(b.Bits, a.Bits) })
	return worths
}

// Worth is a character with what a look at it is expected to tell, in bits.
type Worth struct {
	Character Character
	Bits      float64
}

func likelihood(states flora.States, state string, all int) float64 {
	switch {
	case len(states) == 0:
		return 1 / float64(all)
	case slices.Contains(states, state):
		return 1 / float64(len(states))
	}
	return 0
}

func entropy(weights []float64, total float64) (bits float64) {
	for _, w := range weights {
		if w > 0 {
			p := w / total
			bits -= p * math.Log2(p)
		}
	}
	return bits
}
