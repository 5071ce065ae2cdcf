package identity

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
)

// Character is one thing that can be seen of a plant, with the states it can be in.
type Character struct {
	ID string
	// Name is the word for it, Ask the question put to the grower.
	Name, Ask string
	// How says what to do to see it, where looking is not enough: cut, crush, dig.
	How string
	// Organ is the part of the plant that it is seen on.
	Organ Organ
	// From and Until are the stages in which it shows; Always where it shows all year.
	From, Until flora.Stage
	Always      bool
	// Seedling is true where only a plant that has just come up from seed shows it.
	Seedling bool
	// Misread says how easily an observer takes one state of it for another.
	Misread Misreading
	// Hint is true where it speaks for a plant and never decides: a planted one stands
	// where it was put, and a winter changes what is left of it.
	Hint   bool
	States []CharacterState
}

// Organ is a part of the plant that characters are seen on.
type Organ string

// The organs.
const (
	Leaf     Organ = "leaf"
	Stem     Organ = "stem"
	Flower   Organ = "flower"
	Fruit    Organ = "fruit"
	Whole    Organ = "root and whole plant"
	Seedling Organ = "seedling"
)

// Misreading is how easily a character is misread.
type Misreading string

// The grades of misreading. They are a judgement of ours, made once for each character.
const (
	// Plain is what is counted, measured or so unlike that it is hard to misread.
	Plain Misreading = "plain"
	// Fair is what a careful look tells.
	Fair Misreading = "fair"
	// Easily is what light, age of the leaf, soil or the nose can mislead in.
	Easily Misreading = "easily"
)

// CharacterState is one state of a character: its id and a plain sentence.
type CharacterState struct {
	ID, Words string
	// Unmistakable is true where hardly anybody takes another state for it, of a character
	// that is not plain as a whole.
	Unmistakable bool
}

// State returns the state of an id, and whether the character has it.
func (c Character) State(id string) (CharacterState, bool) {
	for _, s := range c.States {
		if s.ID == id {
			return s, true
		}
	}
	return CharacterState{}, false
}

// Vocabulary lists every character, those of the leaf first.
func Vocabulary() []Character { return vocabulary }

// CharacterOf returns the character of an id, and whether there is one.
func CharacterOf(id string) (Character, bool) {
	at, has := characterAt[id]
	if !has {
		return Character{}, false
	}
	return vocabulary[at], true
}

var characterAt = func() map[string]int {
	at := map[string]int{}
	for i, c := range vocabulary {
		if i >= mostMarked {
			panic("the vocabulary has outgrown marks: a character without a bit would contradict nothing")
		}
		at[c.ID] = i
	}
	return at
}()

// states reads "id: sentence" lines; an unmistakable one begins with an exclamation mark.
func states(lines ...string) []CharacterState {
	all := make([]CharacterState, len(lines))
	for i, line := range lines {
		line, unmistakable := strings.CutPrefix(line, "!")
		id, words, _ := strings.Cut(line, ": ")
		all[i] = CharacterState{id, words, unmistakable}
	}
	return all
}

// isPlain tells whether a character is hard to misread where these states are looked for: it
// is plain, or every one of them is unmistakable.
func (c Character) isPlain(states flora.States) bool {
	return c.Misread == Plain || !slices.ContainsFunc(states, func(id string) bool {
		state, _ := c.State(id)
		return !state.Unmistakable
	})
}

// The seasons in which organs show.
const (
	leafFrom, leafUntil     = flora.Leafing, flora.DyingBack
	stemFrom, stemUntil     = flora.FullLeaf, flora.DyingBack
	flowerFrom, flowerUntil = flora.FirstFlower, flora.SettingSeed
	fruitFrom, fruitUntil   = flora.SettingSeed, flora.DyingBack
)

func ofLeaf(id, name, ask string, lines ...string) Character {
	return Character{
		Organ:   Leaf,
		ID:      id,
		Name:    name,
		Ask:     ask,
		From:    leafFrom,
		Until:   leafUntil,
		Misread: Fair,
		States:  states(lines...),
	}
}

func ofStem(id, name, ask string, lines ...string) Character {
	return Character{
		Organ:   Stem,
		ID:      id,
		Name:    name,
		Ask:     ask,
		From:    stemFrom,
		Until:   stemUntil,
		Misread: Fair,
		States:  states(lines...),
	}
}

func ofFlower(id, name, ask string, lines ...string) Character {
	return Character{
		Organ:   Flower,
		ID:      id,
		Name:    name,
		Ask:     ask,
		From:    flowerFrom,
		Until:   flowerUntil,
		Misread: Fair,
		States:  states(lines...),
	}
}

func ofFruit(id, name, ask string, lines ...string) Character {
	return Character{
		Organ:   Fruit,
		ID:      id,
		Name:    name,
		Ask:     ask,
		From:    fruitFrom,
		Until:   fruitUntil,
		Misread: Fair,
		States:  states(lines...),
	}
}

func allYear(id, name, ask string, lines ...string) Character {
	return Character{Organ: Whole, ID: id, Name: name, Ask: ask, Always: true, Misread: Fair, States: states(lines...)}
}

// ofSeedling is a character that shows from coming up until the plant is in full leaf, in
// the year in which it came up from seed alone.
func ofSeedling(id, name, ask string, lines ...string) Character {
	c := ofLeaf(id, name, ask, lines...)
	c.Organ, c.From, c.Until, c.Seedling = Seedling, flora.Shooting, flora.FullLeaf, true
	return c
}

// plain makes a character one that is hard to misread, easy one that is easily misread.
func (c Character) plain() Character {
	c.Misread = Plain
	return c
}

func (c Character) easy() Character {
	c.Misread = Easily
	return c
}

// hint makes a character one that never decides.
func (c Character) hint() Character {
	c.Hint = true
	return c
}

// lookedAtBy adds what has to be done to see a character.
func (c Character) lookedAtBy(how string) Character {
	c.How = how
	return c
}

// vocabulary holds every character, those of the leaf first.
var vocabulary = slices.Concat(
	leafCharacters,
	stalkCharacters,
	stemCharacters,
	flowerCharacters,
	fruitCharacters,
	wholeCharacters,
	seedlingCharacters,
)

// CheckShows returns what is wrong with a record of characters: an unknown
// character, an unknown state, or one without states.
func CheckShows(key string, shows flora.Shows) []flora.Problem {
	var problems []flora.Problem
	for _, id := range shows.Characters() {
		character, has := CharacterOf(id)
		if !has {
			problems = append(problems, flora.Problem{Key: key + "." + id, What: "is not a character of the vocabulary"})
			continue
		}
		for _, state := range shows[id] {
			if _, has := character.State(state); !has {
				problems = append(
					problems,
					flora.Problem{
						Key:  key + "." + id,
						What: fmt.Sprintf("%q is not a state of it; use one of %s", state, strings.Join(stateIDs(character), ", ")),
					},
				)
			}
		}
		if len(shows[id]) == 0 {
			problems = append(problems, flora.Problem{Key: key + "." + id, What: "names no state"})
		}
	}
	return problems
}

func stateIDs(c Character) []string {
	ids := make([]string, len(c.States))
	for i, s := range c.States {
		ids[i] = s.ID
	}
	slices.Sort(ids)
	return ids
}
