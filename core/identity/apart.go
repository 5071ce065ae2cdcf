package identity

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// NeedApart is how many characters that tell a plant from a dangerous one have to be
// seen before that one is ruled out: with three, two of them misread still leave one
// that contradicts.
const NeedApart = 3

// Apart returns the characters that tell two plants apart: those on record for both in
// which they share no state, in the order of the vocabulary.
func Apart(a, b flora.Shows) []string {
	var apart []string
	for _, character := range vocabulary {
		ofA, hasA := a[character.ID]
		ofB, hasB := b[character.ID]
		if !character.Hint && hasA && hasB &&
			!slices.ContainsFunc(ofA, func(state string) bool { return slices.Contains(ofB, state) }) {
			apart = append(apart, character.ID)
		}
	}
	return apart
}

// Danger is a dangerous plant that another must not be taken for, with the characters
// that decide between them.
type Danger struct {
	// ID is the species' own; empty for one that the library does not describe.
	ID, Name, Botanical, Danger string
	// Listed is true for a look-alike that the species itself names.
	Listed   bool
	Deciding []string
	// at is its place among the rules' dangers.
	at int
}

// Rules are what has to be seen of a species before it is sure.
type Rules struct {
	Species *flora.Species
	Musts   []string
	// Dangers are all other dangerous plants on record, those it names as look-alikes
	// first, the deadly before the poisonous.
	Dangers []Danger
	// decides are the deciding characters of each danger.
	decides []marks
}

// NewRules returns the rules of a species among all species of a library. One of the
// grower's own counts as naming every dangerous plant: nobody has gone over what it is
// mistaken for.
func NewRules(species *flora.Species, all []*flora.Species, own bool) *Rules {
	r := &Rules{Species: species, Musts: species.Identity.Musts}
	listed := map[string]bool{}
	for _, l := range species.LookAlikes {
		if l.ID != "" {
			listed[l.ID] = true
		} else if flora.IsDangerous(l.Danger) {
			r.Dangers = append(
				r.Dangers,
				Danger{
					Name:      l.Name,
					Botanical: l.Botanical,
					Danger:    l.Danger,
					Listed:    true,
					Deciding:  Apart(species.Identity.Shows, l.Shows),
				},
			)
		}
	}
	for _, other := range all {
		if other.ID != species.ID && flora.IsDangerous(other.Identity.Danger) && !flora.SamePlant(species, other) {
			r.Dangers = append(r.Dangers, Danger{
				ID:        other.ID,
				Name:      other.Names.Name,
				Botanical: other.Names.Botanical,
				Danger:    other.Identity.Danger,
				Listed:    own || listed[other.ID],
				Deciding:  Apart(species.Identity.Shows, other.Identity.Shows),
			})
		}
	}
	slices.SortStableFunc(r.Dangers, func(a, b Danger) int {
		return 2*rank(b.Listed, a.Listed) + dangerOrder[a.Danger] - dangerOrder[b.Danger]
	})
	for i, d := range r.Dangers {
		r.Dangers[i].at = i
		r.decides = append(r.decides, markAll(d.Deciding))
	}
	return r
}

// rank is 1 if only the first is true, -1 if only the second is, else 0.
func rank(first, second bool) int {
	switch {
	case first && !second:
		return 1
	case second && !first:
		return -1
	}
	return 0
}

// Check returns what is wrong with how one species is known: characters and states
// that the vocabulary does not have, and dangerous look-alikes without a species of
// their own that too few characters tell from it.
func Check(s *flora.Species) []flora.Problem {
	problems := CheckShows("identity.shows", s.Identity.Shows)
	for i, l := range s.LookAlikes {
		key := fmt.Sprintf("look_alike[%d]", i)
		problems = append(problems, CheckShows(key+".shows", l.Shows)...)
		if l.ID != "" || !flora.IsDangerous(l.Danger) || !s.IsUsed() {
			continue
		}
		if apart := Apart(s.Identity.Shows, l.Shows); len(apart) < NeedApart {
			problems = append(
				problems,
				flora.Problem{
					Key: key,
					What: fmt.Sprintf(
						"%s is %s, and only %v tell it from %s; %d characters are needed, or the id of its own species",
						l.Name,
						l.Danger,
						apart,
						s.Names.Name,
						NeedApart,
					),
				},
			)
		}
	}
	return problems
}

// CheckTogether returns where species do not agree: a look-alike that is not there or
// said to be of another danger, and every plant that is used which fewer than
// NeedApart characters tell from a dangerous one.
func CheckTogether(all []*flora.Species) []error {
	byID := map[string]*flora.Species{}
	for _, s := range all {
		byID[s.ID] = s
	}
	var faults []error
	for _, s := range all {
		fault := func(key, what string, args ...any) error {
			return fmt.Errorf("%s: %w", s.ID, flora.Problem{Key: key, What: fmt.Sprintf(what, args...)})
		}
		for i, l := range s.LookAlikes {
			other, has := byID[l.ID]
			switch {
			case l.ID == "":
			case !has:
				faults = append(faults, fault(fmt.Sprintf("look_alike[%d].id", i), "there is no species %q", l.ID))
			case flora.IsDangerous(l.Danger) != flora.IsDangerous(other.Identity.Danger) && !other.IsUsed():
				faults = append(
					faults,
					fault(
						fmt.Sprintf("look_alike[%d].danger", i),
						"is %s, and %s itself is %s",
						l.Danger,
						other.ID,
						other.Identity.Danger,
					),
				)
			}
		}
		if !s.IsUsed() {
			continue
		}
		for _, d := range NewRules(s, all, false).Dangers {
			if len(d.Deciding) < NeedApart {
				faults = append(
					faults,
					fault(
						"identity.shows",
						"only %v tell it from %s, which is %s; %d characters are needed",
						d.Deciding,
						d.Name,
						d.Danger,
						NeedApart,
					),
				)
			}
		}
	}
	return faults
}
