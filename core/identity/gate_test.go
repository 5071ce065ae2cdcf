package identity

import (
	"fmt"
	"maps"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// herb is a made-up plant with three musts; twin is deadly and differs in four characters
// that decide, three of them plain and two of them no musts.
func herb() *flora.Species {
	return &flora.Species{
		ID: "herb", Names: flora.Names{Name: "herb"},
		Parts: []flora.Part{{Name: "leaf", Verdicts: []flora.Verdict{flora.EatenRaw}}},
		Identity: flora.Identity{Danger: "harmless", Musts: []string{"smell", "sap", "leaf-order"}, Shows: flora.Shows{
			"smell": {"mint"}, "sap": {"clear"}, "leaf-order": {"opposite"}, "stem-fill": {"solid", "hollow"}, "flower-colour": {"pink", "white"}, "fruit": {"capsule"}, "habitat": {"wet"},
		}},
		LookAlikes: []flora.LookAlike{{Name: "twin", Botanical: "Gemellus malus", Danger: "deadly", ID: "twin"}},
	}
}

func twin() *flora.Species {
	return &flora.Species{
		ID: "twin", Names: flora.Names{Name: "twin"}, Parts: []flora.Part{{Name: "leaf", Verdicts: []flora.Verdict{flora.Poisonous}}},
		Identity: flora.Identity{Danger: "deadly", Shows: flora.Shows{
			"smell": {"none"}, "sap": {"milky"}, "leaf-order": {"opposite"}, "stem-fill": {"hollow"}, "flower-colour": {"yellow"}, "fruit": {"berry"}, "habitat": {"dry"},
		}},
	}
}

var characters = []string{"smell", "sap", "leaf-order", "stem-fill", "flower-colour", "fruit"}

func TestOnlyCharactersWithoutACommonStateDecide(t *testing.T) {
	got := strings.Join(Apart(herb().Identity.Shows, twin().Identity.Shows), " ")
	if got != "smell sap flower-colour fruit" { // the stem can be hollow in both; where it stands never decides
		t.Errorf("what decides is %q", got)
	}
}

// Every set of answers over two visits, three answers and none to each of the four characters
// that decide on each, with a must beside them seen twice, once or never, with a label and
// without, is judged as the rule says: 393,216 cases.
func TestTheGateIsExhaustivelyStrict(t *testing.T) {
	rules := NewRules(herb(), []*flora.Species{herb(), twin()}, false)
	deciding := map[string]bool{"smell": true, "sap": true, "flower-colour": true, "fruit": true}
	musts := map[string]bool{"smell": true, "sap": true, "leaf-order": true}
	kinds := []Answer{"", Seen, NotSeen, CannotTell}
	asked := []string{"smell", "sap", "flower-colour", "fruit"}
	characters := append([]string{"leaf-order"}, asked...)
	var all []map[string]Answer
	for code := range 1 << (2 * len(asked)) {
		answers := map[string]Answer{}
		for i, id := range asked {
			if kind := kinds[code>>(2*i)&3]; kind != "" {
				answers[id] = kind
			}
		}
		all = append(all, answers)
	}
	day := calendar.Must(2031, time.June, 1)
	sure := map[string]int{}
	withMust := func(answers map[string]Answer, seen bool) map[string]Answer {
		if seen {
			answers = maps.Clone(answers)
			answers["leaf-order"] = Seen
		}
		return answers
	}
	for mustSeen := range 3 {
		for _, plainFirst := range all {
			first := withMust(plainFirst, mustSeen > 0)
			for _, plainSecond := range all {
				second := withMust(plainSecond, mustSeen > 1)
				mustsSeen, decided, untold, whole, contradicted := 0, 0, false, 0, false
				for _, id := range characters {
					sees := first[id] == Seen || second[id] == Seen
					if sees && musts[id] {
						mustsSeen++
					}
					if sees && deciding[id] {
						decided++
					}
					untold = untold || deciding[id] && !sees && (first[id] == CannotTell || second[id] == CannotTell)
					contradicted = contradicted || first[id] == NotSeen || second[id] == NotSeen
				}
				for _, labelled := range []bool{false, true} {
					// One person's first reading is what was seen once, the second what was seen again.
					isWhole := func(times int) bool {
						saw, tells := 0, 0
						for _, id := range characters {
							seen := 0
							for _, look := range []map[string]Answer{first, second} {
								if look[id] == Seen {
									seen++
								}
							}
							if seen >= times {
								if musts[id] {
									saw++
								}
								if deciding[id] {
									tells++
								}
							}
						}
						return tells >= 3 && (saw == 3 || labelled && saw >= 2)
					}
					switch {
					case isWhole(2):
						whole = 2
					case isWhole(1):
						whole = 1
					default:
						whole = 0
					}
					want := Unproven
					switch {
					case contradicted:
						want = Excluded
					case untold || decided < 4:
					case labelled && mustsSeen >= 2 && whole >= 1, mustsSeen == 3 && whole == 2:
						want = Sure
					}
					f := rules.Judge([]Look{{Day: day, By: "Ida", Answers: first}, {Day: day.AddDays(9), By: "Ida", Answers: second}}, labelled)
					if f.State != want {
						t.Fatalf("labelled %v, %v then %v: %s, want %s", labelled, first, second, f.State, want)
					}
					sure[fmt.Sprint(labelled, f.State)]++
				}
			}
		}
	}
	if sure["falsesure"] == 0 || sure["truesure"] <= sure["falsesure"] {
		t.Errorf("the cases were %v", sure)
	}
}

// Four characters that decide are not enough against what kills where fewer than two of them
// are hard to misread; against what only poisons they are.
func TestAgainstWhatKillsTwoPlainCharactersAreSeen(t *testing.T) {
	plant, danger := herb(), twin()
	for _, c := range []string{"root-inside", "leaf-tip", "midrib-colour"} { // none of them plain
		character := mustCharacter(t, c)
		if character.Misread == Plain {
			t.Fatalf("%s is plain", c)
		}
		plant.Identity.Shows[c] = flora.States{character.States[0].ID}
		danger.Identity.Shows[c] = flora.States{character.States[1].ID}
	}
	day := calendar.Must(2031, time.June, 1)
	for _, test := range []struct {
		danger string
		seen   []string
		want   State
	}{
		{"deadly", []string{"smell", "root-inside", "leaf-tip", "midrib-colour", "leaf-order"}, Unproven},
		{"deadly", []string{"smell", "root-inside", "leaf-tip", "midrib-colour", "leaf-order", "sap"}, Unproven},
		{"deadly", []string{"smell", "root-inside", "leaf-order", "sap", "fruit"}, Sure},
		{"poisonous", []string{"smell", "root-inside", "leaf-tip", "midrib-colour", "leaf-order"}, Sure},
	} {
		danger.Identity.Danger = test.danger
		plant.LookAlikes[0].Danger, plant.Identity.Musts = test.danger, []string{"smell", "leaf-order"}
		rules := NewRules(plant, []*flora.Species{plant, danger}, false)
		answers := map[string]Answer{}
		for _, id := range test.seen {
			answers[id] = Seen
		}
		looks := []Look{{Day: day, By: "Ida", Answers: answers}, {Day: day, By: "Joss", Answers: answers}}
		if f := rules.Judge(looks, false); f.State != test.want {
			t.Errorf("%s, seen %v: %s, want %s", test.danger, test.seen, f.State, test.want)
		}
	}
}

func TestTwoLooksAreByTwoPeopleOrDaysApart(t *testing.T) {
	rules := NewRules(herb(), []*flora.Species{herb(), twin()}, false)
	day := calendar.Must(2031, time.June, 1)
	all := map[string]Answer{}
	for _, id := range characters {
		all[id] = Seen
	}
	two := func(by string, later int) []Look {
		return []Look{{Day: day, By: "Ida", Answers: all}, {Day: day.AddDays(later), By: by, Answers: all}}
	}
	for _, spelt := range []string{"Ida", "ida", " Ida ", "IDA", "Ida.", "I\u200bda", "Ｉｄａ", "Іda", "Ida\u00a0", "Idà"} {
		for later := range DaysApart {
			if f := rules.Judge(two(spelt, later), false); f.State != Unproven || f.LooksOwed != 1 {
				t.Errorf("Ida, and %q %d days later: %s, %d looks owed", spelt, later, f.State, f.LooksOwed)
			}
		}
		if f := rules.Judge(two(spelt, DaysApart), false); f.State != Sure {
			t.Errorf("Ida, and %q %d days later: %s", spelt, DaysApart, f.State)
		}
	}
	if f := rules.Judge(two("Joss", 0), false); f.State != Sure {
		t.Errorf("two people on one day: %s", f.State)
	}
	// The second person's look has to be whole: two musts of three, or two deciding
	// characters, are none.
	for _, thin := range [][]string{{"smell", "leaf-order", "fruit", "flower-colour"}, {"smell", "sap", "leaf-order"}, {"leaf-order"}} {
		answers := map[string]Answer{}
		for _, id := range thin {
			answers[id] = Seen
		}
		looks := two("Joss", 0)
		looks[1].Answers = answers
		if f := rules.Judge(looks, false); f.State != Unproven || f.LooksOwed != 1 {
			t.Errorf("a second look at %v: %s", thin, f.State)
		}
	}
	contradicted := append(two("Joss", 0), Look{Day: day.AddDays(30), By: "Ida", Answers: map[string]Answer{"sap": NotSeen}})
	if f := rules.Judge(contradicted, false); f.State != Excluded || len(f.ExcludedBy) != 1 || f.ExcludedBy[0] != "sap" {
		t.Errorf("a later contradiction leaves it %s by %v", f.State, f.ExcludedBy)
	}
	if f := rules.Judge([]Look{{Day: day, By: "Ida", Answers: map[string]Answer{"aura": NotSeen}}}, false); f.State != Unproven {
		t.Errorf("an answer about nothing on record: %s", f.State)
	}
}

// What one person sees over several days makes one reading; the next sees each character
// again, three days or more after it was seen first.
func TestAReadingGrowsOverDays(t *testing.T) {
	rules := NewRules(herb(), []*flora.Species{herb(), twin()}, false)
	day := calendar.Must(2031, time.May, 1)
	leaf := map[string]Answer{"smell": Seen, "leaf-order": Seen}
	flower := map[string]Answer{"sap": Seen, "flower-colour": Seen, "fruit": Seen}
	looks := []Look{{Day: day, By: "Ida", Answers: leaf}, {Day: day.AddDays(40), By: "Ida", Answers: flower}}
	if seen, from := rules.Reading(looks[:1], "ida", false); len(seen) != 2 || from != 0 {
		t.Errorf("after the leaf %v is seen, from %s", seen, from)
	}
	if seen, from := rules.Reading(looks, "ida", false); len(seen) != 0 || from != day.AddDays(43) {
		t.Errorf("after the flower %v is seen, from %s", seen, from)
	}
	looks = append(looks, Look{Day: day.AddDays(42), By: "Ida", Answers: leaf}, Look{Day: day.AddDays(42), By: "Ida", Answers: flower})
	if f := rules.Judge(looks, false); f.State != Unproven || f.LooksOwed != 1 {
		t.Errorf("the flower two days after: %s", f.State)
	}
	if seen, from := rules.Reading(looks, "ida", false); !seen["smell"] || seen["sap"] || from != day.AddDays(43) {
		t.Errorf("the second reading has %v, from %s", seen, from)
	}
	looks = append(looks, Look{Day: day.AddDays(43), By: "Ida", Answers: flower})
	if f := rules.Judge(looks, false); f.State != Sure {
		t.Errorf("three days after: %s", f.State)
	}
}

// A character that decides and could not be told leaves its danger open, with a label
// too, until somebody has seen it; it is asked for first.
func TestWhatCannotBeToldLeavesItsDangerOpen(t *testing.T) {
	third := twin()
	third.Identity.Shows["stem-fill"] = flora.States{"chambered"} // a fifth that decides
	rules := NewRules(herb(), []*flora.Species{herb(), third}, false)
	day := calendar.Must(2031, time.June, 1)
	answers := map[string]Answer{"smell": Seen, "sap": Seen, "leaf-order": Seen, "flower-colour": Seen, "fruit": Seen, "stem-fill": CannotTell}
	for _, labelled := range []bool{false, true} {
		looks := []Look{{Day: day, By: "Ida", Answers: answers}, {Day: day, By: "Joss", Answers: answers}}
		f := rules.Judge(looks, labelled)
		if f.State != Unproven || len(f.DangersOwed) != 1 || len(f.Untold) != 1 || f.Untold[0] != "stem-fill" {
			t.Errorf("labelled %v: %s, untold %v", labelled, f.State, f.Untold)
		}
		if asked := rules.Questions(f, nil, func(Character) bool { return true }); asked[0].Character.ID != "stem-fill" || !asked[0].Needed {
			t.Errorf("the first question is %s", asked[0].Character.ID)
		}
		looks = append(looks, Look{Day: day, By: "Joss", Answers: map[string]Answer{"stem-fill": Seen}})
		if f := rules.Judge(looks, labelled); f.State != Sure {
			t.Errorf("labelled %v, seen after all: %s", labelled, f.State)
		}
	}
}

// A label lowers the looks and never the dangers: a dangerous plant that the species
// does not name has to be ruled out as fully as one that it names.
func TestALabelLowersNoDanger(t *testing.T) {
	unnamed := herb()
	unnamed.LookAlikes = nil
	rules := NewRules(unnamed, []*flora.Species{unnamed, twin()}, false)
	day := calendar.Must(2031, time.June, 1)
	for n, want := range []State{Unproven, Unproven, Unproven, Unproven, Sure} {
		answers := map[string]Answer{"leaf-order": Seen}
		for _, id := range []string{"smell", "sap", "flower-colour", "fruit"}[:n] {
			answers[id] = Seen
		}
		if f := rules.Judge([]Look{{Day: day, By: "Ida", Answers: answers}}, true); f.State != want {
			t.Errorf("with %d deciding characters it is %s", n, f.State)
		}
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
		f := NewRules(herb(), []*flora.Species{herb(), twin()}, false).Judge([]Look{look}, false)
		if f.Seen["smell"] != test.seen || (f.State == Excluded) != test.against {
			t.Errorf("%s: seen %v, %s", name, f.Seen["smell"], f.State)
		}
	}
}

func TestAPlantWithoutMustsIsNeverSure(t *testing.T) {
	rules := NewRules(twin(), []*flora.Species{herb(), twin()}, false)
	day := calendar.Must(2031, time.June, 1)
	all := map[string]Answer{}
	for _, id := range characters {
		all[id] = Seen
	}
	if f := rules.Judge([]Look{{Day: day, By: "Ida", Answers: all}, {Day: day.AddDays(9), By: "Ida", Answers: all}}, true); f.State != Unproven {
		t.Errorf("a plant that is never used is %s", f.State)
	}
}

func TestSpeciesThatCannotBeToldApartAreRefused(t *testing.T) {
	near := twin()
	near.Identity.Shows["sap"] = flora.States{"clear"}
	faults := CheckTogether([]*flora.Species{herb(), near})
	if len(faults) != 1 || !strings.Contains(faults[0].Error(), "only [smell flower-colour fruit] tell it from twin, which is deadly; 4 characters") {
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
	if problems := Check(inline); len(problems) != 1 || !strings.Contains(problems[0].What, "4 characters are needed") {
		t.Errorf("got %v", problems)
	}
}

func TestWhatExcludesMostDangerIsAskedFirstAndOnlyWhatIsNeeded(t *testing.T) {
	harmless := twin()
	harmless.ID, harmless.Names.Name, harmless.Identity.Danger = "cousin", "cousin", "poisonous"
	harmless.Identity.Shows = flora.Shows{"stem-fill": {"chambered"}, "smell": {"rank"}, "sap": {"red"}, "leaf-order": {"basal"}, "flower-form": {"daisy"}}
	plant := herb()
	plant.Identity.Shows["flower-form"] = flora.States{"lipped"}
	rules := NewRules(plant, []*flora.Species{plant, twin(), harmless}, false)
	always := func(Character) bool { return true }
	f := rules.Judge(nil, false)
	questions := rules.Questions(f, nil, always)
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
	if needed != 6 || len(questions) != 7 { // three musts, colour and fruit against the twin, one more against the cousin; one stands in
		t.Errorf("%d of %d questions are needed", needed, len(questions))
	}
	noFlower := func(c Character) bool { return c.ID != "flower-colour" }
	for _, q := range rules.Questions(f, nil, noFlower) {
		if q.Character.ID == "flower-colour" {
			t.Error("the flower is asked for, and does not show")
		}
	}
	table := rules.TableQuestions(func(c Character) bool { return c.ID == "sap" || c.ID == "stem-fill" })
	if len(table) != 1 || table[0].Character.ID != "sap" || table[0].Against[0] != "twin" {
		t.Errorf("at the table: %+v", table)
	}
}
