package garden

import (
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// Years ahead a perennial is as many years older, an annual is gone, and everything that shows a day shows that one; past
// the last day nothing is shown.
func TestAnyDayYearsAheadIsShown(t *testing.T) {
	p := newPlot(t)
	_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "borage", Plants: 3, StartedOn: "2031-05-02", Origin: "seed"})
	check(t, err)
	borage := p.newest().PlantingID
	day := calendar.Must(2036, 6, 20)
	sorrel := must(p.Place.Planting(t.Context(), p.planting, day))
	if !strings.Contains(sorrel.PlantWords, "eighth year") || len(sorrel.Stages) == 0 || sorrel.Stages[0].Dates.P50.Year() != 2036 {
		t.Errorf("in 2036 the sorrel of 2029 is %q, its first stage %+v", sorrel.PlantWords, sorrel.Stages)
	}
	if gone := must(p.Place.Planting(t.Context(), borage, day)); !strings.Contains(gone.StageWords, "has lived its life") {
		t.Errorf("in 2036 this year's borage is %q", gone.StageWords)
	}
	v := must(p.Now.Now(t.Context(), day))
	if !strings.Contains(v.Title, "2036") || v.Past || len(v.Closing)+len(v.Open)+len(v.Coming) == 0 {
		t.Errorf("that day is %q with %d jobs open", v.Title, len(v.Open))
	}
	for _, j := range v.Open {
		if j.Kind == "round" || j.Kind == "water" {
			t.Errorf("in 2036 it is asked for %s %s", j.Verb, j.What)
		}
	}
	if ribbon := must(p.Now.Ribbon(t.Context(), day)); ribbon.Start.Year() != 2036 {
		t.Errorf("the ribbon begins %s", ribbon.Start)
	}
	site := must(p.Place.Site(t.Context()))
	for _, day := range []calendar.Date{site.LatestShown, site.EarliestShown} {
		_, err := p.Now.Now(t.Context(), day)
		check(t, err)
		_, err = p.Gather.Gather(t.Context(), day)
		check(t, err)
		_, err = p.Plants.Plants(t.Context(), day, plants.PlantsFilter{Bed: p.bed})
		check(t, err)
		_, err = p.Plants.Plant(t.Context(), "lovage", day)
		check(t, err)
		_, err = p.Now.Week(t.Context(), day)
		check(t, err)
		_, err = p.Weather.Weather(t.Context(), day)
		check(t, err)
	}
	for _, day := range []calendar.Date{site.LatestShown + 1, site.EarliestShown - 1} {
		if _, err := p.Place.Plot(t.Context(), day); err == nil || !strings.Contains(err.Error(), "can be shown") {
			t.Errorf("%s: %v", day, err)
		}
	}
}

// The past shows what was seen: what stood then, at the stage that looks saw, and what was noted about that day; what came
// later does not stand there, and what was removed since does.
func TestThePastShowsWhatWasSeen(t *testing.T) {
	p := newPlot(t)
	p.on("2030-05-20", func() {
		_, err := p.seenSo(p.planting, now.ObservationInput{Day: "2030-05-20", Stage: "in bud", Share: "most", Note: "Early this year."})
		check(t, err)
	})
	_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "lovage", Plants: 1, StartedOn: "2031-04-02", Origin: "division"})
	check(t, err)
	lovage := p.newest().PlantingID
	day := calendar.Must(2030, 5, 20)
	seen := must(p.Place.Planting(t.Context(), p.planting, day))
	if seen.Stage.String() != "in bud" || len(seen.Seen) != 1 {
		t.Errorf("seen in bud that day, it is %q with looks %+v", seen.StageWords, seen.Seen)
	}
	plan := must(p.Place.Plot(t.Context(), day))
	for _, bed := range plan.Beds {
		for _, planted := range bed.Plantings {
			if planted.ID == lovage {
				t.Error("what was set in 2031 stands there in 2030")
			}
		}
	}
	v := must(p.Now.Now(t.Context(), day))
	if !v.Past || len(v.Open)+len(v.Closing)+len(v.Coming) != 0 || len(v.Noted) != 1 || !strings.Contains(v.Noted[0].Words, "in bud, most. Early this year.") {
		t.Errorf("it was noted: %+v", v.Noted)
	}
	if later := must(p.Now.Now(t.Context(), day.AddDays(9))); len(later.Noted) != 0 {
		t.Errorf("nine days later it is told again: %+v", later.Noted)
	}
	_, err = p.Place.RemovePlanting(t.Context(), p.planting)
	check(t, err)
	stood := false
	for _, bed := range must(p.Place.Plot(t.Context(), day)).Beds {
		for _, planted := range bed.Plantings {
			stood = stood || planted.ID == p.planting
		}
	}
	if !stood {
		t.Error("what was removed in 2031 does not stand there in 2030")
	}
}

// South of the equator the year runs from July, and its days are shown ahead and back as well: what flowers in the
// northern June does so about December.
func TestADayInTheSouthAheadAndBack(t *testing.T) {
	p := newPlot(t)
	_, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Far Field", Latitude: -35, ClimateID: "high-plateau-south", Width: "30 m", Depth: "20 m", Units: "metric"})
	check(t, err)
	for _, day := range []calendar.Date{calendar.Must(2034, 11, 20), calendar.Must(2029, 11, 20)} {
		v := must(p.Place.Planting(t.Context(), p.planting, day))
		if !(v.SeasonStart <= day && day <= v.SeasonEnd) || v.SeasonStart.Month() != 7 {
			t.Errorf("%s lies in the year from %s to %s", day, v.SeasonStart, v.SeasonEnd)
		}
		for _, stage := range v.Stages {
			month := stage.Dates.P50.Month()
			if stage.Stage.String() == "first flower" && (month < 9 || stage.Dates.P50.Year() != day.Year()) {
				t.Errorf("it flowers on %s", stage.Dates.P50)
			}
		}
	}
	years := must(p.Year.Year(t.Context(), plot.NoDay))
	if !strings.Contains(years.Name, "/") {
		t.Errorf("the year behind is called %s", years.Name)
	}
}
