package identity

import (
	"math/rand/v2"
	"testing"

	"bramblyacre/core/flora"
)

// A specimen is one plant: of every character on record one state that is in its
// nature, in time every one, and the same from the same seed.
func TestASpecimenShowsWhatIsInItsNature(t *testing.T) {
	shows, counts := herb().Identity.Shows, map[string]int{}
	for seed := range uint64(200) {
		plant := NewSpecimen(shows, rand.New(rand.NewPCG(seed, 1)))
		again := NewSpecimen(shows, rand.New(rand.NewPCG(seed, 1)))
		if len(plant) != len(shows) {
			t.Fatalf("seed %d shows %d characters of %d", seed, len(plant), len(shows))
		}
		for id, state := range plant {
			if again[id] != state {
				t.Fatalf("seed %d shows %s as %s and as %s", seed, id, state, again[id])
			}
			if !hasState(shows[id], state) {
				t.Fatalf("seed %d shows %s as %s", seed, id, state)
			}
			counts[id+" "+state]++
		}
	}
	for id, states := range shows {
		for _, state := range states {
			if n := counts[id+" "+state]; n < 200/len(states)/2 {
				t.Errorf("%s %s is shown %d times in 200", id, state, n)
			}
		}
	}
}

func hasState(states flora.States, state string) bool {
	for _, own := range states {
		if own == state {
			return true
		}
	}
	return false
}

// Completed, a specimen has a state in every character, and keeps those that it had.
func TestACompleteSpecimenLacksNothing(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 5))
	plant := NewSpecimen(herb().Identity.Shows, rng)
	had := map[string]string{}
	for id, state := range plant {
		had[id] = state
	}
	plant.Complete(rng)
	for _, c := range Vocabulary() {
		if _, is := c.State(plant[c.ID]); !is {
			t.Errorf("%s is %q", c.ID, plant[c.ID])
		}
		if before, was := had[c.ID]; was && before != plant[c.ID] {
			t.Errorf("%s was %s and is %s", c.ID, before, plant[c.ID])
		}
	}
}

// What an observer notes of a plant while looking for a species: seen where the plant
// shows one of its states, not seen where it shows another, and nothing where it does
// not tell. A true plant never contradicts itself.
func TestAnObserverNotesWhatThePlantTells(t *testing.T) {
	species := herb()
	answers := Specimen{"smell": "mint", "sap": "milky"}.Answers(species, []string{"smell", "sap", "leaf-order", "fruit"})
	for id, want := range map[string]Answer{"smell": Seen, "sap": NotSeen, "leaf-order": CannotTell, "fruit": CannotTell} {
		if answers[id] != want {
			t.Errorf("%s is noted as %q, want %q", id, answers[id], want)
		}
	}
	rng := rand.New(rand.NewPCG(8, 9))
	for range 300 {
		for id, answer := range NewSpecimen(species.Identity.Shows, rng).Answers(species, species.Identity.Shows.Characters()) {
			if answer != Seen {
				t.Fatalf("of a true plant %s is %s", id, answer)
			}
		}
	}
}

func TestAnswersAreReadFromTheirWords(t *testing.T) {
	for _, answer := range []Answer{Seen, NotSeen, CannotTell} {
		if got, err := ParseAnswer(string(answer)); err != nil || got != answer {
			t.Errorf("%q is read as %q, %v", answer, got, err)
		}
	}
	for _, word := range []string{"", "yes", "SEEN", "maybe"} {
		if _, err := ParseAnswer(word); err == nil {
			t.Errorf("%q is an answer", word)
		}
	}
}

// What kills stands before what only tastes bad, and the file's order holds among equals.
func TestLookAlikesStandByTheirDanger(t *testing.T) {
	species := &flora.Species{LookAlikes: []flora.LookAlike{
		{Name: "mild", Danger: "harmless"}, {Name: "bitter", Danger: "unpleasant"}, {Name: "first killer", Danger: "deadly"}, {Name: "poison", Danger: "poisonous"}, {Name: "second killer", Danger: "deadly"},
	}}
	names := ""
	for _, l := range LookAlikes(species) {
		names += l.Name + ", "
	}
	if want := "first killer, second killer, poison, bitter, mild, "; names != want {
		t.Errorf("they stand as %s", names)
	}
	if LookAlikes(&flora.Species{}) != nil {
		t.Error("a plant without look-alikes has some")
	}
}

// At the table each danger that the species names is asked about once, by the first
// deciding character that a leaf in the hand still shows.
func TestTheTableAsksOncePerDanger(t *testing.T) {
	rules := NewRules(herb(), []*flora.Species{herb(), twin()}, false)
	if !rules.NamesDanger() {
		t.Error("it names no danger")
	}
	inHand := func(c Character) bool { return c.ID == "sap" || c.ID == "smell" }
	questions := rules.TableQuestions(inHand)
	if len(questions) != 1 || !questions[0].Must || len(questions[0].Against) != 1 || questions[0].Against[0] != "twin" {
		t.Fatalf("it asks %+v", questions)
	}
	if first := rules.Dangers[0].Deciding; questions[0].Character.ID != first[0] && inHand(mustCharacter(t, first[0])) {
		t.Errorf("it asks for the %s", questions[0].Character.Name)
	}
	if none := rules.TableQuestions(func(Character) bool { return false }); len(none) != 0 {
		t.Errorf("of a picking that shows nothing it asks %d questions", len(none))
	}
	alone := NewRules(&flora.Species{ID: "alone"}, nil, false)
	if alone.NamesDanger() || len(alone.TableQuestions(inHand)) != 0 {
		t.Error("a plant without dangers asks at the table")
	}
}

func mustCharacter(t *testing.T, id string) Character {
	t.Helper()
	c, has := CharacterOf(id)
	if !has {
		t.Fatalf("there is no character %s", id)
	}
	return c
}
