package garden

import (
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

func ids(v plants.PlantsView) []string {
	var all []string
	for _, p := range v.Plants {
		all = append(all, p.ID)
	}
	return all
}

// A plant is found by any of its names, with letters wrong, without accents, in
// any case, by its beginning.
func TestPlantsAreFoundHoweverTheyAreSpelt(t *testing.T) {
	p := newPlot(t)
	for words, want := range map[string]string{
		"valarian": "valerian", "Valeriana oficinalis": "valerian", "medowsweat": "meadowsweet", "MEADOWSWEET": "meadowsweet", "levage": "lovage", "liebstockel": "lovage",
		"garden sorrell": "garden-sorrel", "gardne sorrel": "garden-sorrel", "budrock": "greater-burdock", "lupulo": "hop", "hpo": "hop", "ho": "hop", "comon sage": "common-sage", "salbei": "common-sage",
		"sweet cicelly": "sweet-cicely", "acetosa pratensis": "garden-sorrel",
	} {
		v, err := p.Plants.Plants(t.Context(), plot.NoDay, plants.PlantsFilter{Words: words})
		check(t, err)
		if got := ids(v); len(got) == 0 || got[0] != want {
			t.Errorf("%q finds %v, want %s first", words, got, want)
		}
	}
	for _, words := range []string{"xylophone", "qq", "zzzz", `"; DROP TABLE names`, "%", "_", "lovage xylophone", "zz\x00zz", "\x00\"*'", "xyl\x00"} {
		v, err := p.Plants.Plants(t.Context(), plot.NoDay, plants.PlantsFilter{Words: words})
		check(t, err)
		if len(v.Plants) != 0 {
			t.Errorf("%q finds %v", words, ids(v))
		}
	}
	v, err := p.Plants.Plants(t.Context(), plot.NoDay, plants.PlantsFilter{Words: "salbei"})
	check(t, err)
	if !strings.Contains(v.Plants[0].Found, "Salbei") {
		t.Errorf("sage found by its German name says %q", v.Plants[0].Found)
	}
}

func TestPlantsAreFilteredAndEveryFilterHolds(t *testing.T) {
	p := newPlot(t)
	all, err := p.Plants.Plants(t.Context(), plot.NoDay, plants.PlantsFilter{})
	check(t, err)
	if len(all.Plants) != all.All || all.All < 90 || !slices.IsSortedFunc(all.Plants, func(a, b plants.PlantBrief) int {
		return strings.Compare(strings.ToLower(a.Name), strings.ToLower(b.Name))
	}) {
		t.Errorf("without a filter: %v", ids(all))
	}
	holds := map[string]struct {
		filter plants.PlantsFilter
		of     func(plants.PlantBrief) bool
	}{
		"use":      {plants.PlantsFilter{Use: "skin"}, func(b plants.PlantBrief) bool { return slices.Contains(b.Uses, "skin") }},
		"spread":   {plants.PlantsFilter{Spread: "seeds about"}, func(b plants.PlantBrief) bool { return b.Spread == "seeds about" }},
		"beginner": {plants.PlantsFilter{Beginner: true}, func(b plants.PlantBrief) bool { return b.Ease == "easy" }},
		"bed":      {plants.PlantsFilter{Bed: p.bed}, func(b plants.PlantBrief) bool { return b.Verdict == "well" || b.Verdict == "fairly" }},
		"stage":    {plants.PlantsFilter{Stage: all.Plants[0].Stage.String()}, func(b plants.PlantBrief) bool { return b.Stage == all.Plants[0].Stage }},
	}
	for name, test := range holds {
		v, err := p.Plants.Plants(t.Context(), plot.NoDay, test.filter)
		check(t, err)
		if len(v.Plants) == 0 || name != "bed" && len(v.Plants) == v.All {
			t.Errorf("%s lets %d of %d through", name, len(v.Plants), v.All)
		}
		for _, b := range v.Plants {
			if !test.of(b) {
				t.Errorf("%s lets %s through", name, b.ID)
			}
		}
	}
	for field, filter := range map[string]plants.PlantsFilter{"use": {Use: "gold"}, "spread": {Spread: "flies"}, "stage": {Stage: "blooming"}, "bed": {Bed: 99}} {
		_, err := p.Plants.Plants(t.Context(), plot.NoDay, filter)
		p.refused(err, field, "", p.entries())
	}
}

// A usual year is the same next year, and days beyond are refused.
func TestAPlantsUsualStageFollowsTheShownDay(t *testing.T) {
	p := newPlot(t)
	stage := func(on calendar.Date) flora.Stage {
		v, err := p.Plants.Plant(t.Context(), "meadowsweet", on)
		check(t, err)
		return v.Stage
	}
	july := calendar.Must(2031, time.July, 10)
	if stage(july) == stage(calendar.Must(2031, time.January, 10)) || stage(july) != stage(calendar.Must(2032, time.July, 10)) {
		t.Errorf("in July it is %s, next July %s", stage(july), stage(calendar.Must(2032, time.July, 10)))
	}
	if _, err := p.Plants.Plants(t.Context(), calendar.Must(2050, time.July, 10), plants.PlantsFilter{}); !errors.As(err, new(say.Faults)) {
		t.Errorf("plants in 2050: %v", err)
	}
	today := day
	empty, _ := emptyGarden(t, &today)
	v, err := empty.Plants.Plants(t.Context(), plot.NoDay, plants.PlantsFilter{Words: "sage"})
	check(t, err)
	noNulls(t, "plants of an empty plot", v)
	if len(v.Plants) == 0 || v.Plants[0].ID != "common-sage" || v.Plants[0].Here != "" {
		t.Errorf("an empty plot finds %v", ids(v))
	}
}

func TestAPlantsPageHoldsItsYearAndItsCautions(t *testing.T) {
	p := newPlot(t)
	for _, species := range p.Plot.Library.AllSpecies() {
		v, err := p.Plants.Plant(t.Context(), species.ID, plot.NoDay)
		check(t, err)
		noNulls(t, species.ID, v)
		if len(v.Years) != len(species.Growth.Years) || len(v.Parts) != len(species.Parts) || len(v.Cautions) != len(species.Cautions) || len(v.LookAlikes) == 0 || len(v.ForMe) != 5 {
			t.Errorf("%s: %d years, %d parts, %d cautions, %d look-alikes", species.ID, len(v.Years), len(v.Parts), len(v.Cautions), len(v.LookAlikes))
		}
		for i, l := range v.LookAlikes {
			if i > 0 && l.Danger == "deadly" && v.LookAlikes[i-1].Danger != "deadly" {
				t.Errorf("%s: a deadly look-alike stands behind a %s one", species.ID, v.LookAlikes[i-1].Danger)
			}
		}
		for _, part := range v.Parts {
			if described, _ := species.Part(part.Name); (described.Harvest == nil) != (part.When == "") {
				t.Errorf("%s %s is taken %q", species.ID, part.Name, part.When)
			}
		}
		for _, fact := range v.Facts {
			if fact.Words == "" || fact.Standing == "" {
				t.Errorf("%s: %s is %q, %q", species.ID, fact.Name, fact.Words, fact.Standing)
			}
		}
	}
	sorrel, err := p.Plants.Plant(t.Context(), "garden-sorrel", plot.NoDay)
	check(t, err)
	if sorrel.Here != "12 plants in Long Bed" || len(sorrel.Plantings) != 1 {
		t.Errorf("of sorrel stand %q", sorrel.Here)
	}
	burdock, err := p.Plants.Plant(t.Context(), "greater-burdock", plot.NoDay)
	check(t, err)
	has := func(y plants.PlantYear, stage flora.Stage) bool {
		return slices.ContainsFunc(y.Stages, func(s view.StageBand) bool { return s.Stage == stage })
	}
	if has(burdock.Years[0], flora.FirstFlower) || !has(burdock.Years[1], flora.FirstFlower) {
		t.Error("a biennial flowers in its second year alone")
	}
	valerian, err := p.Plants.Plant(t.Context(), "valerian", plot.NoDay)
	check(t, err)
	if !slices.ContainsFunc(valerian.SameName, func(w string) bool { return strings.Contains(w, "red valerian") }) {
		t.Errorf("valerian's same names: %v", valerian.SameName)
	}
	if _, err := p.Plants.Plant(t.Context(), "mandrake", plot.NoDay); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("mandrake: %v", err)
	}
}

func TestPlantsStandSideBySideWithWhatDiffersFirst(t *testing.T) {
	p := newPlot(t)
	v, err := p.Plants.Compare(t.Context(), plot.NoDay, []string{"hop", "lovage", "meadowsweet"})
	check(t, err)
	noNulls(t, "compare", v)
	same := false
	for _, row := range v.Rows {
		if len(row.Cells) != 3 {
			t.Errorf("%s has %d cells", row.Name, len(row.Cells))
		}
		differs := row.Cells[0] != row.Cells[1] || row.Cells[1] != row.Cells[2]
		if differs != row.Differs || same && row.Differs {
			t.Errorf("%s differs: %v, after one that is the same: %v", row.Name, row.Differs, same)
		}
		same = same || !row.Differs
	}
	for _, bad := range [][]string{nil, {"hop"}, {"hop", "hop"}, {"hop", "lovage", "meadowsweet", "valerian", "common-sage"}} {
		if _, err := p.Plants.Compare(t.Context(), plot.NoDay, bad); !errors.As(err, new(say.Faults)) {
			t.Errorf("%v side by side: %v", bad, err)
		}
	}
	if _, err := p.Plants.Compare(t.Context(), plot.NoDay, []string{"hop", "mandrake"}); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("hop beside mandrake: %v", err)
	}
}

// An annual's page begins its year with the sowing, in either hemisphere as far into
// the season; a plant sown in autumn does not grow in spring.
func TestAYearThatIsSownBeginsWithTheSowing(t *testing.T) {
	p := newPlot(t)
	for id, month := range map[string]int{"borage": 4, "hemlock": 9, "nasturtium": 3} {
		v, err := p.Plants.Plant(t.Context(), id, plot.NoDay)
		check(t, err)
		if first := v.Years[0].Stages[0]; int(first.Dates.P50.Month()) < month {
			t.Errorf("%s: %s about %s, before it is sown", id, first.Stage, first.Dates.P50.DayMonth())
		}
	}
}

// Side by side, what tells a useful plant from every dangerous one beside it stands on
// top, leaf before flower; what two dangerous ones differ in does not count.
func TestWhatDecidesStandsOnTop(t *testing.T) {
	p := newPlot(t)
	v, err := p.Plants.Compare(t.Context(), plot.NoDay, []string{"ramsons", "lily-of-the-valley", "autumn-crocus"})
	check(t, err)
	noNulls(t, "a comparison", v)
	if first := v.Characters[0]; first.ID != "leaf-rise" || !first.All || first.Pairs != 2 || len(first.Cells) != 3 {
		t.Errorf("on top stands %+v", first)
	}
	before := 3
	for _, row := range v.Characters {
		if row.Pairs > before {
			t.Errorf("%s tells %d pairs apart and stands behind one that tells %d", row.Name, row.Pairs, before)
		}
		if row.ID == "habitat" && row.Pairs != 0 {
			t.Error("where it grows is said to decide")
		}
		before = row.Pairs
	}
	harmless, err := p.Plants.Compare(t.Context(), plot.NoDay, []string{"lemon-balm", "peppermint"})
	check(t, err)
	if !harmless.Characters[0].All {
		t.Errorf("of two harmless plants nothing decides: %+v", harmless.Characters[0])
	}
	if len(v.Apart) != 2 {
		t.Errorf("%d notes tell the pairs apart", len(v.Apart))
	}
}
