package garden

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

func (p *fixture) leaf() view.AllowanceView {
	p.t.Helper()
	view, err := p.Place.Planting(p.t.Context(), p.planting, plot.NoDay)
	check(p.t, err)
	return view.Allowance[0]
}

func TestPickingLowersTheAllowanceAndRegrowthRaisesIt(t *testing.T) {
	today := calendar.Must(2031, 5, 8) // its leaves are open for weeks yet
	g, s := emptyGarden(t, &today)
	p := &fixture{Garden: g, t: t, store: s}
	_, err := g.Place.AddBed(t.Context(), goodBed())
	check(t, err)
	p.bed = p.newest().BedID
	_, err = addSure(t, g, p.goodPlanting())
	check(t, err)
	p.planting = p.newest().PlantingID

	whole := p.leaf()
	if whole.Units != math.Floor(0.33*12*24) || whole.Limits[0].Kind != "share" || !whole.Limits[0].Binding {
		t.Fatalf("12 full-grown sorrels of 24 leaves allow %v by %s", whole.Units, whole.Limits[0].Kind)
	}
	_, err = p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: today.String(), Part: "leaf", Amount: "60 leaves"})
	check(t, err)
	after := p.leaf()
	if after.Units != whole.Units-60 || after.Limits[0].Kind != "regrowth" {
		t.Errorf("after 60 of %v the allowance is %v by %s", whole.Units, after.Units, after.Limits[0].Kind)
	}
	left := after.Units
	for range 3 {
		today = today.AddDays(4)
		grown := p.leaf()
		if grown.Units < left || !strings.Contains(grown.Limits[0].Reason+grown.Limits[1].Reason, "grown back") {
			t.Errorf("on %s the allowance is %v after %v: %+v", today, grown.Units, left, grown.Limits)
		}
		left = grown.Units
	}
	if left <= after.Units {
		t.Error("nothing grew back in twelve days of May")
	}
}

func TestNeedBoundsTheAllowanceOverAllPlantings(t *testing.T) {
	p := newPlot(t)
	_, err := p.Gather.SetNeed(t.Context(), say.AsItStands, gather.NeedInput{SpeciesID: "garden-sorrel", Part: "leaf", Amount: "80 g"})
	check(t, err)
	if a := p.leaf(); a.Units != 50 || a.Limits[0].Kind != "need" { // 80 g at 1.6 g
		t.Errorf("a need of 80 g allows %v by %s", a.Units, a.Limits[0].Kind)
	}
	_, err = p.AddPlanting(t.Context(), p.goodPlanting())
	check(t, err)
	second := p.newest().PlantingID
	_, err = p.Gather.NotePicking(t.Context(), second, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "64 g"})
	check(t, err)
	if a := p.leaf(); a.Units != 10 {
		t.Errorf("with 16 g left to want, %v leaves are allowed", a.Units)
	}
	_, err = p.Gather.SetNeed(t.Context(), say.AsItStands, gather.NeedInput{SpeciesID: "garden-sorrel", Part: "leaf"})
	check(t, err)
	if a := p.leaf(); a.Limits[0].Kind == "need" {
		t.Error("a need that was forgotten still binds")
	}
}

func TestAnUnprovenPlantingIsNeverOffered(t *testing.T) {
	p := newPlot(t)
	in := p.goodPlanting()
	in.Labelled = false
	_, err := p.ChangePlanting(t.Context(), p.planting, say.AsItStands, in)
	check(t, err)
	a := p.leaf()
	if a.Offered || a.Refusal == nil || a.Refusal.Kind != "unproven" || len(a.Refusal.Owed) == 0 || a.Refusal.Owed[0].Danger != "deadly" {
		t.Errorf("the allowance is %+v; want a refusal that names the deadly look-alike first", a)
	}
	before := p.entries()
	_, err = p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "3", TookAnyway: true})
	p.refused(err, "part", "identity is not proved", before)
	now, err := p.Now.Now(t.Context(), plot.NoDay)
	check(t, err)
	checks := 0
	for _, j := range append(now.Closing, now.Open...) {
		if j.Kind == "pick" {
			t.Errorf("it is offered: %+v", j)
		}
		if j.Kind == "check" {
			checks++
		}
	}
	if checks != 1 {
		t.Errorf("%d checks are asked for", checks)
	}
	calendarData, err := p.Now.Calendar(t.Context())
	check(t, err)
	for _, e := range calendarData.Events {
		if strings.HasPrefix(e.Summary, "Pick") {
			t.Errorf("the calendar offers %q", e.Summary)
		}
	}
}

func TestUnsafeGroundForbidsUseNotGrowing(t *testing.T) {
	p := newPlot(t)
	in := goodBed()
	in.Unsafe = "road verge"
	_, err := p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, in)
	check(t, err)
	if a := p.leaf(); a.Offered || a.Refusal == nil || a.Refusal.Kind != "unsafe ground" || !strings.Contains(a.Refusal.Why, "dust and spray") {
		t.Errorf("the allowance is %+v", a)
	}
	view, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if len(view.Stages) == 0 {
		t.Error("nothing is forecast for a planting on unsafe ground")
	}
}

func TestRootsWaitForTheirAgeAndLowerTheStand(t *testing.T) {
	today := calendar.Must(2031, 11, 20)
	g, s := emptyGarden(t, &today)
	p := &fixture{Garden: g, t: t, store: s}
	_, err := g.Place.AddBed(t.Context(), goodBed())
	check(t, err)
	p.bed = p.newest().BedID
	set := func(started string) (id int64, root view.AllowanceView) {
		_, err := addSure(t, g, input.PlantingInput{BedID: p.bed, SpeciesID: "valerian", Plants: 12, StartedOn: started, Origin: "seed", Labelled: true, Source: "Label of a nursery."})
		check(t, err)
		id = p.newest().PlantingID
		view, err := g.Place.Planting(t.Context(), id, plot.NoDay)
		check(t, err)
		return id, view.Allowance[0]
	}
	if _, young := set("2031-04-10"); young.Refusal == nil || young.Refusal.Kind != "too young" || !strings.Contains(young.Refusal.Why, "from the second year on") {
		t.Errorf("a root in its first year is answered %+v", young.Refusal)
	}
	id, old := set("2030-04-10")
	if old.Units != 3 { // a third of 12 by the file's 0.33
		t.Fatalf("12 valerians in their second year allow %v roots: %+v", old.Units, old)
	}
	_, err = g.Gather.NotePicking(t.Context(), id, gather.PickingInput{Day: today.String(), Part: "root", Amount: "2 roots"})
	check(t, err)
	view, err := g.Place.Planting(t.Context(), id, plot.NoDay)
	check(t, err)
	if view.Plants != 10 || view.Allowance[0].Units != 1 {
		t.Errorf("after lifting 2 of 12, %d stand and %v more are allowed", view.Plants, view.Allowance[0].Units)
	}
	// The winter's share is one, over the turn of the year.
	today = calendar.Must(2032, 2, 10)
	view, err = g.Place.Planting(t.Context(), id, plot.NoDay)
	check(t, err)
	if view.Allowance[0].Units != 1 {
		t.Errorf("in February %v more are allowed: %+v", view.Allowance[0].Units, view.Allowance[0])
	}
	// A new count stands for itself.
	_, err = g.Place.ChangePlanting(t.Context(), id, say.AsItStands, input.PlantingInput{BedID: p.bed, SpeciesID: "valerian", Plants: 11, StartedOn: "2030-04-10", Origin: "seed", Labelled: true, Source: "Label of a nursery."})
	check(t, err)
	view, err = g.Place.Planting(t.Context(), id, plot.NoDay)
	check(t, err)
	if view.Plants != 11 {
		t.Errorf("counted as 11, %d stand", view.Plants)
	}
}

func TestALookMovesTheDatesAndSaysWhy(t *testing.T) {
	p := newPlot(t)
	p.switchStationOn()
	before, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if before.Moved != nil || !strings.Contains(before.Pace, "Never looked at") {
		t.Errorf("before any look it says %+v, %q", before.Moved, before.Pace)
	}
	seen, err := p.seenSo(p.planting, now.ObservationInput{Day: "2031-05-10", Stage: "full flower", Share: "half"})
	check(t, err)
	if seen.Moved == nil || !seen.Moved.Surprise || !strings.Contains(seen.Moved.Why, "ahead of the usual pace") {
		t.Fatalf("full flower three weeks early is answered %+v", seen.Moved)
	}
	after, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	for i, stage := range after.Stages {
		was := before.Stages[i]
		if stage.Stage == was.Stage && stage.Dates.P50 > was.Dates.P50 {
			t.Errorf("%s moved from %s to %s, later", stage.Stage, was.Dates.P50, stage.Dates.P50)
		}
	}
	_, err = p.TakeBack(t.Context(), seen.Entry.ID)
	check(t, err)
	again, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if fmt.Sprint(again.Stages) != fmt.Sprint(before.Stages) {
		t.Error("after taking the look back, the dates are not what they were")
	}
}

func TestTheYearTurnsRoundInTheSouth(t *testing.T) {
	today := calendar.Must(2031, 11, 20)
	g, s := emptyGarden(t, &today)
	p := &fixture{Garden: g, t: t, store: s}
	_, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "South", Latitude: -46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "30 m", Depth: "20 m", Units: "metric"})
	check(t, err)
	_, err = g.Place.AddBed(t.Context(), goodBed())
	check(t, err)
	p.bed = p.newest().BedID
	_, err = addSure(t, g, p.goodPlanting())
	check(t, err)
	view, err := g.Place.Planting(t.Context(), p.newest().PlantingID, plot.NoDay)
	check(t, err)
	if view.SeasonStart.String() != "2031-07-01" || view.SeasonEnd.String() != "2032-06-30" {
		t.Errorf("the season is %s to %s", view.SeasonStart, view.SeasonEnd)
	}
	for _, stage := range view.Stages {
		if stage.Stage.String() == "full flower" && (stage.Dates.P50.Month() != 12 || stage.Dates.P50.Year() != 2031) {
			t.Errorf("sorrel flowers on %s in the south, want December", stage.Dates.P50)
		}
	}
	ribbon, err := g.Now.Ribbon(t.Context(), plot.NoDay)
	check(t, err)
	if ribbon.Frost[15] < 0.5 || ribbon.Frost[200] > 0.1 {
		t.Errorf("frost in July %v, in January %v", ribbon.Frost[15], ribbon.Frost[200])
	}
}

// Where it never gets its cold a plant is late, and dies back all the same: its root has its
// days.
func TestAWarmWinterMakesAPlantLate(t *testing.T) {
	p := newPlot(t)
	for _, site := range []place.SiteInput{
		{Name: "South", Latitude: -30, Altitude: "60 m", ClimateID: "humid-subtropical-south", Width: "30 m", Depth: "20 m", Units: "metric"},
		{Name: "Plateau", Latitude: -26, Altitude: "1600 m", ClimateID: "high-plateau-south", Width: "30 m", Depth: "20 m", Units: "metric"},
	} {
		_, err := p.SetSite(t.Context(), say.AsItStands, site)
		check(t, err)
		_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "greater-burdock", Plants: 2, StartedOn: "2030-04-10", Origin: "seed"})
		check(t, err)
		view, err := p.Place.Planting(t.Context(), p.newest().PlantingID, plot.NoDay)
		check(t, err)
		for _, stage := range view.Stages {
			if stage.Stage.String() == "dying back" && stage.Dates.Chance < 0.9 {
				t.Errorf("%s: burdock dies back %s", site.Name, stage.Dates.Text)
			}
		}
		if len(view.Stages) < 3 {
			t.Errorf("%s: %d stages", site.Name, len(view.Stages))
		}
	}
}

func TestABiennialThatHasLivedItsLifeIsForecastNothing(t *testing.T) {
	p := newPlot(t)
	_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "greater-burdock", Plants: 2, StartedOn: "2028-04-10", Origin: "seed", Labelled: true, Source: "Label of a nursery."})
	check(t, err)
	view, err := p.Place.Planting(t.Context(), p.newest().PlantingID, plot.NoDay)
	check(t, err)
	if view.StageWords != "has lived its life" || len(view.Stages) != 0 || len(view.Windows) != 0 {
		t.Errorf("a burdock in its fourth year: %q, %d stages", view.StageWords, len(view.Stages))
	}
	if _, err := p.Gather.Gather(t.Context(), plot.NoDay); err != nil {
		t.Error(err)
	}
	if _, err := p.Now.Round(t.Context()); err != nil {
		t.Error(err)
	}
}

func TestJobsAreAnswered(t *testing.T) {
	today := day
	g, s := emptyGarden(t, &today)
	p := &fixture{Garden: g, t: t, store: s}
	_, err := g.Place.AddBed(t.Context(), goodBed())
	check(t, err)
	p.bed = p.newest().BedID
	_, err = addSure(t, g, p.goodPlanting())
	check(t, err)
	find := func(kind string) (area.JobView, string) {
		view, err := g.Now.Now(t.Context(), plot.NoDay)
		check(t, err)
		for name, list := range map[string][]area.JobView{"closing": view.Closing, "open": view.Open, "coming": view.Coming} {
			for _, j := range list {
				if j.Kind == kind {
					return j, name
				}
			}
		}
		return area.JobView{}, ""
	}
	care, list := find("care")
	if list == "" || list == "coming" {
		t.Fatalf("no care is due: %q", list)
	}
	_, err = g.Now.AnswerJob(t.Context(), care.Key, now.NotYet)
	check(t, err)
	if put, list := find("care"); list != "coming" || !put.PutOff || put.Deadline != "put off to 30 May" {
		t.Errorf("put off, it is %q in %q", put.Deadline, list)
	}
	today = today.AddDays(3)
	if _, list := find("care"); list == "coming" || list == "" {
		t.Errorf("three days later it is in %q", list)
	}
	_, err = g.Now.AnswerJob(t.Context(), care.Key, now.Done)
	check(t, err)
	if _, list := find("care"); list != "" {
		t.Errorf("done, it is still in %q", list)
	}
}

// A crown that was divided in autumn is not lifted the same winter.
func TestAFreshDivisionIsNotPicked(t *testing.T) {
	today := calendar.Must(2031, 1, 15)
	g, s := emptyGarden(t, &today)
	p := &fixture{Garden: g, t: t, store: s}
	_, err := g.Place.AddBed(t.Context(), goodBed())
	check(t, err)
	_, err = addSure(t, g, input.PlantingInput{BedID: p.newest().BedID, SpeciesID: "valerian", Plants: 12, StartedOn: "2030-09-28", Origin: "division", Labelled: true, Source: "Label of a nursery."})
	check(t, err)
	id := p.newest().PlantingID
	for day, want := range map[calendar.Date]bool{today: false, calendar.Must(2031, 11, 15): true} {
		view, err := g.Place.Planting(t.Context(), id, day)
		check(t, err)
		if view.Allowance[0].Offered != want {
			t.Errorf("on %s its root is offered: %v, %+v", day, view.Allowance[0].Offered, view.Allowance[0].Refusal)
		}
	}
	// A check is owed before use, and is never about to close.
	_, err = g.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: 1, SpeciesID: "valerian", Plants: 2, StartedOn: "2030-05-28", Origin: "volunteer"})
	check(t, err)
	now, err := g.Now.Now(t.Context(), calendar.Must(2031, 12, 31))
	check(t, err)
	for _, j := range now.Closing {
		if j.Kind == "check" {
			t.Errorf("on the year's last day a check is closing: %+v", j)
		}
	}
}
