package identity

import (
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/flora"
)

func TestEveryCharacterAsksAndEveryStateHasItsSentence(t *testing.T) {
	seen := map[string]bool{}
	for _, c := range Vocabulary() {
		if seen[c.ID] {
			t.Errorf("%s stands twice", c.ID)
		}
		seen[c.ID] = true
		if c.Name == "" || !strings.HasSuffix(c.Ask, "?") || len(c.States) < 2 {
			t.Errorf("%s: name %q, asks %q, %d states", c.ID, c.Name, c.Ask, len(c.States))
		}
		if !slices.Contains([]Misreading{Plain, Fair, Easily}, c.Misread) {
			t.Errorf("%s does not say how easily it is misread", c.ID)
		}
		if !c.Always && c.From >= c.Until {
			t.Errorf("%s shows from %s until %s", c.ID, c.From, c.Until)
		}
		states := map[string]bool{}
		for _, s := range c.States {
			if states[s.ID] || s.ID == "" || !strings.HasSuffix(s.Words, ".") {
				t.Errorf("%s %s: %q", c.ID, s.ID, s.Words)
			}
			states[s.ID] = true
			if got, has := c.State(s.ID); !has || got != s {
				t.Errorf("%s %s is not found by its id", c.ID, s.ID)
			}
		}
		if got, has := CharacterOf(c.ID); !has || got.Name != c.Name {
			t.Errorf("%s is not found by its id", c.ID)
		}
	}
	for _, c := range Vocabulary() {
		if len(c.States) >= mostStates {
			t.Errorf("%s has %d states, and the questions reckon with fewer than %d", c.ID, len(c.States), mostStates)
		}
	}
	if len(seen) > mostMarked {
		t.Errorf("the vocabulary has %d characters, and the gate reckons with up to %d", len(seen), mostMarked)
	}
	if len(seen) < 50 {
		t.Errorf("the vocabulary has %d characters", len(seen))
	}
	if _, has := CharacterOf("aura"); has {
		t.Error("a character that is not there was found")
	}
}

func TestARecordOutsideTheVocabularyIsRefused(t *testing.T) {
	problems := CheckShows("identity.shows", flora.Shows{"leaf-order": {"opposite"}, "aura": {"blue"}, "sap": {"golden"}, "smell": {}})
	var words []string
	for _, p := range problems {
		words = append(words, p.Error())
	}
	for _, want := range []string{"identity.shows.aura: is not a character", `identity.shows.sap: "golden" is not a state`, "identity.shows.smell: names no state"} {
		if !strings.Contains(strings.Join(words, "\n"), want) {
			t.Errorf("got %q, want %q", words, want)
		}
	}
	if len(problems) != 3 {
		t.Errorf("%d problems", len(problems))
	}
}

func TestWhatShowsAtAStage(t *testing.T) {
	at := func(id string, stage flora.Stage, keeps bool) bool {
		c, _ := CharacterOf(id)
		return Sight{Stage: stage, KeepsLeaf: keeps}.Shows(c)
	}
	tests := []struct {
		id    string
		stage flora.Stage
		keeps bool
		want  bool
	}{
		{"smell", flora.Leafing, false, true}, {"smell", flora.Resting, false, false}, {"smell", flora.Resting, true, true},
		{"flower-form", flora.FullFlower, false, true}, {"flower-form", flora.InBud, true, false}, {"flower-form", flora.SettingSeed, false, false},
		{"fruit", flora.Ripe, false, true}, {"fruit", flora.FullFlower, false, false}, {"fruit", flora.Resting, true, false},
		{"root-form", flora.Resting, false, true}, {"stem-fill", flora.Leafing, false, false}, {"stem-fill", flora.InBud, false, true},
	}
	for _, test := range tests {
		if got := at(test.id, test.stage, test.keeps); got != test.want {
			t.Errorf("%s at %s (keeps its leaf: %v): %v", test.id, test.stage, test.keeps, got)
		}
	}
}
