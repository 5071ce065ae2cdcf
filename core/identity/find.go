package identity

import (
	"cmp"
	"math"
	mathbits "math/bits"
	"slices"

	"bramblyacre/core/flora"
)

// Catalogue is a set of species laid out for narrowing down: what each shows by the
// place of character and state in the vocabulary.
type Catalogue struct {
	species []*flora.Species
	// shows has for each character and species a bit for every state that it shows.
	shows  [][]uint32
	danger []uint8 // by species, its place in flora.DangerWords
}

// NewCatalogue lays species out. States outside the vocabulary are left out: a species
// with any was refused when it was read.
func NewCatalogue(species []*flora.Species) *Catalogue {
	c := &Catalogue{species: species, shows: make([][]uint32, len(vocabulary)), danger: make([]uint8, len(species))}
	for i, s := range species {
		c.danger[i] = uint8(max(0, slices.Index(flora.DangerWords, s.Identity.Danger)))
	}
	for k, character := range vocabulary {
		c.shows[k] = make([]uint32, len(species))
		for i, s := range species {
			for _, state := range s.Identity.Shows[character.ID] {
				if at, known := stateAt[character.ID][state]; known {
					c.shows[k][i] |= 1 << at
				}
			}
		}
	}
	return c
}

// stateAt is the place of each state in its character.
var stateAt = func() map[string]map[string]int {
	at := map[string]map[string]int{}
	for _, c := range vocabulary {
		at[c.ID] = map[string]int{}
		for i, s := range c.States {
			at[c.ID][s.ID] = i
		}
	}
	return at
}()

// Candidate is a plant that what was seen may be.
type Candidate struct {
	Species *flora.Species
	// Agrees and Against are the characters entered that it shows and does not show;
	// one that is not on record for it stands in neither.
	Agrees, Against []string
	at              int // its place in the catalogue
}

// stays is up to how many contradictions a dangerous plant stays in sight: two may
// have been misread.
const stays = 2

// Find returns the plants that what was seen, one state by character, can be: all that
// nothing contradicts, and the dangerous ones with up to two contradictions and something
// that agrees. Those that nothing contradicts come first, then those that more agrees
// with, then the most dangerous.
func (c *Catalogue) Find(seen map[string]string) []Candidate {
	type entered struct {
		character int
		state     uint32
	}
	var given []entered
	for k, character := range vocabulary {
		if state, has := seen[character.ID]; has {
			e := entered{character: k}
			if at, known := stateAt[character.ID][state]; known {
				e.state = 1 << at
			}
			given = append(given, e)
		}
	}
	var found []Candidate
	for i, s := range c.species {
		candidate := Candidate{Species: s, at: i}
		for _, e := range given {
			switch states := c.shows[e.character][i]; {
			case states == 0:
			case states&e.state != 0:
				candidate.Agrees = append(candidate.Agrees, vocabulary[e.character].ID)
			case vocabulary[e.character].Hint: // it speaks for a plant and never against one
			default:
				candidate.Against = append(candidate.Against, vocabulary[e.character].ID)
			}
		}
		if len(candidate.Against) == 0 ||
			flora.IsDangerous(s.Identity.Danger) && len(candidate.Against) <= stays && len(candidate.Agrees) > 0 {
			found = append(found, candidate)
		}
	}
	slices.SortFunc(found, func(a, b Candidate) int {
		return cmp.Or(
			cmp.Compare(len(a.Against), len(b.Against)),
			cmp.Compare(len(b.Agrees), len(a.Agrees)),
			cmp.Compare(c.danger[a.at], c.danger[b.at]),
			cmp.Compare(a.at, b.at),
		)
	})
	return found
}

// Next returns the characters not looked at yet that tell most about which of the
// candidates it is, the best first, each with its worth in bits: the expected loss of
// entropy (Shannon 1948) over candidates that weigh by their danger, so that a
// question which parts a deadly plant from the rest comes before one which parts two
// harmless ones. Every state on record for a plant is taken as equally likely; where a
// character is not on record, every state of the vocabulary is. A hint rules nothing
// out, so it is not asked for.
func (c *Catalogue) Next(candidates []Candidate, looked map[string]bool, shows func(Character) bool) []Worth {
	if len(candidates) < 2 {
		return nil
	}
	var all tally
	for _, candidate := range candidates {
		all.plus(shares[c.danger[candidate.at]][1])
	}
	before := all.entropy()
	var worths []Worth
	for k, character := range vocabulary {
		if character.Hint || looked[character.ID] || !shows(character) {
			continue
		}
		if bits := before - c.entropyAfter(k, candidates, all.sum); bits > 1e-9 {
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

// entropyAfter is the entropy that is expected to be left, in bits, once a character is
// known: over its states the chance of each times the entropy of the plants that show it.
func (c *Catalogue) entropyAfter(k int, candidates []Candidate, total float64) (bits float64) {
	states := make([]tally, len(vocabulary[k].States))
	var unknown tally // in every state alike
	for _, candidate := range candidates {
		own, danger := c.shows[k][candidate.at], c.danger[candidate.at]
		if own == 0 {
			unknown.plus(shares[danger][len(states)])
			continue
		}
		share := shares[danger][mathbits.OnesCount32(own)]
		for ; own != 0; own &= own - 1 {
			states[mathbits.TrailingZeros32(own)].plus(share)
		}
	}
	for _, t := range states {
		t.plus(unknown)
		bits += t.sum / total * t.entropy()
	}
	return bits
}

// tally sums weights w and w log2 w, of which the entropy of any number of them follows.
type tally struct{ sum, logs float64 }

func (t *tally) plus(other tally) {
	t.sum += other.sum
	t.logs += other.logs
}

// entropy is that of the weights as shares of their sum, in bits.
func (t tally) entropy() float64 {
	if t.sum == 0 {
		return 0
	}
	return math.Log2(t.sum) - t.logs/t.sum
}

// mostStates bounds how many states a character has: a bit for each.
const mostStates = 32

// shares are what a plant of each danger adds to a tally where it can show n states.
var shares = func() (all [][mostStates]tally) {
	for _, danger := range flora.DangerWords {
		var row [mostStates]tally
		for n := 1; n < mostStates; n++ {
			weight := dangerWeights[danger] / float64(n)
			row[n] = tally{weight, weight * math.Log2(weight)}
		}
		all = append(all, row)
	}
	return all
}()
