package identity

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// herb is a made-up plant with three musts; twin is deadly and differs in four
// characters, one of them no must.
func herb() *flora.Species {
	return &flora.Species{
		ID: "herb", Names: flora.Names{Name: "herb"},
		Parts: []flora.Part{{Name: "leaf", Verdicts: []flora.Verdict{flora.EatenRaw}}},
		Identity: flora.Identity{Danger: "harmless", Musts: []string{"smell", "sap", "leaf-order"}, Shows: flora.Shows{
			"smell": {"mint"}, "sap": {"clear"}, "leaf-order": {"opposite"}, "stem-fill": {"solid", "hollow"}, "flower-colour": {"pink", "white"}, "habitat": {"wet"},
		}},
		LookAlikes: []flora.LookAlike{{Name: "twin", Botanical: "Gemellus malus", Danger: "deadly", ID: "twin"}},
	}
}

func twin() *flora.Species {
	return &flora.Species{
		ID: "twin", Names: flora.Names{Name: "twin"}, Parts: []flora.Part{{Name: "leaf", Verdicts: []flora.Verdict{flora.Poisonous}}},
		Identity: flora.Identity{Danger: "deadly", Shows: flora.Shows{
			"smell": {"none"}, "sap": {"milky"}, "leaf-order": {"opposite"}, "stem-fill": {"hollow"}, "flower-colour": {"yellow"}, "habitat": {"dry"},
		}},
	}
}

var characters = []string{"smell", "sap", "leaf-order", "stem-fill", "flower-colour"}

func TestOnlyCharactersWithoutACommonStateDecide(t *testing.T) {
	got := strings.Join(Apart(herb().Identity.Shows, twin().Identity.Shows), " ")
	if got != "smell sap flower-colour" { // the stem can be hollow in both; where it stands never decides
		t.Errorf("what decides is %q", got)
	}
}

// Every set of answers over two visits, three answers and none to each of four
// characters on each, with a label and without, is judged as the rule says: 131,072
// cases.
func TestTheGateIsExhaustivelyStrict(t *testing.T) {
	rules := NewRules(herb(), []*flora.Species{herb(), twin()})
	deciding := map[string]bool{"smell": true, "sap": true, "flower-colour": true}
	musts := map[string]bool{"smell": true, "sap": true, "leaf-order": true}
	kinds := []Answer{"", Seen, NotSeen, CannotTell}
	characters := []string{"smell", "sap", "leaf-order", "flower-colour"}
	var all []map[string]Answer
	for code := range 1 << (2 * len(characters)) {
		answers := map[string]Answer{}
		for i, id := range characters {
			if kind := kinds[code>>(2*i)&3]; kind != "" {
				answers[id] = kind
			}
		}
		all = append(all, answers)
	}
	day := calendar.Must(2031, time.June, 1)
	sure := map[string]int{}
	for _, labelled := range []bool{false, true} {
		for _, first := range all {
			for _, second := range all {
				f := rules.Judge([]Look{{Day: day, By: "Ida", Answers: first}, {Day: day.AddDays(9), By: "Ida", Answers: second}}, labelled)
				mustsSeen, decided, visits, contradicted := 0, 0, 0, false
				for _, id := range characters {
					if first[id] == Seen || second[id] == Seen {
						if musts[id] {
							mustsSeen++
						}
						if deciding[id] {
							decided++
						}
					}
					contradicted = contradicted || first[id] == NotSeen || second[id] == NotSeen
				}
				for _, look := range []map[string]Answer{first, second} {
					must, decides := false, false
					for id, answer := range look {
						must = must || answer == Seen && musts[id]
						decides = decides || answer == Seen && deciding[id]
					}
					if must && decides {
						visits++
					}
				}
				want := Unproven
				switch {
				case contradicted:
					want = Excluded
				case labelled && mustsSeen >= 2 && decided == 3 && visits >= 1, mustsSeen == 3 && decided == 3 && visits == 2:
					want = Sure
				}
				if f.State != want {
					t.Fatalf("labelled %v, %v then %v: %s, want %s", labelled, first, second, f.State, want)
				}
				sure[fmt.Sprint(labelled, f.State)]++
			}
		}
	}
	if sure["falsesure"] == 0 || sure["truesure"] <= sure["falsesure"] {
		t.Errorf("the cases were %v", sure)
	}
}

func TestTwoPeopleOnOneDayAreTwoLooksAndOnePersonTwiceIsOne(t *testing.T) {
	rules := NewRules(herb(), []*flora.Species{herb(), twin()})
	day := calendar.Must(2031, time.June, 1)
	all := map[string]Answer{}
	for _, id := range characters {
		all[id] = Seen
	}
	same := []Look{{Day: day, By: "Ida", Answers: all}, {Day: day, By: "Ida", Answers: all}}
	if f := rules.Judge(same, false); f.State != Unproven || f.LooksOwed != 1 {
		t.Errorf("one person twice on a day: %s, %d looks owed", f.State, f.LooksOwed)
	}
	for _, spelt := range []string{"ida", " Ida ", "IDA"} {
		if f := rules.Judge([]Look{{Day: day, By: "Ida", Answers: all}, {Day: day, By: spelt, Answers: all}}, false); f.State != Unproven || f.LooksOwed != 1 {
			t.Errorf("Ida and %q on one day: %s", spelt, f.State)
		}
	}
	for name, second := range map[string]Look{"another person": {Day: day, By: "Joss", Answers: all}, "another day": {Day: day.AddDays(1), By: "Ida", Answers: all}} {
		if f := rules.Judge(append(same, second), false); f.State != Sure {
			t.Errorf("%s: %s", name, f.State)
		}
	}
	contradicted := append(same, Look{Day: day, By: "Joss", Answers: all}, Look{Day: day.AddDays(30), By: "Ida", Answers: map[string]Answer{"sap": NotSeen}})
	if f := rules.Judge(contradicted, false); f.State != Excluded || len(f.ExcludedBy) != 1 || f.ExcludedBy[0] != "sap" {
		t.Errorf("a later contradiction leaves it %s by %v", f.State, f.ExcludedBy)
	}
	if f := rules.Judge([]Look{{Day: day, By: "Ida", Answers: map[string]Answer{"aura": NotSeen}}}, false); f.State != Unproven {
		t.Errorf("an answer about nothing on record: %s", f.State)
	}
}

// An answer speaks of the states that were asked for. Where a plant is now said to show
// others, what was seen proves nothing of those, and what was not seen contradicts only
// where nothing else is in its nature.
func TestAnAnswerSpeaksOfWhatWasAsked(t *testing.T) {
	day := calendar.Must(2031, time.June, 1)
	for name, test := range map[string]struct {
		asked   flora.States
		answer  Answer
		seen    bool
		against bool
	}{
		"asked as it is":            {flora.States{"mint"}, Seen, true, false},
		"asked for another state":   {flora.States{"garlic"}, Seen, false, false},
		"asked for more":            {flora.States{"mint", "garlic"}, Seen, false, false},
		"not seen as it is":         {flora.States{"mint"}, NotSeen, false, true},
		"another state not seen":    {flora.States{"garlic"}, NotSeen, false, false},
		"neither of two seen":       {flora.States{"mint", "garlic"}, NotSeen, false, true},
		"cannot be told":            {flora.States{"mint"}, CannotTell, false, false},
		"without a record of asked": {nil, Seen, true, false},
	} {
		look := Look{Day: day, By: "Ida", Answers: map[string]Answer{"smell": test.answer}, Shown: flora.Shows{"smell": test.asked}}
		if test.asked == nil {
			look.Shown = nil
		}
		f := NewRules(herb(), []*flora.Species{herb(), twin()}).Judge([]Look{look}, false)
		if f.Seen["smell"] != test.seen || (f.State == Excluded) != test.against {
			t.Errorf("%s: seen %v, %s", name, f.Seen["smell"], f.State)
		}
	}
}

func TestAPlantWithoutMustsIsNeverSure(t *testing.T) {
	rules := NewRules(twin(), []*flora.Species{herb(), twin()})
	day := calendar.Must(2031, time.June, 1)
	all := map[string]Answer{}
	for _, id := range characters {
		all[id] = Seen
	}
	if f := rules.Judge([]Look{{Day: day, By: "Ida", Answers: all}, {Day: day.AddDays(1), By: "Ida", Answers: all}}, true); f.State != Unproven {
		t.Errorf("a plant that is never used is %s", f.State)
	}
}

func TestSpeciesThatCannotBeToldApartAreRefused(t *testing.T) {
	near := twin()
	near.Identity.Shows["sap"] = flora.States{"clear"}
	faults := CheckTogether([]*flora.Species{herb(), near})
	if len(faults) != 1 || !strings.Contains(faults[0].Error(), "only [smell flower-colour] tell it from twin, which is deadly") {
		t.Errorf("got %v", faults)
	}
	lost := herb()
	lost.LookAlikes[0].ID = "triplet"
	if faults := CheckTogether([]*flora.Species{lost, twin()}); len(faults) != 1 || !strings.Contains(faults[0].Error(), `no species "triplet"`) {
		t.Errorf("got %v", faults)
	}
	mild := herb()
	mild.LookAlikes[0].Danger = "harmless"
	if faults := CheckTogether([]*flora.Species{mild, twin()}); len(faults) != 1 || !strings.Contains(faults[0].Error(), "twin itself is deadly") {
		t.Errorf("got %v", faults)
	}
	inline := herb()
	inline.LookAlikes = []flora.LookAlike{{Name: "cousin", Danger: "poisonous", Shows: flora.Shows{"smell": {"rank"}, "sap": {"red"}}}}
	if problems := Check(inline); len(problems) != 1 || !strings.Contains(problems[0].What, "3 characters are needed") {
		t.Errorf("got %v", problems)
	}
}

func TestWhatExcludesMostDangerIsAskedFirstAndOnlyWhatIsNeeded(t *testing.T) {
	harmless := twin()
	harmless.ID, harmless.Names.Name, harmless.Identity.Danger = "cousin", "cousin", "poisonous"
	harmless.Identity.Shows = flora.Shows{"stem-fill": {"chambered"}, "smell": {"rank"}, "sap": {"red"}, "leaf-order": {"basal"}}
	rules := NewRules(herb(), []*flora.Species{herb(), twin(), harmless})
	always := func(Character) bool { return true }
	f := rules.Judge(nil, false)
	questions := rules.Questions(f, always)
	if questions[0].Character.ID != "smell" && questions[0].Character.ID != "sap" || len(questions[0].Against) != 2 {
		t.Errorf("the first question is %s against %v", questions[0].Character.ID, questions[0].Against)
	}
	needed := 0
	for i, q := range questions {
		if q.Needed {
			needed++
		} else if i < needed {
			t.Error("a question that is not needed stands before one that is")
		}
	}
	if needed != 4 || len(questions) != 5 { // three musts, the flower colour against the twin; the stem stands in
		t.Errorf("%d of %d questions are needed", needed, len(questions))
	}
	noFlower := func(c Character) bool { return c.ID != "flower-colour" }
	for _, q := range rules.Questions(f, noFlower) {
		if q.Character.ID == "flower-colour" {
			t.Error("the flower is asked for, and does not show")
		}
	}
	table := rules.TableQuestions(func(c Character) bool { return c.ID == "sap" || c.ID == "stem-fill" })
	if len(table) != 1 || table[0].Character.ID != "sap" || table[0].Against[0] != "twin" {
		t.Errorf("at the table: %+v", table)
	}
}
