package garden

import (
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/household"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// leafOf is what may be taken of the leaf of a planting today.
func (p *fixture) leafOf(planting int64) view.AllowanceView {
	p.t.Helper()
	v, err := p.Place.Planting(p.t.Context(), planting, plot.NoDay)
	check(p.t, err)
	at := slices.IndexFunc(v.Allowance, func(a view.AllowanceView) bool { return a.Part == "leaf" })
	return v.Allowance[at]
}

// Where it was taken, what was left and the weather stay with the basket; how often it was taken is said.
func TestAPickingKeepsWhereWhatWasLeftAndTheWeather(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	if a := p.leafOf(p.planting); a.Taken != "Never taken." {
		t.Errorf("before any it was taken %q", a.Taken)
	}
	_, err := p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "6 leaves", Where: "the outer ones", Left: "most of it", Weather: "after rain"})
	check(t, err)
	baskets, err := p.Gather.Baskets(ctx)
	check(t, err)
	if got := baskets[0].Notes; got != "taken the outer ones, left most of it, after rain" {
		t.Errorf("the basket says %q", got)
	}
	a := p.leafOf(p.planting)
	if !strings.HasPrefix(a.Taken, "Taken this year on 27 May.") || !strings.Contains(a.Taken, "6 of") {
		t.Errorf("it says %q", a.Taken)
	}
	_, err = p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "1 leaf", Where: strings.Repeat("a", 300)})
	p.refused(err, "where", "", p.entries())
}

// At the table it is washed or not, and what is sorted out of a kind with dangerous look-alikes never goes to the hens.
func TestWhatIsDoneAtTheTableIsKept(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	_, err := p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "20 leaves"})
	check(t, err)
	baskets, err := p.Gather.Baskets(ctx)
	check(t, err)
	basket := baskets[0]
	answers := map[string]string{}
	for _, q := range basket.Questions {
		answers[q.ID] = "seen"
	}
	before := p.entries()
	for _, wrong := range []struct {
		field string
		in    gather.SortingInput
	}{
		{"handling", gather.SortingInput{By: "Ida", Answers: answers, Handling: []string{"washed", "not washed"}}},
		{"handling", gather.SortingInput{By: "Ida", Answers: answers, Handling: []string{"boiled"}}},
		{"rejectedTo", gather.SortingInput{By: "Ida", Answers: answers, Rejected: "2 g", RejectedTo: "neighbour"}},
	} {
		_, err := p.SortPicking(ctx, basket.PickingID, wrong.in)
		p.refused(err, wrong.field, "", before)
	}
	to := "compost"
	if !basket.HensToo {
		_, err := p.SortPicking(ctx, basket.PickingID, gather.SortingInput{By: "Ida", Answers: answers, Rejected: "2 g", RejectedTo: "hens"})
		p.refused(err, "rejectedTo", "look-alikes", before)
	} else {
		to = "hens"
	}
	_, err = p.SortPicking(ctx, basket.PickingID, gather.SortingInput{By: "Ida", Answers: answers, Handling: []string{"washed", "spun"}, Rejected: "2 g", RejectedTo: to})
	check(t, err)
	baskets, err = p.Gather.Baskets(ctx)
	check(t, err)
	if got := baskets[0].Sorted; !strings.Contains(got, "washed, spun, 2 g to the "+to) {
		t.Errorf("it says %q", got)
	}
}

// The first time that someone takes a kind by mouth it is said: a little first; then it is not said again, to others it is.
func TestALittleFirstIsSaidOnceToEveryone(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	var ids []int64
	for _, name := range []string{"Ida", "Joss"} {
		person, err := p.Household.PutPerson(ctx, 0, say.AsItStands, household.PersonInput{Name: name, Circumstances: []string{}})
		check(t, err)
		ids = append(ids, person.Made)
	}
	_, err := p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "6 leaves"})
	check(t, err)
	said := func() map[string]bool {
		baskets, err := p.Gather.Baskets(ctx)
		check(t, err)
		all := map[string]bool{}
		for _, one := range baskets[0].First {
			all[one.Name] = one.Said
			if !one.Said && !strings.Contains(one.Words, "a little first") {
				t.Errorf("to %s is said %q", one.Name, one.Words)
			}
		}
		return all
	}
	if s := said(); len(s) != 2 || s["Ida"] || s["Joss"] {
		t.Fatalf("before anyone was told %v", s)
	}
	tell := gather.FirstTasteInput{PersonID: ids[0], SpeciesID: "garden-sorrel", Part: "leaf"}
	_, err = p.Gather.TellFirst(ctx, tell)
	check(t, err)
	if s := said(); !s["Ida"] || s["Joss"] {
		t.Errorf("after Ida was told %v", s)
	}
	if _, err := p.Gather.TellFirst(ctx, tell); err == nil {
		t.Error("Ida is told twice")
	}
	for _, wrong := range []gather.FirstTasteInput{
		{PersonID: 99, SpeciesID: "garden-sorrel", Part: "leaf"}, {PersonID: ids[1], SpeciesID: "garden-sorrel", Part: "thorn"}, {PersonID: ids[1], SpeciesID: "no-such", Part: "leaf"},
	} {
		if _, err := p.Gather.TellFirst(ctx, wrong); err == nil {
			t.Errorf("%+v is noted", wrong)
		}
	}
}

// A basket in which a stranger was found counts for no need: as much is needed as before.
func TestABasketThatIsHeldBackCountsForNoNeed(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	p.need("garden-sorrel", "leaf", "100 g")
	_, err := p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "50 g"})
	check(t, err)
	taken := func() float64 {
		s, err := p.Plot.State(ctx)
		check(t, err)
		return s.TakenGrams("garden-sorrel", "leaf")
	}
	if got := taken(); got != 50 {
		t.Fatalf("%v g are taken, want 50", got)
	}
	baskets, err := p.Gather.Baskets(ctx)
	check(t, err)
	answers := map[string]string{}
	for i, q := range baskets[0].Questions {
		answers[q.ID] = map[bool]string{true: "not seen", false: "seen"}[i == 0]
	}
	if len(answers) == 0 {
		t.Skip("nothing is asked of sorrel at the table")
	}
	_, err = p.SortPicking(ctx, baskets[0].PickingID, gather.SortingInput{By: "Ida", Answers: answers})
	check(t, err)
	if got := taken(); got != 0 {
		t.Errorf("with a stranger in it %v g count", got)
	}
}

// A flush that passed untaken is said, with the days of the next; one in which something was picked is not.
func TestAMissedFlushIsSaidWithTheNext(t *testing.T) {
	p := newPlot(t)
	sage := sureSage(p)
	ctx := t.Context()
	gathered := func() (v view.WindowView) {
		all, err := p.Gather.Gather(ctx, plot.NoDay)
		check(t, err)
		for _, w := range all.Windows {
			if w.PlantingID == sage && w.Part == "leaf" && w.Flush != "" && (v.First == 0 || w.First < v.First) {
				v = w
			}
		}
		return v
	}
	if w := gathered(); w.Flush == "" || w.Missed {
		t.Fatalf("in its first flush the window is %+v", w)
	}
	*p.today = calendar.Must(2031, 7, 10)
	if w := gathered(); !w.Missed || !strings.Contains(w.Words, "follows about 1 July") {
		t.Errorf("after a flush that nobody took it says %q", w.Words)
	}
	*p.today = day
	_, err := p.Gather.NotePicking(ctx, sage, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "5 tips", TookAnyway: true})
	check(t, err)
	*p.today = calendar.Must(2031, 7, 10)
	if w := gathered(); w.Missed {
		t.Errorf("a flush that was picked is said to be missed: %q", w.Words)
	}
}

// What each stand is worth, by hand: 60 leaves picked twice, at so many minutes each and six for going out.
func TestWhatAStandIsWorthIsItsPickingsOverItsTime(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	for range 2 {
		_, err := p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "30 leaves", TookAnyway: true})
		check(t, err)
	}
	v, err := p.Gather.WorthIt(ctx)
	check(t, err)
	species, _ := p.Plot.Lib().Species("garden-sorrel")
	leaf, _ := species.Part("leaf")
	at := slices.IndexFunc(v.Stands, func(r gather.WorthItRow) bool { return r.PlantingID == p.planting && r.Name == "garden sorrel leaf" })
	row := v.Stands[at]
	grams := 60 * leaf.Harvest.GramsEach.Value
	minutes := 2*6 + 60*leaf.Harvest.MinutesEach.Value
	if want := grams / minutes * 60; row.AnHour < want-1 || row.AnHour > want+1 || row.Expected || row.AYear < grams-1 || row.AYear > grams+1 {
		t.Errorf("it is worth %+v, want %.0f g an hour and %.0f g a year", row, want, grams)
	}
	if row.Times != "2 times this year" || !strings.Contains(v.Words, "garden sorrel leaf") {
		t.Errorf("taken %q; %q", row.Times, v.Words)
	}
}
