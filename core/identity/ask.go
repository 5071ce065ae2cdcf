package identity

import (
	"cmp"
	"maps"
	"slices"

	"bramblyacre/core/flora"
)

// dangerWeights are how much more a mistake of each kind counts than a harmless one
// when it is decided what to look at next. They order questions and prove nothing.
var dangerWeights = map[string]float64{"deadly": 8, "poisonous": 4, "unpleasant": 1.5, "harmless": 1}

// listedWeight is how much more a named look-alike counts than another dangerous plant.
const listedWeight = 5

// Question is one character to look at, with why.
type Question struct {
	Character Character
	// Must is true where it has to be seen; Against are the names of the dangerous
	// plants, not yet ruled out, that it decides against, the named look-alikes first.
	Must    bool
	Against []string
	// Needed is true for those that, all seen, would leave nothing owed that this season
	// shows; the others stand in for one that cannot be told.
	Needed bool
	weight float64
}

// Questions returns the characters worth looking at that shows lets through, the one
// that excludes most danger first. A character is worth a look if it is a must not seen,
// or decides against a dangerous plant that is not ruled out; where only another look is
// owed, so are those that would make it, and of a sure plant so are those that would
// prove it once more.
func (r *Rules) Questions(f Finding, shows func(Character) bool) []Question {
	var questions []Question
	again := len(f.MustsOwed) == 0 && len(f.DangersOwed) == 0
	owed := map[string]bool{}
	for _, d := range f.DangersOwed {
		owed[d.Name] = true
	}
	for _, character := range vocabulary {
		id := character.ID
		if _, known := r.Species.Identity.Shows[id]; !known || !shows(character) || f.Seen[id] && !again {
			continue
		}
		q := Question{Character: character, Must: slices.Contains(r.Musts, id)}
		for _, d := range r.Dangers {
			if !slices.Contains(d.Deciding, id) || !owed[d.Name] && !(again && d.Listed) {
				continue
			}
			weight := dangerWeights[d.Danger]
			if d.Listed {
				weight *= listedWeight
			}
			q.weight += weight
			q.Against = append(q.Against, d.Name)
		}
		if q.Must && (again || slices.Contains(f.MustsOwed, id)) {
			q.weight += dangerWeights["deadly"]
		} else if len(q.Against) == 0 {
			continue
		}
		questions = append(questions, q)
	}
	slices.SortStableFunc(questions, func(a, b Question) int { return cmp.Compare(b.weight, a.weight) })
	r.markNeeded(f, questions, again)
	return questions
}

// markNeeded marks the musts, and of the rest, in order, those that rule out a danger
// which the ones marked before do not.
func (r *Rules) markNeeded(f Finding, questions []Question, again bool) {
	seen := map[string]bool{}
	for id := range f.Seen {
		seen[id] = !again
	}
	for i := range questions {
		if questions[i].Must {
			questions[i].Needed, seen[questions[i].Character.ID] = true, true
		}
	}
	wanted := NeedApart
	if again {
		wanted = 1
	}
	for i := range questions {
		id := questions[i].Character.ID
		for _, d := range r.Dangers {
			if !questions[i].Needed && slices.Contains(questions[i].Against, d.Name) && slices.Contains(d.Deciding, id) && countSeen(d.Deciding, seen) < wanted {
				questions[i].Needed, seen[id] = true, true
			}
		}
	}
	slices.SortStableFunc(questions, func(a, b Question) int {
		switch {
		case a.Needed && !b.Needed:
			return -1
		case b.Needed && !a.Needed:
			return 1
		}
		return 0
	})
}

// TableQuestions are the short second check of what was picked: for each dangerous
// look-alike that the species names the first deciding character that can be seen on
// the table, by the leave of shows, each character once.
func (r *Rules) TableQuestions(shows func(Character) bool) []Question {
	chosen := map[string]*Question{}
	var order []string
	for _, d := range r.Dangers {
		if !d.Listed {
			continue
		}
		for _, id := range d.Deciding {
			character, _ := CharacterOf(id)
			if !shows(character) {
				continue
			}
			if chosen[id] == nil {
				chosen[id] = &Question{Character: character, Must: true}
				order = append(order, id)
			}
			chosen[id].Against = append(chosen[id].Against, d.Name)
			break
		}
	}
	var questions []Question
	for _, id := range order {
		questions = append(questions, *chosen[id])
	}
	return questions
}

// NamesDanger tells whether the species names a dangerous look-alike.
func (r *Rules) NamesDanger() bool {
	return slices.ContainsFunc(r.Dangers, func(d Danger) bool { return d.Listed })
}

// ShowsAt tells whether a character is to be seen of a plant at a stage. A plant that
// keeps its leaf shows leaf and stem all year.
func ShowsAt(c Character, stage flora.Stage, keepsLeaf bool) bool {
	if c.Always || keepsLeaf && (c.From == leafFrom || c.From == stemFrom) && c.Until == flora.DyingBack {
		return true
	}
	return stage >= c.From && stage < c.Until
}

// Sorted are the characters of a set in the order of the vocabulary.
func Sorted(set map[string]bool) []string {
	return slices.SortedFunc(maps.Keys(set), func(a, b string) int { return cmp.Compare(characterAt[a], characterAt[b]) })
}
