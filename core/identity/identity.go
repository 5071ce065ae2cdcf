// Package identity is the gate between growing a plant and using it: only a
// planting that is sure is ever offered for use. It holds the vocabulary of characters,
// the rules by which looks prove a plant or exclude it, and what to ask next. The rule
// is strict logic: no score makes a plant safe.
package identity

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// State is whether a planting's identity has been proved.
type State string

// The states. There is no probability between them.
const (
	Unproven State = "unproven"
	Sure     State = "sure"
	// Excluded is a plant that showed a character its species does not have.
	Excluded State = "excluded"
)

var dangerOrder = map[string]int{"deadly": 0, "poisonous": 1, "unpleasant": 2, "harmless": 3}

// Answer is what a look at one character gave.
type Answer string

// The answers.
const (
	Seen       Answer = "seen"
	NotSeen    Answer = "not seen"
	CannotTell Answer = "cannot tell"
)

// ParseAnswer returns the answer of a word, or an error.
func ParseAnswer(word string) (Answer, error) {
	if a := Answer(word); a == Seen || a == NotSeen || a == CannotTell {
		return a, nil
	}
	return "", fmt.Errorf("%q is no answer; say seen, not seen or cannot tell", word)
}

// Look is one visit's answers, by one person.
type Look struct {
	Day calendar.Date
	By  string
	// Answers are by character: whether a state that the species has was seen.
	Answers map[string]Answer
	// Shown are the states that were asked for, where they are known: an answer speaks
	// of these, whatever the species is said to show later.
	Shown flora.Shows
}

// Finding is what the looks at a plant amount to.
type Finding struct {
	State State
	// ExcludedBy are the characters that contradicted.
	ExcludedBy []string
	// MustsOwed are the musts not seen yet; DangersOwed the dangerous plants not ruled
	// out yet, with the characters that still could.
	MustsOwed   []string
	DangersOwed []Danger
	// LooksOwed is how many more looks that prove something are wanted, where only
	// those are missing.
	LooksOwed int
	// Seen are the characters that were seen.
	Seen map[string]bool
}

// looksWanted is how many looks, on other days or by other people, prove a plant that
// did not come labelled from a known source.
const looksWanted = 2

// labelledMusts is how many musts are enough of a plant that came labelled.
const labelledMusts = 2

// Judge tells what looks prove. No character may contradict: one that does ends it. An
// answer counts by the states that were asked for: seen where the species shows all of
// them still, contradicted where it shows none beyond them.
//
// A plant is sure if all musts were seen, NeedApart deciding characters were seen
// against every dangerous plant on record, and two looks on other days or by other
// people each saw a must and ruled out every look-alike its species names by at least
// one deciding character.
//
// One that came labelled from a known source is sure if it agrees with one such look:
// against every dangerous look-alike its species names NeedApart deciding characters
// were seen, and of the musts two, or all where there are fewer. Anything less is
// unproven.
func (r *Rules) Judge(looks []Look, labelled bool) Finding {
	f := Finding{State: Unproven, Seen: map[string]bool{}}
	type visit struct {
		day calendar.Date
		by  string
	}
	visits := map[visit]map[string]bool{}
	contradicted := map[string]bool{}
	for _, look := range looks {
		// However the name is written, it is one person.
		at := visit{look.Day, strings.ToLower(strings.Join(strings.Fields(look.By), " "))}
		if visits[at] == nil {
			visits[at] = map[string]bool{}
		}
		for character, answer := range look.Answers {
			states, known := r.Species.Identity.Shows[character]
			if !known {
				continue
			}
			asked, told := look.Shown[character]
			if !told {
				asked = states
			}
			switch {
			case answer == Seen && within(asked, states):
				f.Seen[character], visits[at][character] = true, true
			case answer == NotSeen && within(states, asked):
				contradicted[character] = true
			}
		}
	}
	f.ExcludedBy = Sorted(contradicted)
	f.MustsOwed = unseen(r.Musts, f.Seen)
	if labelled && countSeen(r.Musts, f.Seen) >= min(labelledMusts, len(r.Musts)) {
		f.MustsOwed = nil
	}
	for _, d := range r.Dangers {
		if (d.Listed || !labelled) && countSeen(d.Deciding, f.Seen) < NeedApart {
			d.Deciding = unseen(d.Deciding, f.Seen)
			f.DangersOwed = append(f.DangersOwed, d)
		}
	}
	f.LooksOwed = looksWanted
	if labelled {
		f.LooksOwed = 1
	}
	for _, seen := range visits {
		if f.LooksOwed > 0 && r.proves(seen) {
			f.LooksOwed--
		}
	}
	switch {
	case len(f.ExcludedBy) > 0:
		f.State = Excluded
	case len(r.Musts) > 0 && len(f.MustsOwed) == 0 && len(f.DangersOwed) == 0 && f.LooksOwed == 0:
		f.State = Sure
	}
	return f
}

// within tells whether every one of some states is among others.
func within(states, others flora.States) bool {
	return !slices.ContainsFunc(states, func(state string) bool { return !slices.Contains(others, state) })
}

// proves tells whether one visit by itself speaks for the plant.
func (r *Rules) proves(seen map[string]bool) bool {
	if countSeen(r.Musts, seen) == 0 {
		return false
	}
	for _, d := range r.Dangers {
		if d.Listed && countSeen(d.Deciding, seen) == 0 {
			return false
		}
	}
	return true
}

func countSeen(characters []string, seen map[string]bool) (n int) {
	for _, c := range characters {
		if seen[c] {
			n++
		}
	}
	return n
}

func unseen(characters []string, seen map[string]bool) []string {
	var left []string
	for _, c := range characters {
		if !seen[c] {
			left = append(left, c)
		}
	}
	return left
}
