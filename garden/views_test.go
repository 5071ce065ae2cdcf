package garden

import (
	"encoding/json"
	"math"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// noNulls fails where an answer holds a null: the front end's types promise lists.
func noNulls(t *testing.T, name string, view any) {
	t.Helper()
	text, err := json.Marshal(view)
	check(t, err)
	if strings.Contains(string(text), "null") {
		at := strings.Index(string(text), "null")
		t.Errorf("%s holds a null: %s", name, text[max(0, at-90):min(len(text), at+60)])
	}
}

func TestViewsOfAnEmptyAndAFilledPlotHoldNoNulls(t *testing.T) {
	today := day
	empty, _ := emptyGarden(t, &today)
	for name, g := range map[string]*Garden{"empty": empty, "filled": newPlot(t).Garden} {
		ctx := t.Context()
		now, err := g.Now.Now(ctx, plot.NoDay)
		check(t, err)
		noNulls(t, name+" now", now)
		plan, err := g.Place.Plot(ctx, plot.NoDay)
		check(t, err)
		noNulls(t, name+" plot", plan)
		gather, err := g.Gather.Gather(ctx, plot.NoDay)
		check(t, err)
		noNulls(t, name+" gather", gather)
		round, err := g.Now.Round(ctx)
		check(t, err)
		noNulls(t, name+" round", round)
		ribbon, err := g.Now.Ribbon(ctx, plot.NoDay)
		check(t, err)
		noNulls(t, name+" ribbon", ribbon)
		ledger, err := g.Ledger(ctx, journal.LedgerFilter{Most: 10})
		check(t, err)
		noNulls(t, name+" ledger", ledger)
		site, err := g.Place.Site(ctx)
		check(t, err)
		noNulls(t, name+" site", site)
		found, err := g.Now.Find(ctx, "nothing by that name")
		check(t, err)
		noNulls(t, name+" found", found)
		noNulls(t, name+" species", must(g.Plants.Species(ctx)))
		light, err := g.Place.Light(ctx, plot.NoDay)
		check(t, err)
		noNulls(t, name+" light", light)
		shadows, err := g.Place.Shadows(ctx, plot.NoDay, 9)
		check(t, err)
		noNulls(t, name+" shadows", shadows)
		where, err := g.Place.Where(ctx, "lovage")
		check(t, err)
		noNulls(t, name+" where", where)
	}
	p := newPlot(t)
	trunk := p.add(tree("10 m", "8 m", "5 m", "9 m"))
	for _, bed := range []int64{p.bed, p.addBed(pot("Empty", "20 m", "15 m"))} {
		ground, err := p.Place.BedGround(t.Context(), bed)
		check(t, err)
		noNulls(t, "ground", ground)
		what, err := p.Place.What(t.Context(), bed, place.WhatFilter{})
		check(t, err)
		noNulls(t, "what", what)
		tried, err := p.Place.WhatIf(t.Context(), bed, place.WhatIfInput{})
		check(t, err)
		noNulls(t, "what if", tried)
		mates, err := p.Place.Mates(t.Context(), bed)
		check(t, err)
		noNulls(t, "mates", mates)
	}
	drag, err := p.Place.Drag(t.Context(), place.DragInput{ItemID: trunk, XM: 3, YM: 3, Hour: 9})
	check(t, err)
	noNulls(t, "drag", drag)
	plan, err := p.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	noNulls(t, "plot with things", plan)
	for _, on := range []calendar.Date{plot.NoDay, day.AddDays(-140), day.AddDays(100), day.AddDays(300)} {
		view, err := p.Place.Planting(t.Context(), p.planting, on)
		check(t, err)
		noNulls(t, "planting", view)
	}
}

func TestRoundMarksTheExpectedStageAndOffersItsNeighbours(t *testing.T) {
	p := newPlot(t)
	view, err := p.Now.Round(t.Context())
	check(t, err)
	stop := view.Stops[0]
	planting, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if stop.Expected != planting.Stage || !strings.HasPrefix(stop.ExpectedWords, "Expected today: "+stop.Expected.String()) {
		t.Errorf("expected is %s (%q), and the planting is at %s", stop.Expected, stop.ExpectedWords, planting.Stage)
	}
	offered := false
	for _, option := range stop.Options {
		offered = offered || option == stop.Expected
	}
	if !offered || len(stop.Options) != 4 || stop.SeenToday || stop.HeightNumber <= 0 || stop.SizeStep != "cm" {
		t.Errorf("the stop is %+v", stop)
	}
	_, err = p.Now.NoteObservation(t.Context(), p.planting, now.ObservationInput{Day: day.String(), Stage: stop.Expected.String(), Share: stop.ExpectedShare})
	check(t, err)
	view, err = p.Now.Round(t.Context())
	check(t, err)
	if !view.Stops[0].SeenToday || view.Seen != 1 {
		t.Errorf("after a look %d stops are seen", view.Seen)
	}
}

// The stage seen today is the stage shown today.
func TestTheStageSeenIsTheStageShown(t *testing.T) {
	for _, stage := range []flora.Stage{flora.FullLeaf, flora.InBud, flora.FirstFlower, flora.FullFlower} {
		p := newPlot(t)
		_, err := p.Now.NoteObservation(t.Context(), p.planting, now.ObservationInput{Day: day.String(), Stage: stage.String(), Share: "most"})
		check(t, err)
		view, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
		check(t, err)
		if view.Stage != stage || view.SeenWords != "seen today: "+stage.String()+", most" {
			t.Errorf("seen %s, and shown %s, %q", stage, view.Stage, view.SeenWords)
		}
	}
}

func TestAMeasuredSizeScalesWhatIsShownAndTaken(t *testing.T) {
	p := newPlot(t)
	before := p.leaf()
	_, err := p.Now.NoteObservation(t.Context(), p.planting, now.ObservationInput{Day: day.String(), Stage: "in bud", Share: "half", Width: "15 cm"})
	check(t, err)
	view, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if view.Width != "15 cm" {
		t.Errorf("measured 15 cm wide, it is shown as %s", view.Width)
	}
	if after := p.leaf(); after.Units > 0.6*before.Units || after.Units == 0 {
		t.Errorf("half as wide, it allows %v after %v", after.Units, before.Units)
	}
}

func TestAnAreaIsCountedAsPlants(t *testing.T) {
	p := newPlot(t)
	in := p.goodPlanting()
	in.Plants, in.Area = 0, "10 ft²"
	_, err := p.AddPlanting(t.Context(), in)
	check(t, err)
	view, err := p.Place.Planting(t.Context(), p.newest().PlantingID, plot.NoDay)
	check(t, err)
	if view.Plants != 10 || view.Area != "0.9 m²" { // 0.929 m² at 30 cm each way
		t.Errorf("10 ft² of sorrel are %d plants, %s", view.Plants, view.Area)
	}
}

func TestFindKnowsEveryNameWhateverTheAccents(t *testing.T) {
	p := newPlot(t)
	for words, want := range map[string]int{
		"sorrel": 1, "OSEILLE": 1, "rumex acetosa": 1, "sauer": 1, "long": 2, "sorrel long bed": 1, "Acetosa pratensis": 1, "": 0, "mint": 0, "sorrel mint": 0,
	} {
		found, err := p.Now.Find(t.Context(), words)
		check(t, err)
		found = slices.DeleteFunc(found, func(f now.Found) bool { return f.Kind != "planting" && f.Kind != "bed" })
		if len(found) != want {
			t.Errorf("%q finds %d, want %d: %+v", words, len(found), want, found)
		}
	}
}

// What does not stand on the plot is found in the library, however it is spelt, and what was
// picked as the basket that it lies in.
func TestFindFindsPlantsOfTheLibraryAndBaskets(t *testing.T) {
	p := newPlot(t)
	p.basket()
	for words, want := range map[string]now.Found{
		"hemlok":      {Kind: "plant", SpeciesID: "hemlock"},
		"oseille":     {Kind: "planting", PlantingID: p.planting},
		"sage basket": {Kind: "basket", Name: "Common sage leaf"},
	} {
		found, err := p.Now.Find(t.Context(), words)
		check(t, err)
		if !slices.ContainsFunc(found, func(f now.Found) bool {
			return f.Kind == want.Kind && f.SpeciesID == want.SpeciesID && (want.PlantingID == 0 || f.PlantingID == want.PlantingID) && (want.Name == "" || f.Name == want.Name)
		}) {
			t.Errorf("%q does not find %+v in %+v", words, want, found)
		}
	}
}

func TestRibbonCountsOnlyWhatIsForUse(t *testing.T) {
	p := newPlot(t)
	sure, err := p.Now.Ribbon(t.Context(), plot.NoDay)
	check(t, err)
	if len(sure.Frost) != 365 || len(sure.Open) != 53 || sure.Open[20] != 1 || sure.Open[2] != 0 {
		t.Errorf("open windows by week: %v", sure.Open)
	}
	in := p.goodPlanting()
	in.Labelled = false
	_, err = p.ChangePlanting(t.Context(), p.planting, say.AsItStands, in)
	check(t, err)
	unproven, err := p.Now.Ribbon(t.Context(), plot.NoDay)
	check(t, err)
	for week, open := range unproven.Open {
		if open != 0 {
			t.Errorf("in week %d a window of an unproven planting counts", week)
		}
	}
	nextYear, err := p.Now.Ribbon(t.Context(), day.AddDays(300))
	check(t, err)
	if nextYear.Start.String() != "2032-01-01" || len(nextYear.Frost) != 366 {
		t.Errorf("next year's ribbon starts %s with %d days", nextYear.Start, len(nextYear.Frost))
	}
}

func TestCalendarEventsAreStableAndInOrder(t *testing.T) {
	p := newPlot(t)
	first, err := p.Now.Calendar(t.Context())
	check(t, err)
	again, err := p.Now.Calendar(t.Context())
	check(t, err)
	uids := map[string]bool{}
	for i, e := range first.Events {
		if e.First > e.Last || e.Last < day || i > 0 && e.First < first.Events[i-1].First {
			t.Errorf("event %d runs %s to %s", i, e.First, e.Last)
		}
		if uids[e.UID] || e.UID != again.Events[i].UID {
			t.Errorf("the uid %q is not its own", e.UID)
		}
		uids[e.UID] = true
		if strings.HasPrefix(e.Summary, "Pick") && !strings.Contains(e.Description, "Kidney trouble: Rich in oxalate") {
			t.Errorf("a picking without its cautions: %q", e.Description)
		}
	}
	if len(first.Events) < 2 {
		t.Errorf("%d events", len(first.Events))
	}
}

func TestAnotherDayIsShownAsItWillBe(t *testing.T) {
	p := newPlot(t)
	stages := map[flora.Stage]bool{}
	for offset := -140; offset <= 210; offset += 10 {
		view, err := p.Place.Plot(t.Context(), day.AddDays(offset))
		check(t, err)
		stages[view.Beds[0].Plantings[0].Stage] = true
	}
	for _, want := range []flora.Stage{flora.Resting, flora.FullLeaf, flora.FullFlower, flora.Ripe, flora.DyingBack} {
		if !stages[want] {
			t.Errorf("through the year sorrel is never shown %s: %v", want, stages)
		}
	}
	winter, err := p.Now.Now(t.Context(), calendar.Must(2031, 12, 20))
	check(t, err)
	for _, j := range append(winter.Closing, winter.Open...) {
		if j.Kind == "pick" {
			t.Errorf("in December there is to %s %s", j.Verb, j.What)
		}
	}
	if winter.IsToday || view.UrgencyOf(plot.Span{First: day, Last: day}, day) != agenda.Closing {
		t.Error("a day in December counts as today")
	}
}

// Every species of the library is forecast in every climate, at every latitude,
// the poles' among them: in order, inside the season, and never NaN.
func TestEverySpeciesIsForecastEverywhere(t *testing.T) {
	if testing.Short() {
		t.Skip("long")
	}
	p := newPlot(t)
	for _, species := range p.Plot.Library.AllSpecies() {
		in := p.goodPlanting()
		in.SpeciesID, in.StartedOn = species.ID, "2030-05-20"
		_, err := p.AddPlanting(t.Context(), in)
		check(t, err)
	}
	for _, climate := range p.Plot.Library.Climates() {
		for _, latitude := range []float64{-89, -46, -5, 0, 30, 52, 70, 89} {
			_, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Somewhere", Latitude: latitude, Altitude: "100 m", ClimateID: climate.ID, Width: "30 m", Depth: "20 m", Units: "metric"})
			check(t, err)
			s, err := p.Plot.State(t.Context())
			check(t, err)
			for _, planting := range s.Plantings {
				if planting.Now == nil {
					continue
				}
				before := s.Season.Start
				for k := range planting.Now.Stages {
					d := planting.Now.Dates(k)
					if d.P50 < before || d.P10 > d.P50 || d.P50 > d.P90 || !s.Season.Contains(d.P10) || !s.Season.Contains(d.P90) || math.IsNaN(d.Chance) {
						t.Fatalf("%s in %s at %v: %s comes %+v after %s", planting.SpeciesID, climate.ID, latitude, planting.Now.Stages[k], d, before)
					}
					if d.Chance >= 0.9 { // what the year ends before comes late or never
						before = d.P50
					}
				}
			}
			for _, view := range []func() error{
				func() error { _, err := p.Now.Now(t.Context(), plot.NoDay); return err },
				func() error { _, err := p.Gather.Gather(t.Context(), plot.NoDay); return err },
				func() error { _, err := p.Place.Site(t.Context()); return err },
				func() error { _, err := p.Now.Ribbon(t.Context(), plot.NoDay); return err },
			} {
				check(t, view())
			}
		}
	}
}

// A look noted late counts for the day it was made, not the day it was noted.
func TestALookOfAnEarlierDayTakesItsPlace(t *testing.T) {
	p := newPlot(t)
	for _, look := range []now.ObservationInput{
		{Day: day.String(), Stage: "first flower", Share: "half"},
		{Day: day.AddDays(-20).String(), Stage: "full leaf", Share: "most"},
	} {
		_, err := p.Now.NoteObservation(t.Context(), p.planting, look)
		check(t, err)
	}
	view, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if view.Stage != flora.FirstFlower || !strings.Contains(view.SeenWords, "today: first flower") {
		t.Errorf("after a look of three weeks ago it is shown %s, %q", view.Stage, view.SeenWords)
	}
	if len(view.Seen) != 2 || view.Seen[0].Day >= view.Seen[1].Day {
		t.Errorf("the looks stand in the order %+v", view.Seen)
	}
	for _, stage := range view.Stages {
		if stage.Stage == flora.InBud && stage.Dates.P10 <= day.AddDays(-20) {
			t.Errorf("it was in full leaf on %s, and in bud comes from %s", day.AddDays(-20), stage.Dates.P10)
		}
	}
}
