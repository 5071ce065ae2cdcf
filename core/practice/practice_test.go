package practice

import (
	"slices"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

var today = calendar.Must(2031, time.May, 27)

func plant(id, danger string, shows flora.Shows, used bool) *flora.Species {
	s := &flora.Species{ID: id, Names: flora.Names{Name: id}, Identity: flora.Identity{Danger: danger, Shows: shows}}
	if used {
		s.Parts = []flora.Part{{Name: "leaf", Verdicts: []flora.Verdict{flora.EatenRaw}}}
	}
	return s
}

func pair() (species, other *flora.Species) {
	species = plant("herb", "harmless", flora.Shows{"smell": {"mint"}, "sap": {"clear", "slimy"}, "stem-fill": {"solid"}, "flower-colour": {"pink"}, "habitat": {"wet"}}, true)
	other = plant("twin", "deadly", flora.Shows{"smell": {"none"}, "sap": {"clear", "milky"}, "stem-fill": {"solid"}, "flower-colour": {"pink"}, "habitat": {"dry"}}, false)
	species.LookAlikes = []flora.LookAlike{{Name: "twin", ID: "twin", Danger: "deadly"}, {Name: "stranger", Danger: "deadly"}}
	return species, other
}

func TestACardMovesOnWhenRightAndStartsAgainWhenWrong(t *testing.T) {
	c := New(today)
	if c.Box != 1 || c.Due != today {
		t.Fatalf("a new card is %+v", c)
	}
	before, day := 0, today
	for range Boxes + 2 {
		c = c.After(Right, day)
		gap := c.Due.DaysSince(day)
		if gap < before {
			t.Errorf("box %d comes back after %d days, the one before after %d", c.Box, gap, before)
		}
		before, day = gap, c.Due
	}
	if c.Box != Boxes || c.Correct != Boxes+2 || c.Tries != Boxes+2 {
		t.Errorf("told right all along: %+v", c)
	}
	if unsure := c.After(Unsure, day); unsure.Box != Boxes || unsure.Due != day.AddDays(1) || unsure.Correct != c.Correct {
		t.Errorf("cannot tell: %+v", unsure)
	}
	if wrong := c.After(Wrong, day); wrong.Box != 1 || wrong.Due != day.AddDays(1) || wrong.Deadly != 0 {
		t.Errorf("wrong: %+v", wrong)
	}
	if deadly := c.After(Dangerous, day); deadly.Box != 1 || deadly.Due != day || deadly.Deadly != 1 {
		t.Errorf("a deadly mistake: %+v", deadly)
	}
}

func TestASpecimenIsOfOneOfTheTwoAndRepeatable(t *testing.T) {
	species, other := pair()
	truths, stages := map[bool]int{}, map[flora.Stage]int{}
	for seed := range uint64(400) {
		r, err := NewRound(species, other, seed)
		if err != nil {
			t.Fatal(err)
		}
		again, _ := NewRound(species, other, seed)
		if again.Truth != r.Truth || again.Stage != r.Stage || len(again.Specimen) != len(r.Specimen) {
			t.Fatalf("seed %d is another plant the second time", seed)
		}
		truths[r.Truth]++
		stages[r.Stage]++
		shows := other.Identity.Shows
		if r.Truth {
			shows = species.Identity.Shows
		}
		for id, state := range r.Specimen {
			if again.Specimen[id] != state || !slices.Contains(shows[id], state) {
				t.Fatalf("seed %d: %s is %q", seed, id, state)
			}
		}
		if slices.Contains(r.Inspectable(), "habitat") {
			t.Fatal("where it stands can be inspected, and decides nothing")
		}
		if _, has := r.Specimen["flower-colour"]; has != (r.Stage == flora.FullFlower || r.Stage == flora.FirstFlower) {
			t.Errorf("at %s the flower is seen: %v", r.Stage, has)
		}
	}
	if truths[true] < 120 || truths[false] < 120 || len(stages) < 4 {
		t.Errorf("%v of the plant, at %v", truths, stages)
	}
}

func TestADecisionIsJudgedByWhatWasLookedAt(t *testing.T) {
	species, other := pair()
	r := Round{Species: species, Other: other, Stage: flora.FullFlower}
	tests := []struct {
		truth    bool
		looked   []string
		decision Decision
		want     Outcome
		lucky    bool
	}{
		{true, []string{"smell"}, ItIs, Right, false},
		{true, []string{"stem-fill"}, ItIs, Unsure, true},
		{true, nil, ItIsNot, Wrong, false},
		{false, []string{"smell"}, ItIsNot, Right, false},
		{false, []string{"smell"}, ItIs, Dangerous, false},
		{false, []string{"smell"}, CannotTell, Unsure, false},
	}
	for _, test := range tests {
		r.Truth = test.truth
		a := r.Judge(test.looked, test.decision)
		if a.Outcome != test.want || a.Lucky != test.lucky {
			t.Errorf("truth %v, looked at %v, %s: %s, lucky %v", test.truth, test.looked, test.decision, a.Outcome, a.Lucky)
		}
		if len(a.Expert) == 0 || a.Expert[0] != "smell" {
			t.Errorf("an expert looks at %v", a.Expert)
		}
	}
	other.Identity.Danger = "harmless"
	r.Truth = false
	if a := r.Judge([]string{"smell"}, ItIs); a.Outcome != Wrong {
		t.Errorf("a harmless mistake is %s", a.Outcome)
	}
	if _, err := ParseDecision("maybe"); err == nil {
		t.Error("a fourth decision was accepted")
	}
}

func TestPairsAreThoseThatCanBePractised(t *testing.T) {
	species, other := pair()
	pairs := Pairs([]*flora.Species{species, other})
	if len(pairs) != 1 || pairs[0].Species != species || pairs[0].Other != other {
		t.Errorf("the pairs are %+v", pairs)
	}
	if _, err := NewRound(species, plant("same", "harmless", species.Identity.Shows, false), 1); err == nil {
		t.Error("a pair that nothing tells apart was practised")
	}
}
