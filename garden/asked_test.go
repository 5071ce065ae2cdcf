package garden

import (
	"errors"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// asks makes sure that a change was asked back with a code, and that nothing was written.
func (p *fixture) asks(err error, field, code, words string, entriesBefore int) {
	p.t.Helper()
	p.refused(err, field, words, entriesBefore)
	var faults say.Faults
	if errors.As(err, &faults) {
		for _, fault := range faults {
			if fault.Field == field && fault.Code == code {
				return
			}
		}
	}
	p.t.Errorf("got %v, want a question %q", err, code)
}

// A look that the forecast held for next to impossible is asked back, and so is one that
// goes backward; affirmed, it is noted and holds. One that is only early is noted at once.
func TestASurprisingLookIsAskedBack(t *testing.T) {
	p := newPlot(t)
	p.switchStationOn()
	before := p.entries()
	ripe := now.ObservationInput{Day: "2031-05-20", Stage: "ripe", Share: "most"}
	_, err := p.Now.NoteObservation(t.Context(), p.planting, ripe)
	p.asks(err, "stage", now.AskSurprise, "less than 1 in 1,000", before)
	_, err = p.Now.NoteObservation(t.Context(), p.planting, now.ObservationInput{Day: "2031-05-10", Stage: "full leaf", Share: "most"})
	check(t, err)
	before = p.entries()
	back := now.ObservationInput{Day: "2031-05-14", Stage: "shooting", Share: "most"}
	_, err = p.Now.NoteObservation(t.Context(), p.planting, back)
	p.asks(err, "stage", now.AskOrder, "would go backward", before)
	// An earlier day is held against a later look, too.
	_, err = p.Now.NoteObservation(t.Context(), p.planting, now.ObservationInput{Day: "2031-05-02", Stage: "ripe", Share: "most"})
	p.asks(err, "stage", now.AskOrder, "would go backward", before)
	// Yes to another question is no yes to this one: not by its kind, and not of another day,
	// as where a form was changed after it was asked.
	_, err = p.Now.NoteObservation(t.Context(), p.planting, now.ObservationInput{Day: "2031-05-21", Stage: "ripe", Share: "most"})
	ripe.Affirmed = append(say.Questions(err), now.AskSurprise)
	if len(ripe.Affirmed) != 2 {
		t.Fatalf("ripe on 21 May is answered %v", err)
	}
	_, err = p.Now.NoteObservation(t.Context(), p.planting, ripe)
	p.asks(err, "stage", now.AskSurprise, "Ripe on 20 May?", before)
	ripe.Affirmed = say.Questions(err)
	seen, err := p.Now.NoteObservation(t.Context(), p.planting, ripe)
	check(t, err)
	if v := must(p.Place.Planting(t.Context(), p.planting, plot.NoDay)); v.Expected.String() != "ripe" || seen.Moved == nil || !seen.Moved.Surprise {
		t.Errorf("affirmed ripe, it is held to be %s", v.Expected)
	}
}

// What is noted without a question is taken at its word: seen in bud, it is in bud. A stage
// ahead of turn is held for misnamed only where that was asked, and not once it is affirmed.
func TestWhatIsNotAskedBackIsTakenAtItsWord(t *testing.T) {
	if testing.Short() {
		t.Skip("long")
	}
	asked, noted := 0, 0
	for _, stage := range []string{"leafing", "full leaf", "in bud", "first flower", "full flower"} {
		for _, day := range []string{"2031-04-20", "2031-05-01", "2031-05-10", "2031-05-20", "2031-05-26"} {
			p := newPlot(t)
			p.switchStationOn()
			look := now.ObservationInput{Day: day, Stage: stage, Share: "most"}
			_, err := p.Now.NoteObservation(t.Context(), p.planting, look)
			if err != nil {
				asked++
				p.asks(err, "stage", now.AskSurprise, "Seen, or a slip?", p.entries())
				look.Affirmed = say.Questions(err)
				if _, err = p.Now.NoteObservation(t.Context(), p.planting, look); err != nil {
					t.Fatal(err)
				}
			} else {
				noted++
			}
			on := must(calendar.Parse(day))
			if v := must(p.Place.Planting(t.Context(), p.planting, on)); v.Stage.String() != stage {
				t.Errorf("seen %s on %s (affirmed %v), it is held to be %s", stage, day, look.Affirmed, v.Stage)
			}
		}
	}
	if asked < 5 || noted < 5 {
		t.Errorf("%d looks were asked back and %d noted at once", asked, noted)
	}
}

// A yes that nobody asked for makes no hard fact; and what was affirmed is what is expected
// from then on: seen again the same day, it is not asked again.
func TestAYesIsHeardOnlyWhereItWasAsked(t *testing.T) {
	p := newPlot(t)
	p.switchStationOn()
	unasked := now.ObservationInput{Day: "2031-05-10", Stage: "full leaf", Share: "most", Affirmed: []string{now.AskSurprise, now.AskOrder, "anything"}}
	first, err := p.Now.NoteObservation(t.Context(), p.planting, unasked)
	check(t, err)
	s, err := p.Plot.State(t.Context())
	check(t, err)
	for _, look := range s.ByID[p.planting].Sightings {
		if look.Affirmed {
			t.Errorf("a look that was not asked back is affirmed: %+v", look)
		}
	}
	_, err = p.TakeBack(t.Context(), first.Entry.ID)
	check(t, err)
	early := now.ObservationInput{Day: "2031-05-10", Stage: "in bud", Share: "most"}
	if _, err = p.Now.NoteObservation(t.Context(), p.planting, early); err == nil {
		early.Stage = "first flower"
		_, err = p.Now.NoteObservation(t.Context(), p.planting, early)
	}
	p.asks(err, "stage", now.AskSurprise, "Seen, or a slip?", p.entries())
	early.Affirmed = say.Questions(err)
	_, err = p.Now.NoteObservation(t.Context(), p.planting, early)
	check(t, err)
	for _, day := range []string{"2031-05-10", "2031-05-11", "2031-05-12"} {
		again := now.ObservationInput{Day: day, Stage: early.Stage, Share: "most"}
		if _, err = p.Now.NoteObservation(t.Context(), p.planting, again); err != nil {
			t.Errorf("seen again on %s, it is asked again: %v", day, err)
		}
	}
}

// A spreader that a law may list is asked back, and so is what runs in ground that does not
// hold it; in a pot it is not.
func TestASpreaderIsAskedBackBeforeItIsSet(t *testing.T) {
	p := newPlot(t)
	pot := goodBed()
	pot.Name, pot.FormInput = "Mint Pot", place.FormInput{Shape: "round", X: "20 m", Y: "12 m", Width: "60 cm"}
	_, err := p.Place.AddBed(t.Context(), pot)
	check(t, err)
	potID := p.newest().BedID
	before := p.entries()
	knotweed := input.PlantingInput{BedID: p.bed, SpeciesID: "japanese-knotweed", Plants: 1, StartedOn: "2031-05-01", Origin: "bought"}
	_, err = p.Garden.Place.AddPlanting(t.Context(), knotweed)
	p.asks(err, "speciesId", input.AskLaw, "Your local list decides", before)
	p.asks(err, "bedId", input.AskSpreads, "edge does not hold it", before)
	mint := input.PlantingInput{BedID: p.bed, SpeciesID: "peppermint", Plants: 1, StartedOn: "2031-05-01", Origin: "bought"}
	_, err = p.Garden.Place.AddPlanting(t.Context(), mint)
	p.asks(err, "bedId", input.AskSpreads, "edge does not hold it", before)
	mint.BedID = potID
	_, err = p.Garden.Place.AddPlanting(t.Context(), mint)
	check(t, err)
	_, err = p.Garden.Place.AddPlanting(t.Context(), knotweed)
	knotweed.Affirmed = say.Questions(err)
	goldenrod := knotweed
	goldenrod.SpeciesID = "canada-goldenrod"
	before = p.entries()
	_, err = p.Garden.Place.AddPlanting(t.Context(), goldenrod)
	p.asks(err, "speciesId", input.AskLaw, "Your local list decides", before) // a yes to the one is none to the other
	_, err = p.Garden.Place.AddPlanting(t.Context(), knotweed)
	check(t, err)
	// Where it stands already, a changed number asks nothing anew; a move does.
	stands := p.newest().PlantingID
	knotweed.Affirmed, knotweed.Plants = nil, 3
	_, err = p.Garden.Place.ChangePlanting(t.Context(), stands, say.AsItStands, knotweed)
	check(t, err)
	knotweed.BedID, before = potID, p.entries()
	_, err = p.Garden.Place.ChangePlanting(t.Context(), stands, say.AsItStands, knotweed)
	p.asks(err, "speciesId", input.AskLaw, "Your local list decides", before)
}

// A climate of the other half of the world, or one far from its latitude, is asked back.
func TestAPlaceThatDoesNotFitItsClimateIsAskedBack(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	site := place.SiteInput{Name: "Acre", Latitude: 46, Altitude: "640 m", ClimateID: "high-plateau-south", Width: "30 m", Depth: "20 m", Units: "metric"}
	_, err := p.Garden.Place.SetSite(t.Context(), say.AsItStands, site)
	p.asks(err, "climateId", place.AskHemisphere, "other half of the world", before)
	p.asks(err, "latitude", place.AskLatitude, "far from that", before)
	for _, latitude := range []float64{75, 0, -75} {
		site.Latitude, site.ClimateID = latitude, "hill-valley"
		_, err = p.Garden.Place.SetSite(t.Context(), say.AsItStands, site)
		p.asks(err, "latitude", place.AskLatitude, "far from that", before)
	}
	site.Latitude, site.ClimateID = -35, "dry-summer"
	_, err = p.Garden.Place.SetSite(t.Context(), say.AsItStands, site)
	p.asks(err, "climateId", place.AskHemisphere, "turned round by six months", before)
	site.Affirmed = say.Questions(err)
	_, err = p.Garden.Place.SetSite(t.Context(), say.AsItStands, site)
	check(t, err)
	before = p.entries()
	site.Station = "a crystal ball"
	_, err = p.Garden.Place.SetSite(t.Context(), say.AsItStands, site)
	p.refused(err, "station", "Choose no station", before)
}

// In the south no date is the season's own beginning or end: what most years do not have is
// said so.
func TestFrostDatesAreSaidRightInBothHalvesOfTheWorld(t *testing.T) {
	p := newPlot(t)
	for _, site := range []place.SiteInput{
		{Latitude: -35, ClimateID: "dry-summer", Altitude: "120 m"}, {Latitude: -26, ClimateID: "high-plateau-south", Altitude: "1600 m"},
		{Latitude: -30, ClimateID: "humid-subtropical-south", Altitude: "60 m"}, {Latitude: 52, ClimateID: "mild-maritime", Altitude: "40 m"},
		{Latitude: 46.5, ClimateID: "hill-valley", Altitude: "600 m"}, {Latitude: -45, ClimateID: "cold-continental", Altitude: "250 m"},
	} {
		site.Name, site.Width, site.Depth, site.Units = "Acre", "30 m", "20 m", "metric"
		_, err := p.SetSite(t.Context(), say.AsItStands, site)
		check(t, err)
		v := must(p.Place.Site(t.Context()))
		text := strings.Join(v.FrostWords, "\n")
		// The high plateau's nights of -4 °C truly begin at about the end of June.
		ends := strings.Join(v.FrostWords[:2], "\n")
		for _, end := range []calendar.Date{v.SeasonStart, v.SeasonEnd} {
			if strings.Contains(ends, " "+end.DayMonth()+",") || strings.Contains(ends, " "+end.DayMonth()+".") {
				t.Errorf("%s: a frost date is the season's %s: %s", site.ClimateID, end.DayMonth(), text)
			}
		}
		if strings.Contains(text, "1 January") || len(v.FrostWords) != 3 {
			t.Errorf("%s: %s", site.ClimateID, text)
		}
		if site.ClimateID == "dry-summer" && !strings.Contains(v.FrostWords[1], "most years") {
			t.Errorf("the dry summer's nights at −2 °C: %s", v.FrostWords[1])
		}
	}
}

// A plot has no invented weather unless its grower chose it: the climate speaks, says so, and
// no picking is told to wait for a day of it. The outlook belongs to the day that is shown.
func TestWeatherIsUsualUnlessAStationIsChosen(t *testing.T) {
	p := newPlot(t)
	v := must(p.Now.Now(t.Context(), plot.NoDay))
	if !v.Usual || !strings.HasPrefix(v.Source, "No readings") || len(v.Weather) != 7 {
		t.Errorf("without a station the weather is %q, usual %v, %d days", v.Source, v.Usual, len(v.Weather))
	}
	// The usual week of late May, by the normals of the hill valley at 640 m: 18.0 °C in May,
	// 21.6 in June.
	for _, day := range v.Weather {
		if day.HighC < 17 || day.HighC > 22 || day.WetChance < 0.2 || day.WetChance > 0.6 {
			t.Errorf("a usual %s is %+v", day.Day, day)
		}
	}
	if must(p.Place.Site(t.Context())).WeatherSimulated {
		t.Error("the weather is called simulated, and there is none")
	}
	sage := sureSage(p)
	for _, a := range must(p.Place.Planting(t.Context(), sage, plot.NoDay)).Allowance {
		if a.WaitFor != "" || a.Weather != "" {
			t.Errorf("without a station %s waits for %s: %q", a.Part, a.WaitFor, a.Weather)
		}
	}
	p.switchStationOn()
	now := must(p.Now.Now(t.Context(), plot.NoDay))
	if now.Usual || now.Source != "Simulated weather station" {
		t.Errorf("switched on, the weather is %q", now.Source)
	}
	autumn := must(p.Now.Now(t.Context(), calendar.Must(2031, time.October, 10)))
	if !autumn.Usual || autumn.Weather[0].Day != calendar.Must(2031, time.October, 10) || autumn.Source != "What is usual then" {
		t.Errorf("on 10 October it shows %s from %q", autumn.Weather[0].Day, autumn.Source)
	}
}

// What comes up by itself or was bought stands as a plant, not as seed, and is as old as is
// said, or as its first look shows.
func TestAPlantThatStandsIsNoSeed(t *testing.T) {
	p := newPlot(t)
	set := func(species, origin string, year int) int64 {
		t.Helper()
		_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: species, Plants: 3, StartedOn: "2031-05-27", Origin: origin, Year: year})
		check(t, err)
		return p.newest().PlantingID
	}
	expected := func(id int64) string { return must(p.Place.Planting(t.Context(), id, plot.NoDay)).Expected.String() }
	if stage := expected(set("dandelion", "volunteer", 0)); stage == "resting" {
		t.Error("a dandelion that came up by itself is held for seed")
	}
	old := set("great-mullein", "found", 1)
	if v := must(p.Place.Planting(t.Context(), old, plot.NoDay)); !strings.Contains(v.PlantWords, "first year") {
		t.Errorf("said to be in its first year it is in its %s", v.PlantWords)
	}
	if v := must(p.Place.Planting(t.Context(), set("rosemary", "bought", 1), plot.NoDay)); !strings.Contains(v.PlantWords, "first year") {
		t.Errorf("a young rosemary is %s", v.PlantWords)
	}
	// Nobody said how old it is, and it flowers: it is no seedling.
	angelica := set("garden-angelica", "volunteer", 0)
	_, err := p.seenSo(angelica, now.ObservationInput{Day: "2031-05-27", Stage: "in bud", Share: "most"})
	check(t, err)
	if v := must(p.Place.Planting(t.Context(), angelica, plot.NoDay)); !strings.Contains(v.PlantWords, "second year") || v.Expected.String() != "in bud" {
		t.Errorf("in bud it is %s, %s", v.PlantWords, v.Expected)
	}
	before := p.entries()
	for _, bad := range []struct {
		species, origin string
		year            int
		words           string
	}{{"great-mullein", "bought", 3, "no year 3"}, {"sweet-basil", "bought", 2, "no year 2"}, {"valerian", "seed", 2, "begins in its first year"}, {"valerian", "bought", -1, "lies between"}} {
		_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: bad.species, Plants: 3, StartedOn: "2031-05-27", Origin: bad.origin, Year: bad.year})
		p.refused(err, "year", bad.words, before)
	}
}

// What was sown or set today owes no check of what is not there, and no round.
func TestWhatWasSownTodayOwesNothingYet(t *testing.T) {
	p := newPlot(t)
	_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "pot-marigold", Plants: 6, StartedOn: "2031-05-27", Origin: "seed"})
	check(t, err)
	sown := p.newest().PlantingID
	s, err := p.Plot.State(t.Context())
	check(t, err)
	if jobs := p.Identity.Part().Jobs.Of(s, s.ByID[sown], s.Today); len(jobs) != 0 {
		t.Errorf("a sowing of today is to be checked: %s", jobs[0].View.Amount)
	}
	if now.LookDue(s, s.ByID[sown]) {
		t.Error("a sowing of today was not looked at for two weeks")
	}
	_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "comfrey", Plants: 1, StartedOn: "2031-05-27", Origin: "bought", Year: 2})
	check(t, err)
	bought := p.newest().PlantingID
	if s, err = p.Plot.State(t.Context()); err != nil || now.LookDue(s, s.ByID[bought]) {
		t.Error("what was set today was not looked at for two weeks")
	}
	if jobs := p.Identity.Part().Jobs.Of(s, s.ByID[bought], s.Today); len(jobs) != 1 {
		t.Error("a bought plant in leaf is not to be checked")
	}
}

// What frost kills is brought in or covered before it, with the days by their chance, and its
// windows end with it.
func TestFrostRaisesItsJobAndEndsTheWindows(t *testing.T) {
	p := newPlot(t)
	pot := goodBed()
	pot.Name, pot.FormInput = "Pot", place.FormInput{Shape: "round", X: "20 m", Y: "12 m", Width: "60 cm"}
	_, err := p.Place.AddBed(t.Context(), pot)
	check(t, err)
	potID := p.newest().BedID
	_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: potID, SpeciesID: "lemon-verbena", Plants: 1, StartedOn: "2030-05-27", Origin: "bought"})
	check(t, err)
	verbena := p.newest().PlantingID
	_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "sweet-basil", Plants: 6, StartedOn: "2031-05-10", Origin: "seed"})
	check(t, err)
	basil := p.newest().PlantingID
	s, err := p.Plot.State(t.Context())
	check(t, err)
	for id, verb := range map[int64]string{verbena: "Bring in", basil: "Cover"} {
		row := map[int64]string{verbena: "shelter:", basil: "cover:"}[id]
		jobs := about(row, p.Now.Part().Jobs.Of(s, s.ByID[id], s.Today))
		if len(jobs) != 1 || jobs[0].View.Verb != verb {
			t.Fatalf("the jobs before frost are %+v", jobs)
		}
		j := jobs[0]
		// By the normals of the valley the first such nights come in late September and
		// October.
		if j.First < calendar.Must(2031, 8, 15) || j.Last > calendar.Must(2031, 11, 10) || j.First >= j.Last {
			t.Errorf("%s from %s to %s", verb, j.First, j.Last)
		}
		if strings.Contains(j.View.Reason, "31 December") || !strings.Contains(j.View.Reason, "in 1 year of 10 by") || strings.HasPrefix(j.View.Reason, " ") {
			t.Errorf("its reason is %q", j.View.Reason)
		}
	}
	now := must(p.Now.Now(t.Context(), plot.NoDay))
	for _, j := range append(now.Open, now.Closing...) {
		if j.Verb == "Bring in" || j.Verb == "Shelter" {
			t.Errorf("in May it says %s %s: %s", j.Verb, j.What, j.Reason)
		}
	}
	view := must(p.Place.Planting(t.Context(), basil, plot.NoDay))
	for _, stage := range view.Stages {
		if strings.Contains(stage.Dates.Text, "31 December") {
			t.Errorf("basil is %s %s", stage.Stage, stage.Dates.Text)
		}
	}
	for _, w := range view.Windows {
		if w.Last > calendar.Must(2031, 11, 5) {
			t.Errorf("basil's %s is to be had until %s", w.Part, w.Last)
		}
	}
}

// A window that ends with the rest is no winter window: no fruit is offered at Christmas.
func TestFruitIsNotOfferedThroughTheWinter(t *testing.T) {
	p := newPlot(t)
	for _, species := range []string{"dog-rose", "wild-strawberry", "sea-buckthorn", "feijoa", "prickly-pear", "garden-thyme", "rosemary", "sweet-violet"} {
		_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: species, Plants: 3, StartedOn: "2026-04-10", Origin: "bought", Labelled: true, Source: "A label."})
		check(t, err)
	}
	s, err := p.Plot.State(t.Context())
	check(t, err)
	for _, planting := range s.Plantings {
		for _, w := range planting.Windows {
			if w.FromBefore && !planting.Species.IsDug() {
				t.Errorf("%s %s runs through the winter", planting.SpeciesID, w.Part.Name)
			}
		}
		seen := map[string]calendar.Date{}
		for _, span := range s.Spans(planting) {
			if last, twice := seen[span.Window.Part.Name]; twice && span.First <= last {
				t.Errorf("%s %s has two windows at once", planting.SpeciesID, span.Window.Part.Name)
			}
			seen[span.Window.Part.Name] = span.Last
		}
	}
	p.on("2031-12-20", func() {
		s, err := p.Plot.State(t.Context())
		check(t, err)
		for _, planting := range s.Plantings {
			for _, part := range planting.Species.Parts {
				if part.Kind != "fruit" || part.Harvest == nil {
					continue
				}
				if view, _ := view.Allowance(s, planting, part, s.Today); view.Offered {
					t.Errorf("on 20 December %s %s: %s", planting.SpeciesID, part.Name, view.Amount)
				}
			}
		}
	})
}

// A bed over a house or a pond is asked back; one beside it is not, nor one with a corner in.
func TestABedOverAHouseIsAskedBack(t *testing.T) {
	p := newPlot(t)
	_, err := p.Place.AddItem(t.Context(), place.ItemInput{Kind: "building", Name: "Barn", FormInput: place.FormInput{Shape: "rectangle", X: "20 m", Y: "14 m", Width: "6 m", Depth: "5 m"}, Height: "5 m"})
	check(t, err)
	bed := goodBed()
	bed.Name, bed.FormInput = "Roof", place.FormInput{Shape: "rectangle", X: "20 m", Y: "14 m", Width: "3 m", Depth: "2 m"}
	before := p.entries()
	_, err = p.Place.AddBed(t.Context(), bed)
	p.asks(err, "x", place.AskOverBuilding, "over the building Barn", before)
	bed.Affirmed = say.Questions(err)
	_, err = p.Place.AddBed(t.Context(), bed)
	check(t, err)
	// So drawn, it is asked no more: neither when it is renamed, nor when the plan is read
	// back from its own file.
	bed.Affirmed, bed.Name = nil, "Roof garden"
	_, err = p.Place.ChangeBed(t.Context(), p.newest().BedID, say.AsItStands, bed)
	check(t, err)
	file, err := p.Place.PlanFile(t.Context())
	check(t, err)
	_, err = p.Place.ImportPlan(t.Context(), file)
	check(t, err)
	beside := goodBed()
	beside.Name, beside.FormInput = "Beside", place.FormInput{Shape: "rectangle", X: "20 m", Y: "10.5 m", Width: "6 m", Depth: "1.8 m"}
	_, err = p.Place.AddBed(t.Context(), beside)
	check(t, err)
}

// Where a plant is chosen and set stand the law, children, hens and how it spreads; of a
// plant that kills nothing is called easy.
func TestWhatToKnowStandsWhereAPlantIsChosen(t *testing.T) {
	p := newPlot(t)
	where := func(id string) place.WhereView { return must(p.Place.Where(t.Context(), id)) }
	warned := func(id string, words ...string) {
		t.Helper()
		all := strings.Join(where(id).Warnings, "\n")
		for _, want := range words {
			if !strings.Contains(all, want) {
				t.Errorf("of %s it warns %q, want %q", id, all, want)
			}
		}
		for _, choice := range must(p.Plants.Species(t.Context())) {
			if choice.ID == id && strings.Join(choice.Warnings, "\n") != all {
				t.Errorf("of %s the form warns of something else: %q", id, choice.Warnings)
			}
		}
	}
	warned("japanese-knotweed", "By law:", "It runs")
	warned("hemlock", "Deadly: it kills.", "Near small children")
	warned("peppermint", "It runs")
	for _, species := range p.Plot.Lib().AllSpecies() {
		v := where(species.ID)
		if species.Law != "" && !strings.Contains(strings.Join(v.Warnings, "\n"), "By law:") {
			t.Errorf("%s: the law is not told", species.ID)
		}
		if species.Household.Hens == "harmful" && !strings.Contains(strings.Join(v.Warnings, "\n"), "Near hens") {
			t.Errorf("%s: hens are not told", species.ID)
		}
		if species.Identity.Danger != "deadly" && species.Identity.Danger != "poisonous" {
			continue
		}
		for _, answer := range v.ForMe {
			if strings.Contains(strings.ToLower(answer.Answer), "easy") || (answer.Question == "For a beginner?" || answer.Question == "In a small plot?") && !answer.Minds {
				t.Errorf("%s: %s %s", species.ID, answer.Question, answer.Answer)
			}
		}
	}
}

func marksOf(t *testing.T, p *fixture) []string {
	t.Helper()
	s, err := p.Plot.State(t.Context())
	check(t, err)
	return s.Marks()
}

// What a look marks asks for something: a job while it is worth doing, a word where something
// is picked; done, it is gone until a look marks it again.
func TestWhatALookMarksAsksForSomething(t *testing.T) {
	p := newPlot(t)
	sage := sureSage(p)
	for _, mark := range marksOf(t, p) {
		_, err := p.seenSo(sage, now.ObservationInput{Day: "2031-05-27", Stage: "leafing", Share: "most", Marks: []string{mark}})
		check(t, err)
		s, err := p.Plot.State(t.Context())
		check(t, err)
		jobs := about("seen", p.Now.Part().Jobs.Of(s, s.ByID[sage], s.Today))
		if len(jobs) != 1 || !strings.Contains(jobs[0].View.Reason, mark) || jobs[0].View.Verb == "" || jobs[0].Last <= s.Today {
			t.Fatalf("%s asks for %+v", mark, jobs)
		}
		if late := about("seen", p.Now.Part().Jobs.Of(s, s.ByID[sage], s.Today.AddDays(70))); len(late) != 0 {
			t.Errorf("%s is to be seen to seventy days later", mark)
		}
		notices := strings.Join(p.allowed(sage, "leaf").Notices, " ")
		if minds := mark != "dry" && mark != "leaning"; minds != strings.Contains(notices, mark) {
			t.Errorf("picking is told %q of %s", notices, mark)
		}
		_, err = p.Now.AnswerJob(t.Context(), jobs[0].Key, now.Done)
		check(t, err)
		for _, j := range must(p.Now.Now(t.Context(), plot.NoDay)).Open {
			if j.Key == jobs[0].Key {
				t.Errorf("%s is done and still there", mark)
			}
		}
	}
}
