package care_test

import (
	"strings"
	"testing"

	"bramblyacre/core/care"
	"bramblyacre/core/flora"
)

func figure(t *testing.T, line string) flora.Figure {
	t.Helper()
	var f flora.Figure
	if err := f.UnmarshalText([]byte(line)); err != nil {
		t.Fatal(err)
	}
	return f
}

// Each case is one that a grower would answer without a computer.
func TestWorkIsWantedByWhatStands(t *testing.T) {
	pinch := flora.Care{
		Verb: "Pinch", MinYear: 1, MaxYear: 2,
		UntilHeight: figure(t, "25 (20 to 30) cm guess"), UntilWidth: figure(t, "30 (25 to 40) cm guess"),
	}
	divide, yearly := flora.Care{Verb: "Divide", MinYear: 5}, flora.Care{Verb: "Divide", MinYear: 3, Every: figure(t, "2 years guess")}
	tests := []struct {
		name   string
		row    flora.Care
		work   string
		at     care.Situation
		wanted bool
		reason care.Reason
	}{
		{"a small plant is pinched", pinch, care.Pinch, care.Situation{Year: 1, HeightCm: 12, WidthCm: 10, YearsSince: care.Never}, true, care.StillSmall},
		{"tall and thin, it is pinched still", pinch, care.Pinch, care.Situation{Year: 1, HeightCm: 60, WidthCm: 29, YearsSince: care.Never}, true, care.StillSmall},
		{"wide and low, it is pinched still", pinch, care.Pinch, care.Situation{Year: 1, HeightCm: 24, WidthCm: 60, YearsSince: care.Never}, true, care.StillSmall},
		{"tall and wide enough, no more", pinch, care.Pinch, care.Situation{Year: 1, HeightCm: 25, WidthCm: 30, YearsSince: care.Never}, false, care.LargeEnough},
		{"an old one is not", pinch, care.Pinch, care.Situation{Year: 3, HeightCm: 12, WidthCm: 10, YearsSince: care.Never}, false, care.TooOld},
		{"pinched last year, it is pinched again", pinch, care.Pinch, care.Situation{Year: 2, YearsSince: 1}, true, care.StillSmall},
		{"a young clump is not divided", divide, care.Renew, care.Situation{Year: 4, YearsSince: care.Never}, false, care.TooYoung},
		{"a clump of five years is", divide, care.Renew, care.Situation{Year: 5, YearsSince: care.Never}, true, care.NoReason},
		{"one divided three years ago is not", divide, care.Renew, care.Situation{Year: 9, YearsSince: 3}, false, care.DoneLately},
		{"one divided four years ago is again", divide, care.Renew, care.Situation{Year: 9, YearsSince: 4}, true, care.YearsAgo},
		{"a crowded one says so", divide, care.Renew, care.Situation{Year: 6, YearsSince: care.Never, Crowded: true}, true, care.IsCrowded},
		{"a row's own years go before", yearly, care.Renew, care.Situation{Year: 9, YearsSince: 2}, true, care.YearsAgo},
		{"thin mulch is topped up", flora.Care{MinYear: 1}, care.Mulch, care.Situation{Year: 1, MulchCm: 2, YearsSince: 1}, true, care.NoReason},
		{"deep mulch is not", flora.Care{MinYear: 1}, care.Mulch, care.Situation{Year: 1, MulchCm: 5, YearsSince: care.Never}, false, care.Mulched},
		{"dry ground is watered first", flora.Care{MinYear: 1}, care.Mulch, care.Situation{Year: 1, KnowsWater: true, Short: true, YearsSince: care.Never}, true, care.GroundDry},
		{"rich ground is not fed", flora.Care{MinYear: 1}, care.Feed, care.Situation{Year: 1, TooRich: true, YearsSince: care.Never}, false, care.TooRich},
		{"poor ground is", flora.Care{MinYear: 1}, care.Feed, care.Situation{Year: 1, YearsSince: care.Never}, true, care.NoReason},
		{"what single nights harm is covered on those", flora.Care{MinYear: 1}, care.Shelter, care.Situation{Year: 1, NightsTold: true, YearsSince: care.Never}, false, care.OnTheNight},
		{"a reckoned bed is watered as a bed", flora.Care{MinYear: 1}, care.Water, care.Situation{Year: 1, KnowsWater: true, YearsSince: care.Never}, false, care.BedIsWatered},
		{"one that is not is watered by its row", flora.Care{MinYear: 1}, care.Water, care.Situation{Year: 1, YearsSince: care.Never}, true, care.NoReason},
	}
	for _, test := range tests {
		got := care.Judge(test.row, care.Work{Name: test.work}, test.at)
		if got.Wanted != test.wanted || got.Reason != test.reason {
			t.Errorf("%s: wanted %v for %q, want %v for %q", test.name, got.Wanted, got.Reason, test.wanted, test.reason)
		}
	}
}

func TestTheKindOfWorkIsTheRowsOwnOrItsVerbs(t *testing.T) {
	lore := care.Lore{Works: []care.Work{{Name: "before seed", Verbs: []string{"Behead"}}, {Name: "stalks"}, {Name: care.Other}}}
	for want, row := range map[string]flora.Care{
		"before seed": {Verb: "Behead"}, "stalks": {Verb: "Behead", Work: "stalks"}, care.Other: {Verb: "Sing to"},
	} {
		if got := lore.WorkOf(row); got.Name != want {
			t.Errorf("%+v is %q, want %q", row, got.Name, want)
		}
	}
}

func TestKindsOfWorkThatCannotBeReliedOnAreRefused(t *testing.T) {
	whole := care.Work{Name: "weed", Verbs: []string{"Weed"}, Stake: figure(t, "0.2 (0 to 1) share guess"), Weather: care.DryDay, Leaving: "Weeds grow."}
	if err := (care.Lore{Works: []care.Work{whole}}).Check(); err != nil {
		t.Fatal(err)
	}
	nameless, unsaid, unsure, odd, again := whole, whole, whole, whole, whole
	nameless.Name, unsaid.Leaving, unsure.Stake, odd.Weather, again.Name = "", "", flora.Figure{}, "hail", "hoe"
	for want, works := range map[string][]care.Work{
		"needs a name": {nameless}, "what leaving it costs": {unsaid}, "a stake": {unsure}, "hail": {odd}, `verb of "weed" and of "hoe"`: {whole, again},
	} {
		if err := (care.Lore{Works: works}).Check(); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want it to say %q", err, want)
		}
	}
}
