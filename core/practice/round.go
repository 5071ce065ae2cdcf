package practice

import (
	"fmt"
	"math/rand/v2"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
)

// Round is one specimen to be told: of the plant looked for, or of the other.
type Round struct {
	Species, Other *flora.Species
	Stage          flora.Stage
	// Truth is true where the specimen is of the species.
	Truth    bool
	Specimen identity.Specimen
}

// metAt are the stages that a specimen can be met at.
var metAt = []flora.Stage{flora.Leafing, flora.FullLeaf, flora.InBud, flora.FullFlower, flora.SettingSeed, flora.Ripe}

// NewRound makes a specimen for a pair, at a stage of the year and with the variation
// that is on record, in the characters that show then. The same seed makes the same
// round. A pair that nothing tells apart at any stage is an error.
func NewRound(species, other *flora.Species, seed uint64) (Round, error) {
	rng := rand.New(rand.NewPCG(seed, 0x5eed))
	var stages []flora.Stage
	for _, stage := range metAt {
		r := Round{Species: species, Other: other, Stage: stage}
		if len(r.Deciding()) > 0 {
			stages = append(stages, stage)
		}
	}
	if len(stages) == 0 {
		return Round{}, fmt.Errorf("nothing on record tells %s from %s", species.Names.Name, other.Names.Name)
	}
	r := Round{Species: species, Other: other, Stage: stages[rng.IntN(len(stages))], Truth: rng.IntN(2) == 0}
	shows := other.Identity.Shows
	if r.Truth {
		shows = species.Identity.Shows
	}
	plant := identity.NewSpecimen(shows, rng)
	r.Specimen = identity.Specimen{}
	for _, id := range r.Inspectable() {
		if state, has := plant[id]; has {
			r.Specimen[id] = state
		}
	}
	return r, nil
}

// Inspectable are the characters that can be looked at: on record for either plant and
// showing at the stage.
func (r Round) Inspectable() []string {
	var ids []string
	one, other := identity.SightOf(r.Species, r.Stage), identity.SightOf(r.Other, r.Stage)
	for _, c := range identity.Vocabulary() {
		_, ofSpecies := r.Species.Identity.Shows[c.ID]
		_, ofOther := r.Other.Identity.Shows[c.ID]
		if ofSpecies && ofOther && !c.Hint && one.Shows(c) && other.Shows(c) {
			ids = append(ids, c.ID)
		}
	}
	return ids
}

// Deciding are the characters at the stage in which the two share no state.
func (r Round) Deciding() []string {
	var ids []string
	inspectable := r.Inspectable()
	for _, id := range identity.Apart(r.Species.Identity.Shows, r.Other.Identity.Shows) {
		if slices.Contains(inspectable, id) {
			ids = append(ids, id)
		}
	}
	return ids
}

// Decision is what the grower decides.
type Decision string

// The decisions.
const (
	ItIs       Decision = "it is"
	ItIsNot    Decision = "it is not"
	CannotTell Decision = "cannot tell"
)

// ParseDecision returns the decision of a word, or an error.
func ParseDecision(word string) (Decision, error) {
	if d := Decision(word); d == ItIs || d == ItIsNot || d == CannotTell {
		return d, nil
	}
	return "", fmt.Errorf("%q is no decision; say it is, it is not or cannot tell", word)
}

// Answer is what a round's decision amounts to.
type Answer struct {
	Outcome Outcome
	// Decided are the deciding characters that were looked at; Lucky is true for a right
	// decision without one.
	Decided []string
	Lucky   bool
	// Expert is how an expert would have looked: the characters that tell most, first,
	// up to NeedApart deciding ones.
	Expert []string
}

// Judge tells what a decision amounts to after looks at some characters. A right
// decision that rests on no deciding character is a guess and counts as unsure.
func (r Round) Judge(looked []string, decision Decision) Answer {
	a := Answer{Expert: r.expert()}
	for _, id := range r.Deciding() {
		if slices.Contains(looked, id) {
			a.Decided = append(a.Decided, id)
		}
	}
	right := decision == ItIs && r.Truth || decision == ItIsNot && !r.Truth
	switch {
	case decision == CannotTell:
		a.Outcome = Unsure
	case right && len(a.Decided) == 0:
		a.Outcome, a.Lucky = Unsure, true
	case right:
		a.Outcome = Right
	case decision == ItIs && flora.IsDangerous(r.Other.Identity.Danger):
		a.Outcome = Dangerous
	default:
		a.Outcome = Wrong
	}
	return a
}

// expert orders the looks by what each is expected to tell of the two, weighed by their
// danger, and stops when enough deciding ones are among them.
func (r Round) expert() []string {
	two := identity.NewCatalogue([]*flora.Species{r.Species, r.Other})
	inspectable := r.Inspectable()
	var order []string
	canBeSeen := func(c identity.Character) bool { return slices.Contains(inspectable, c.ID) }
	for _, worth := range two.Next(two.Find(nil), nil, canBeSeen) {
		if len(order) == identity.NeedApart {
			break
		}
		order = append(order, worth.Character.ID)
	}
	return order
}

// Pair is two plants that are mistaken for each other.
type Pair struct{ Species, Other *flora.Species }

// Pairs returns every pair of a plant that is used and a look-alike that it names and
// that has its own page.
func Pairs(all []*flora.Species) []Pair {
	byID := map[string]*flora.Species{}
	for _, s := range all {
		byID[s.ID] = s
	}
	var pairs []Pair
	for _, s := range all {
		for _, l := range s.LookAlikes {
			other := byID[l.ID]
			if other == nil || !s.IsUsed() || len(identity.Apart(s.Identity.Shows, other.Identity.Shows)) == 0 {
				continue
			}
			pairs = append(pairs, Pair{s, other})
		}
	}
	return pairs
}
