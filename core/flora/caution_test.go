package flora

import (
	"slices"
	"strings"
	"testing"
)

func TestEveryCircumstanceIsMatchedByTheCautionsThatNameIt(t *testing.T) {
	for _, c := range Circumstances() {
		if got, has := CircumstanceOf(c.ID); !has || got != c || c.Name == "" {
			t.Errorf("%q is not found", c.ID)
		}
		alone := Caution{Who: c.ID}
		if who := alone.For(); len(who) != 1 || who[0] != c.ID {
			t.Errorf("a caution for %q is for %v", c.ID, who)
		}
		for _, joined := range []string{c.ID + " or nursing", "nursing or " + c.ID, "nursing, " + c.ID} {
			if who := (Caution{Who: joined}).For(); c.ID != "nursing" && (len(who) != 2 || !slices.Contains(who, c.ID) || !slices.Contains(who, "nursing")) {
				t.Errorf("a caution for %q is for %q", joined, who)
			}
		}
	}
	if who := (Caution{Who: "depression, sleep medicine or alcohol"}).For(); len(who) != 3 {
		t.Errorf("three circumstances are read as %v", who)
	}
}

func TestChildrenAreKnownByTheirAge(t *testing.T) {
	for age, want := range map[int]string{
		0: "small child child child or young person", 5: "small child child child or young person", 6: "child child or young person",
		12: "child or young person", 17: "child or young person", 18: "", 60: "",
	} {
		if got := strings.Join(CircumstancesOfAge(age), " "); got != want {
			t.Errorf("at %d: %q, want %q", age, got, want)
		}
	}
}

func TestAKnownRiskToAnOrganNeedsItsCaution(t *testing.T) {
	s := &Species{
		OrganRisk: []string{"liver"},
		Parts:     []Part{{Name: "leaf", Verdicts: []Verdict{EatenRaw}}, {Name: "root", Verdicts: []Verdict{Poisonous}}},
	}
	faults := func() int {
		c := &checker{}
		s.checkCautions(c)
		return len(c.problems)
	}
	if faults() != 1 {
		t.Errorf("%d faults without any caution, want one: the root is not taken", faults())
	}
	for name, test := range map[string]struct {
		caution Caution
		faults  int
	}{
		"for another": {Caution{Who: "pregnant", Route: "by mouth", Text: "No."}, 1},
		"on the skin": {Caution{Who: "liver trouble", Route: "on the skin", Text: "No."}, 1},
		"its own":     {Caution{Who: "liver trouble", Route: "by mouth", Text: "No."}, 0},
		"with others": {Caution{Who: "kidney trouble or liver trouble", Route: "by mouth", Text: "No."}, 0},
		"no route":    {Caution{Who: "liver trouble", Route: "somehow", Text: "No."}, 2},
	} {
		s.Cautions = []Caution{test.caution}
		if got := faults(); got != test.faults {
			t.Errorf("%s: %d faults, want %d", name, got, test.faults)
		}
	}
	s.OrganRisk = []string{"spleen"}
	if faults() == 0 {
		t.Error("an organ that is not known was accepted")
	}
}

func TestStatesAndNamesAreReadFromTheirLines(t *testing.T) {
	var states States
	if err := states.UnmarshalText([]byte("white, pink")); err != nil || !slices.Equal(states, States{"white", "pink"}) {
		t.Errorf("read as %v, %v", states, err)
	}
	for _, bad := range []string{"", "white,, pink", "white, white"} {
		if err := states.UnmarshalText([]byte(bad)); err == nil {
			t.Errorf("%q was accepted", bad)
		}
	}
	var name CommonName
	if err := name.UnmarshalText([]byte("Eibisch (German)")); err != nil || name != (CommonName{"Eibisch", "German"}) {
		t.Errorf("read as %+v, %v", name, err)
	}
	if back, _ := name.MarshalText(); string(back) != "Eibisch (German)" {
		t.Errorf("written as %q", back)
	}
	if err := name.UnmarshalText([]byte("Eibisch")); err == nil {
		t.Error("a name without its language was accepted")
	}
}

func TestUsualFiguresFillOnlyWhatIsLeftOut(t *testing.T) {
	figure := func(v float64, unit string) Figure { return Figure{v, v, v, unit, Usual, "", ""} }
	u := UsualFigures{Growth: UsualGrowth{Base: figure(5, "°C")}, Kinds: map[string]UsualPart{
		"root": {Water: figure(0.75, "share"), HarvestRule: HarvestRule{Verb: "Lift", One: "root", Many: "roots", CutShare: figure(0.25, "share"), TakesPlant: true}},
	}}
	own := figure(0.1, "share")
	s := &Species{Parts: []Part{
		{Kind: "root", Harvest: &HarvestRule{CutShare: own}},
		{Kind: "root", Harvest: &HarvestRule{One: "piece", Many: "pieces"}},
		{Kind: "root"},
	}}
	u.Fill(s)
	first, second := s.Parts[0], s.Parts[1]
	if first.Harvest.CutShare != own || first.Harvest.Verb != "Lift" || !first.Harvest.TakesPlant || first.Keep.Water.Value != 0.75 || s.Growth.Base.Value != 5 {
		t.Errorf("filled to %+v", first.Harvest)
	}
	if second.Harvest.One != "piece" || second.Harvest.TakesPlant || second.Harvest.CutShare.Value != 0.25 {
		t.Errorf("a part in a unit of its own: %+v", second.Harvest)
	}
	if s.Parts[2].Keep.Water != nil || s.Parts[2].Harvest != nil {
		t.Error("a part that is not taken was filled")
	}
}
