package harvest

import (
	"math/rand/v2"
	"testing"

	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
)

func figure(v float64) flora.Figure { return flora.Figure{Value: v} }

func pointer(v float64) *float64 { return &v }

// tops is a rule with a third to cut, half to leave, and regrowth in 400 °C d.
func tops() *flora.HarvestRule {
	regrowth := flora.Regrowth{Figure: figure(400)}
	return &flora.HarvestRule{
		Verb: "Cut", One: "stem", Many: "stems", From: flora.InBud, Until: flora.SettingSeed, Peak: flora.FirstFlower,
		MinYear: figure(2), PerPlant: figure(6), GramsEach: figure(22), CutShare: figure(1.0 / 3), Floor: figure(0.5), Regrowth: &regrowth,
	}
}

func TestAllowanceIsTheLeastLimitAndNamesIt(t *testing.T) {
	whole := Stand{Plants: 7, SizeShare: 1, Ready: 1}
	tests := []struct {
		name    string
		stand   func(Stand) Stand
		units   float64
		binding LimitKind
	}{
		{"a third of 42", func(s Stand) Stand { return s }, 14, ByShare},
		{"few at the stage", func(s Stand) Stand { s.Ready = 0.2; return s }, 8, ByStage},
		{"little needed", func(s Stand) Stand { s.StillNeeded = pointer(3.2); return s }, 4, ByNeed},
		{"nothing needed", func(s Stand) Stand { s.StillNeeded = pointer(0); return s }, 0, ByNeed},
		{"five a year settled", func(s Stand) Stand { s.Steady = pointer(5); return s }, 5, BySteady},
		{"more than settled lifted", func(s Stand) Stand { s.Steady = pointer(-2); return s }, 0, BySteady},
		{"just cut", func(s Stand) Stand { s.Taken = []Taken{{14, 0}}; return s }, 0, ByRegrowth},
		{"half grown back", func(s Stand) Stand { s.Taken = []Taken{{14, 200}}; return s }, 7, ByRegrowth},
		{"grown back", func(s Stand) Stand { s.Taken = []Taken{{14, 400}}; return s }, 14, ByShare},
		{"overdrawn", func(s Stand) Stand { s.Taken = []Taken{{30, 0}}; return s }, 0, ByFloor},
		{"three quarters kept for bees", func(s Stand) Stand { s.KeptShare = 0.75; return s }, 10, ByFloor},
		{"kept less than its floor", func(s Stand) Stand { s.KeptShare = 0.1; return s }, 14, ByShare},
		{"small plants", func(s Stand) Stand { s.SizeShare = 0.5; return s }, 7, ByShare},
		{"a weed", func(s Stand) Stand { s.All = true; s.StillNeeded = pointer(1); return s }, 42, ByAll},
		{"a weed, half cut just now", func(s Stand) Stand { s.All = true; s.Taken = []Taken{{21, 0}}; return s }, 21, ByAll},
		{"a weed, few at the stage", func(s Stand) Stand { s.All = true; s.Ready = 0.2; return s }, 8, ByStage},
		{"no plants", func(s Stand) Stand { s.Plants = 0; return s }, 0, ByShare},
	}
	for _, test := range tests {
		t.Run(test.name, func(t *testing.T) {
			a := Allow(tops(), test.stand(whole))
			if a.Units != test.units || a.Limits[0].Kind != test.binding || a.Limits[0].Units != a.Units {
				t.Errorf("got %v by %s, want %v by %s (%+v)", a.Units, a.Limits[0].Kind, test.units, test.binding, a.Limits)
			}
			if a.Grams != a.Units*22 {
				t.Errorf("%v units weigh %v g", a.Units, a.Grams)
			}
		})
	}
}

func TestWhatDoesNotGrowBackStaysMissing(t *testing.T) {
	rule := tops()
	for name, regrowth := range map[string]*flora.Regrowth{"not on record": nil, "none": {None: true}} {
		rule.Regrowth = regrowth
		a := Allow(rule, Stand{Plants: 7, SizeShare: 1, Ready: 1, Taken: []Taken{{10, 5000}}})
		if a.Units != 4 || a.Standing != 32 || a.Regrown != 0 {
			t.Errorf("%s: after 10 of 42 the allowance is %+v, want 4 more of 32", name, a)
		}
	}
}

func TestSmallPlantsHaveWholeRootsThatWeighLess(t *testing.T) {
	rule := tops()
	rule.TakesPlant, rule.PerPlant, rule.Regrowth = true, figure(1), nil
	a := Allow(rule, Stand{Plants: 12, SizeShare: 0.5, Ready: 1})
	if a.Full != 12 || a.Units != 4 || a.Grams != 4*22*0.5 {
		t.Errorf("12 plants of half size allow %+v; want 4 roots of half weight", a)
	}
}

// The sums by hand: 10 of 42 cut, a quarter grown back in 100 of 400 °C d, so 7.5 are missing; 5 more cut leave 12.5
// missing, all of which grow back over the 400 °C d from then on.
func TestWhoeverCutsAgainWaitsForAllOfItAnew(t *testing.T) {
	missing, grown := MissingAfterCuts(tops(), []Taken{{10, 300}, {5, 200}})
	if missing != 12.5 || grown != 0.5 {
		t.Errorf("%v are missing after the second cut, %v of them grown back; want 12.5 and a half", missing, grown)
	}
	a := Allow(tops(), Stand{Plants: 7, SizeShare: 1, Ready: 1, Taken: []Taken{{10, 300}, {5, 200}}})
	if a.Standing != 42-6.25 || a.Regrown != 0.5 || a.Units != 7 {
		t.Errorf("the allowance is %+v; want 35.75 standing and 7 of them", a)
	}
}

// However a stand is picked within its allowance, no more than the cut share is
// ever missing, and the floor stands.
func TestPickingWithinTheAllowanceNeverOverdrawsTheStand(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 2))
	for range 500 {
		rule := tops()
		rule.CutShare, rule.Floor = figure(0.1+0.6*rng.Float64()), figure(0.2+0.6*rng.Float64())
		stand := Stand{Plants: float64(1 + rng.IntN(30)), SizeShare: 0.3 + rng.Float64(), Ready: 1}
		for range 20 {
			warmth := 150 * rng.Float64()
			for i := range stand.Taken {
				stand.Taken[i].Warmth += warmth
			}
			before := Allow(rule, stand)
			if before.Units < 0 || before.Units > before.Standing {
				t.Fatalf("an allowance of %v from %v", before.Units, before.Standing)
			}
			took := float64(rng.IntN(int(before.Units) + 1))
			if took == 0 {
				continue
			}
			stand.Taken = append(stand.Taken, Taken{Units: took})
			after := Allow(rule, stand)
			if after.Standing < rule.Floor.Value*after.Full-1e-6 {
				t.Fatalf("%v stand of %v, below the floor of %v", after.Standing, after.Full, rule.Floor.Value)
			}
			if missing := after.Full - after.Standing; missing > rule.CutShare.Value*after.Full+1e-6 {
				t.Fatalf("%v of %v are missing, more than the share of %v", missing, after.Full, rule.CutShare.Value)
			}
		}
	}
}

func TestGatesRefuseTheGravestFirst(t *testing.T) {
	species := &flora.Species{LookAlikes: []flora.LookAlike{{Name: "a nuisance", Danger: "unpleasant"}, {Name: "a killer", Danger: "deadly"}}}
	used, unused := flora.Part{Name: "leaf", Harvest: tops()}, flora.Part{Name: "root"}
	if r := MayUse(species, used, identity.Sure, ""); r != nil {
		t.Errorf("a sure plant on safe ground is refused: %+v", r)
	}
	if r := MayUse(species, used, identity.Unproven, "road verge"); r == nil || r.Kind != Unsafe {
		t.Errorf("unsafe ground does not come first: %+v", r)
	}
	r := MayUse(species, used, identity.Unproven, "")
	if r == nil || r.Kind != Unproven || len(r.Owed) != 2 || r.Owed[0].Name != "a killer" {
		t.Errorf("an unproven plant gives %+v; want both checks, the deadly one first", r)
	}
	if r := MayUse(species, unused, identity.Sure, ""); r == nil || r.Kind != NotAPart {
		t.Errorf("a part without a harvest gives %+v", r)
	}
	if r := MayUse(species, used, "", ""); r == nil {
		t.Error("a planting of no known state is offered for use")
	}
}

func TestAgeBoundsAreInclusive(t *testing.T) {
	rule := tops()
	last := figure(3)
	rule.LastYear = &last
	for year, want := range map[int]RefusalKind{1: TooYoung, 2: "", 3: "", 4: TooOld} {
		got := RefusalKind("")
		if r := AgeRefusal(rule, Age{Year: year}); r != nil {
			got = r.Kind
		}
		if got != want {
			t.Errorf("year %d gives %q, want %q", year, got, want)
		}
	}
}

func TestADivisionIsLeftAloneToSettle(t *testing.T) {
	for seasons, want := range map[int]bool{0: false, 1: true, 2: true} {
		age := Age{Year: 4 + seasons, Seasons: seasons, Settles: 1}
		r := AgeRefusal(tops(), age)
		if (r == nil) != want || r != nil && r.Kind != Settling || OfAge(tops(), age) != want {
			t.Errorf("%d seasons after it was set, the refusal is %+v", seasons, r)
		}
	}
	if before := (Age{Year: 3, Seasons: 1, Settles: 1}).before(); before.Settled() || before.Year != 2 {
		t.Errorf("the season before is %+v", before)
	}
}

func TestDryDays(t *testing.T) {
	rule := tops()
	two := figure(2)
	rule.DryDays = &two
	weather := []climate.Day{{Rain: 5}, {}, {}, {Rain: 2}, {Rain: 0.4}, {}}
	for day, want := range []bool{false, false, true, false, false, true} {
		if got := DryEnough(rule, weather, day); got != want {
			t.Errorf("day %d is dry enough: %v, want %v", day, got, want)
		}
	}
	if day, has := NextDryDay(rule, weather, 3); !has || day != 5 {
		t.Errorf("the next dry day after day 3 is %d, %v", day, has)
	}
	if _, has := NextDryDay(rule, weather[:5], 3); has {
		t.Error("a dry spell was found in the rain")
	}
	rule.DryDays = nil
	if !DryEnough(rule, weather, 0) {
		t.Error("a rule without dry days waits for the weather")
	}
}
