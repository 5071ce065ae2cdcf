package identity

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// NeedApart is how many characters that tell a plant from a dangerous one have to be seen
// before that one is ruled out: with four, three of them misread still leave one that
// contradicts (codes at a distance of t + 1 detect t errors: Hamming 1950). NeedPlain is how
// many of them are plain against every deadly plant, and have to be seen where the species
// names it; of one that nobody takes it for, NeedPlainElse are enough.
const NeedApart, NeedPlain, NeedPlainElse = 4, 2, 1

// Apart returns the characters that tell two plants apart: those on record for both in
// which they share no state, in the order of the vocabulary.
func Apart(a, b flora.Shows) []string { return apart(layOut(a), layOut(b)).sorted() }

// laidOut is what a plant shows: for each character of the vocabulary a bit for every state.
type laidOut []uint32

func layOut(shows flora.Shows) laidOut {
	out := make(laidOut, len(vocabulary))
	for id, states := range shows {
		k, known := characterAt[id]
		if !known {
			continue
		}
		for _, state := range states {
			if at, known := stateAt[id][state]; known {
				out[k] |= 1 << at
			}
		}
	}
	return out
}

// apart are the characters on record for both plants in which they share no state.
func apart(a, b laidOut) (m marks) {
	for k, ofA := range a {
		if ofB := b[k]; ofA != 0 && ofB != 0 && ofA&ofB == 0 && !vocabulary[k].Hint {
			m = m.with(markAt(k))
		}
	}
	return m
}

// Danger is a dangerous plant that another must not be taken for, with the characters
// that decide between them.
type Danger struct {
	// ID is the species' own; empty for one that the library does not describe.
	ID, Name, Botanical, Danger string
	// Listed is true for a look-alike that the species itself names.
	Listed   bool
	Deciding []string
	// at is its place among the rules' dangers, plain what decides and is hard to misread.
	at    int
	plain marks
}

// subject is what a species shows, laid out to be set against others.
type subject struct {
	shows laidOut
	plain marks // the characters that are hard to misread as this species
}

func newSubject(shows flora.Shows) subject {
	of := subject{shows: layOut(shows)}
	for k, c := range vocabulary {
		if states, has := shows[c.ID]; has && c.isPlain(states) {
			of.plain = of.plain.with(markAt(k))
		}
	}
	return of
}

// against sets a dangerous plant against the species.
func (of subject) against(danger Danger, shows laidOut) Danger {
	decides := apart(of.shows, shows)
	danger.Deciding, danger.plain = decides.sorted(), decides.and(of.plain)
	return danger
}

// Plain are the plain ones among what decides.
func (d Danger) Plain() []string { return d.plain.sorted() }

// IsRuledOut tells whether the characters that were seen are enough of what decides.
func (d Danger) IsRuledOut(seen map[string]bool) bool {
	return d.isRuledOut(markAll(d.Deciding).and(marked(seen)))
}

// isRuledOut tells the same of those that decide and were seen.
func (d Danger) isRuledOut(seen marks) bool {
	return seen.count() >= NeedApart && seen.and(d.plain).count() >= d.needPlain()
}

func (d Danger) needPlain() int {
	switch {
	case d.Danger != "deadly":
		return 0
	case d.Listed:
		return NeedPlain
	}
	return NeedPlainElse
}

// PlainOwed is how many plain ones are still wanted among the deciding characters seen.
func (d Danger) PlainOwed(seen map[string]bool) int {
	return max(0, d.needPlain()-d.plain.and(marked(seen)).count())
}

// helps tells whether a character brings what was seen nearer to ruling a danger out.
func (d Danger) helps(character, seen marks) bool {
	return seen.count() < NeedApart ||
		seen.and(d.plain).count() < d.needPlain() && !character.and(d.plain).none()
}

// tooFew says what is wanting of the characters that tell a plant from the danger; empty for
// nothing.
func (d Danger) tooFew() string {
	switch plain := d.Plain(); {
	case len(d.Deciding) < NeedApart:
		return fmt.Sprintf("only %v tell it from %s, which is %s; %d characters are needed",
			d.Deciding, d.Name, d.Danger, NeedApart)
	case d.Danger == "deadly" && len(plain) < NeedPlain:
		return fmt.Sprintf("of %v, which tell it from %s, only %v are hard to misread; it is %s, and %d are needed",
			d.Deciding, d.Name, plain, d.Danger, NeedPlain)
	}
	return ""
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
	return newRules(species, all, own, func(s *flora.Species) laidOut { return layOut(s.Identity.Shows) })
}

// newRules takes what each species shows from whoever has it laid out.
func newRules(species *flora.Species, all []*flora.Species, own bool, showsOf func(*flora.Species) laidOut) *Rules {
	of := newSubject(species.Identity.Shows)
	r := &Rules{Species: species, Musts: species.Identity.Musts}
	listed := map[string]bool{}
	for _, l := range species.LookAlikes {
		if l.ID != "" {
			listed[l.ID] = true
		} else if flora.IsDangerous(l.Danger) {
			unnamed := Danger{Name: l.Name, Botanical: l.Botanical, Danger: l.Danger, Listed: true}
			r.Dangers = append(r.Dangers, of.against(unnamed, layOut(l.Shows)))
		}
	}
	for _, other := range all {
		if other.ID != species.ID && flora.IsDangerous(other.Identity.Danger) && !flora.SamePlant(species, other) {
			r.Dangers = append(r.Dangers, of.against(Danger{
				ID:        other.ID,
				Name:      other.Names.Name,
				Botanical: other.Names.Botanical,
				Danger:    other.Identity.Danger,
				Listed:    own || listed[other.ID],
			}, showsOf(other)))
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
		unnamed := newSubject(s.Identity.Shows).against(Danger{Name: l.Name, Danger: l.Danger}, layOut(l.Shows))
		if fault := unnamed.tooFew(); fault != "" {
			problems = append(problems, flora.Problem{Key: key, What: fault + ", or the id of its own species"})
		}
	}
	return problems
}

// CheckTogether returns where species do not agree: a look-alike that is not there or
// said to be of another danger, and every plant that is used which fewer than
// NeedApart characters tell from a dangerous one.
func CheckTogether(all []*flora.Species) []error {
	byID, shows := map[string]*flora.Species{}, map[*flora.Species]laidOut{}
	for _, s := range all {
		byID[s.ID], shows[s] = s, layOut(s.Identity.Shows)
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
		for _, d := range newRules(s, all, false, func(s *flora.Species) laidOut { return shows[s] }).Dangers {
			if short := d.tooFew(); short != "" {
				faults = append(faults, fault("identity.shows", "%s", short))
			}
		}
	}
	return faults
}
