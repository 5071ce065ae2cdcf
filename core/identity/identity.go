// Package identity is the gate between growing a plant and using it: only a
// planting that is sure is ever offered for use. It holds the vocabulary of characters,
// the rules by which looks prove a plant or exclude it, and what to ask next. The rule
// is strict logic: no score makes a plant safe.
package identity

import (
	"cmp"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/spelling"
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
	// Day is the day on which it was noted, by the plot's clock: two days typed in one
	// sitting are one.
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
	// Untold are the characters that could not be told and that nobody has seen since:
	// each leaves open every danger that it decides against.
	Untold []string
	// LooksOwed is how many more whole readings are wanted (see Judge).
	LooksOwed int
	// Seen are the characters that were seen.
	Seen map[string]bool
}

const (
	// readingsWanted is how many whole readings prove a plant; labelledReadings how many
	// prove one that came labelled from a known source.
	readingsWanted, labelledReadings = 2, 1
	// labelledMusts is how many musts are enough of a plant that came labelled.
	labelledMusts = 2
	// EachAgainstDeadly and eachAgainstNamed are how many deciding characters a reading
	// holds by itself against every deadly plant, and against a poisonous one that the
	// species names.
	EachAgainstDeadly, eachAgainstNamed = 3, 2
	// DaysApart is how many days lie between two readings by one person: the eye has to
	// come to it anew.
	DaysApart = 3
)

// Judge tells what looks prove. No character may contradict: one that does ends it. An
// answer counts by the states that were asked for: seen where the species shows all of
// them still, contradicted where it shows none beyond them.
//
// A plant is sure if all musts were seen, NeedApart deciding characters were seen
// against every dangerous plant on record (of a deadly one some of them plain, see
// NeedPlain) and none of those that decide against it was left untold, and two whole
// readings were made: by two people, or by one who saw each character again DaysApart
// days or more later. A reading is what one person has seen over one or more looks; it
// is whole with all musts, EachAgainstDeadly deciding characters against every deadly
// plant and eachAgainstNamed against every poisonous one that the species names.
//
// Of one that came labelled from a known source one reading is enough, and of the musts
// two, or all where there are fewer. The dangers are the same: a label can lie. Anything
// less is unproven.
func (r *Rules) Judge(looks []Look, labelled bool) Finding {
	f := Finding{State: Unproven, Seen: map[string]bool{}}
	var seen, contradicted, untold marks
	for _, look := range looks {
		read := r.read(look)
		seen, contradicted, untold = seen.with(read.seen), contradicted.with(read.against), untold.with(read.untold)
	}
	untold = untold.without(seen)
	f.Seen, f.ExcludedBy, f.Untold = seen.set(), contradicted.sorted(), untold.sorted()
	f.MustsOwed = r.mustsOwed(seen, labelled)
	for i, d := range r.Dangers {
		if decides := r.decides[i]; !d.isRuledOut(decides.and(seen)) || !decides.and(untold).none() {
			d.Deciding = decides.without(seen).sorted()
			f.DangersOwed = append(f.DangersOwed, d)
		}
	}
	f.LooksOwed = readingsWanted
	if labelled {
		f.LooksOwed = labelledReadings
	}
	for _, of := range byPerson(looks) {
		f.LooksOwed = max(0, f.LooksOwed-r.wholeReadings(of, labelled))
	}
	switch {
	case !contradicted.none():
		f.State = Excluded
	case len(r.Musts) > 0 && len(f.MustsOwed) == 0 && len(f.DangersOwed) == 0 && f.LooksOwed == 0:
		f.State = Sure
	}
	return f
}

// readLook is what one look amounts to.
type readLook struct{ seen, against, untold marks }

func (r *Rules) read(look Look) (read readLook) {
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
		case answer == CannotTell:
			read.untold = read.untold.with(mark(character))
		case answer == Seen && within(asked, states):
			read.seen = read.seen.with(mark(character))
		case answer == NotSeen && within(states, asked):
			read.against = read.against.with(mark(character))
		}
	}
	return read
}

// byPerson puts looks together by who looked, however the name was typed, each in the
// order of their days.
func byPerson(looks []Look) map[string][]Look {
	all := map[string][]Look{}
	for _, look := range looks {
		who := spelling.PersonKey(look.By)
		all[who] = append(all[who], look)
	}
	for _, of := range all {
		slices.SortStableFunc(of, func(a, b Look) int { return cmp.Compare(a.Day, b.Day) })
	}
	return all
}

// readings tells what one person has read: what they saw, what they saw again DaysApart
// days or more after the first time, and the first day that what was not seen again so
// far can be.
func (r *Rules) readings(looks []Look) (once, again marks, from calendar.Date) {
	var first [mostMarked]calendar.Date
	for _, look := range looks {
		for at, is := range r.read(look).seen.each() {
			switch {
			case once.and(is).none():
				once = once.with(is)
				first[at] = look.Day
			case look.Day >= first[at].AddDays(DaysApart):
				again = again.with(is)
			}
		}
	}
	for at := range once.without(again).each() {
		from = max(from, first[at].AddDays(DaysApart))
	}
	return once, again, from
}

// wholeReadings counts the whole readings that one person has made: none, one or two.
func (r *Rules) wholeReadings(looks []Look, labelled bool) int {
	once, again, _ := r.readings(looks)
	switch {
	case !r.isWhole(once, labelled):
		return 0
	case !r.isWhole(again, labelled):
		return 1
	}
	return 2
}

// Reading is what one person need not look at for their next whole reading, and the
// first day on which a look at the rest counts for it: the zero day where any does.
func (r *Rules) Reading(looks []Look, by string, labelled bool) (seen map[string]bool, from calendar.Date) {
	once, again, from := r.readings(byPerson(looks)[spelling.PersonKey(by)])
	switch {
	case !r.isWhole(once, labelled):
		return once.set(), 0
	case r.isWhole(again, labelled): // both are made: a look from now on is one more
		return map[string]bool{}, from
	}
	return again.set(), from
}

// isWhole tells whether what was seen is a whole reading.
func (r *Rules) isWhole(seen marks, labelled bool) bool {
	if len(r.Musts) == 0 || len(r.mustsOwed(seen, labelled)) > 0 {
		return false
	}
	for i, d := range r.Dangers {
		if r.decides[i].and(seen).count() < d.eachReading() {
			return false
		}
	}
	return true
}

// eachReading is how many deciding characters a reading holds against a danger.
func (d Danger) eachReading() int {
	switch {
	case d.Danger == "deadly":
		return EachAgainstDeadly
	case d.Listed:
		return eachAgainstNamed
	}
	return 0
}

// mustsOwed are the musts that are not among what was seen; none of a labelled plant
// once enough are.
func (r *Rules) mustsOwed(seen marks, labelled bool) []string {
	musts := markAll(r.Musts)
	if labelled && musts.and(seen).count() >= min(labelledMusts, len(r.Musts)) {
		return nil
	}
	return unseen(r.Musts, seen.set())
}

// within tells whether every one of some states is among others.
func within(states, others flora.States) bool {
	return !slices.ContainsFunc(states, func(state string) bool { return !slices.Contains(others, state) })
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
