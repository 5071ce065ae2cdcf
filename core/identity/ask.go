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

// untoldWeight puts what was left untold, and holds a danger open, before all else.
const untoldWeight = 1000

// misreadWeights are how much more a character is worth asking for the harder it is to misread.
var misreadWeights = map[Misreading]float64{Plain: 1.5, Fair: 1, Easily: 0.7}

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
	// against are the places, among the rules' dangers, of those that Against names.
	against []int
}

// Questions returns the characters worth looking at that shows lets through, the one
// that excludes most danger first, for a person whose reading has seen some already. A
// character is worth a look if it is a must that the reading has not seen, was left
// untold, or decides against a dangerous plant that is not ruled out, or against which
// the reading does not hold enough by itself.
func (r *Rules) Questions(f Finding, reading map[string]bool, shows func(Character) bool) []Question {
	var questions []Question
	owed, thin := make([]bool, len(r.Dangers)), make([]bool, len(r.Dangers))
	for _, d := range f.DangersOwed {
		owed[d.at] = true
	}
	read, seen := marked(reading), marked(f.Seen)
	for i, d := range r.Dangers {
		thin[i] = r.decides[i].and(read).count() < d.eachReading()
	}
	for _, character := range vocabulary {
		id := character.ID
		if _, known := r.Species.Identity.Shows[id]; !known || !shows(character) {
			continue
		}
		untold := slices.Contains(f.Untold, id)
		q := Question{Character: character, Must: slices.Contains(r.Musts, id)}
		here := mark(id)
		for i, d := range r.Dangers {
			if r.decides[i].and(here).none() || !(owed[i] && seen.and(here).none()) && !(thin[i] && read.and(here).none()) {
				continue
			}
			weight := dangerWeights[d.Danger]
			if d.Listed {
				weight *= listedWeight
			}
			q.weight += weight
			q.Against = append(q.Against, d.Name)
			q.against = append(q.against, i)
		}
		q.weight *= misreadWeights[character.Misread]
		if untold {
			q.weight += untoldWeight
		}
		if q.Must && !reading[id] {
			q.weight += dangerWeights["deadly"]
		} else if len(q.Against) == 0 {
			continue
		}
		questions = append(questions, q)
	}
	slices.SortStableFunc(questions, func(a, b Question) int { return cmp.Compare(b.weight, a.weight) })
	r.markNeeded(f, reading, questions)
	return questions
}

// markNeeded marks the musts, what was left untold, and of the rest, in order, those
// that rule out a danger which the ones marked before do not.
func (r *Rules) markNeeded(f Finding, reading map[string]bool, questions []Question) {
	all, own := marked(f.Seen), marked(reading)
	need := func(q *Question) {
		q.Needed = true
		all = all.with(mark(q.Character.ID))
		own = own.with(mark(q.Character.ID))
	}
	for i := range questions {
		if q := &questions[i]; q.Must && !reading[q.Character.ID] || slices.Contains(f.Untold, q.Character.ID) {
			need(q)
		}
	}
	for i := range questions {
		q := &questions[i]
		for _, at := range q.against {
			decides := r.decides[at]
			if d := r.Dangers[at]; !q.Needed &&
				(d.helps(mark(q.Character.ID), decides.and(all)) || decides.and(own).count() < d.eachReading()) {
				need(q)
			}
		}
	}
	slices.SortStableFunc(questions, func(a, b Question) int { return rank(b.Needed, a.Needed) })
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

// Sight is what decides which characters of a plant are to be seen.
type Sight struct {
	Stage flora.Stage
	// KeepsLeaf is true of a plant that shows leaf and stem all year.
	KeepsLeaf bool
	// Woody is true of a shrub or tree, whose stems stand all year.
	Woody bool
	// Seedling is true of one that came up from seed in this season.
	Seedling bool
}

// SightOf is what is to be seen of a grown plant of a species at a stage.
func SightOf(species *flora.Species, stage flora.Stage) Sight {
	return Sight{
		Stage:     stage,
		KeepsLeaf: species.Life.KeepsLeaf,
		Woody:     species.Life.Habit == "shrub" || species.Life.Habit == "tree",
	}
}

// Shows tells whether a character is to be seen.
func (s Sight) Shows(c Character) bool {
	switch {
	case c.Always, s.KeepsLeaf && c.Organ == Leaf, (s.KeepsLeaf || s.Woody) && c.Organ == Stem:
		return true
	case c.Seedling && !s.Seedling:
		return false
	}
	return s.Stage >= c.From && s.Stage < c.Until
}

// Undecided are the deadly plants against which too little is to be seen for a reading: where
// there are any, nobody can prove the plant by what it shows then.
func (r *Rules) Undecided(sight Sight) (open []Danger) {
	for i, d := range r.Dangers {
		if d.Danger != "deadly" {
			continue
		}
		showing := 0
		for at := range r.decides[i].each() {
			if sight.Shows(vocabulary[at]) {
				showing++
			}
		}
		if showing < EachAgainstDeadly {
			open = append(open, d)
		}
	}
	return open
}

// Sorted are the characters of a set in the order of the vocabulary.
func Sorted(set map[string]bool) []string {
	return slices.SortedFunc(maps.Keys(set), func(a, b string) int { return cmp.Compare(characterAt[a], characterAt[b]) })
}
