package garden

import (
	"regexp"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/identity"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// An empty plot in the south answers every screen of identity: what is this, the pairs to
// practise, no baskets, no finds; a find there is checked in its own season.
func TestAnEmptyPlotInTheSouthAnswersEveryScreenOfIdentity(t *testing.T) {
	today := day
	g, _ := emptyGarden(t, &today)
	_, err := g.Place.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: -30, Altitude: "60 m", ClimateID: "humid-subtropical-south", Width: "40 m", Depth: "30 m", Units: "us"})
	check(t, err)
	baskets, err := g.Gather.Baskets(t.Context())
	if err != nil || len(baskets) != 0 {
		t.Errorf("%d baskets, %v", len(baskets), err)
	}
	practice, err := g.Practice.Practice(t.Context())
	if err != nil || practice.Due != len(practice.Pairs) || practice.Pairs[0].Here {
		t.Errorf("%d pairs due of %d, %v", practice.Due, len(practice.Pairs), err)
	}
	_, err = g.Identity.AddFind(t.Context(), identity.FindInput{Day: "2031-05-20", Place: "By the gate", SpeciesID: "warrigal-greens"})
	check(t, err)
	finds, err := g.Identity.Finds(t.Context())
	check(t, err)
	v, err := g.Identity.CheckFind(t.Context(), finds[0].ID, plot.NoDay, "")
	check(t, err)
	noNulls(t, "a check in the south", v)
	if v.State != "unproven" || len(v.Questions) == 0 || v.Stage.String() == "" {
		t.Errorf("the check is %s at %s with %d questions", v.State, v.Stage, len(v.Questions))
	}
}

// What a plant's page says of months holds where the plot lies: every month that a
// look-alike is told apart in is half a year on in the south, or said to be the north's.
func TestAPlantsPageInTheSouthNamesNoNorthernMonths(t *testing.T) {
	today := day
	north, _ := emptyGarden(t, &today)
	south, _ := emptyGarden(t, &today)
	for g, site := range map[*Garden]place.SiteInput{
		north: {Name: "Acre", Latitude: 50, Altitude: "60 m", ClimateID: "mild-maritime", Width: "40 m", Depth: "30 m", Units: "metric"},
		south: {Name: "Acre", Latitude: -30, Altitude: "60 m", ClimateID: "humid-subtropical-south", Width: "40 m", Depth: "30 m", Units: "metric"},
	} {
		_, err := g.Place.SetSite(t.Context(), say.AsItStands, site)
		check(t, err)
	}
	opposite := map[string]string{
		"January": "July", "February": "August", "March": "September", "April": "October", "May": "November", "June": "December",
		"July": "January", "August": "February", "September": "March", "October": "April", "November": "May", "December": "June",
	}
	named := regexp.MustCompile(`\b(January|February|March|April|May|June|July|August|September|October|November|December)\b`)
	turned := 0
	for _, id := range []string{"pot-marigold", "bittersweet", "hedge-bindweed", "ramsons", "elder"} {
		here, err := north.Plants.Plant(t.Context(), id, plot.NoDay)
		check(t, err)
		there, err := south.Plants.Plant(t.Context(), id, plot.NoDay)
		check(t, err)
		for i, double := range here.LookAlikes {
			want := named.ReplaceAllStringFunc(double.When, func(month string) string { return opposite[month] })
			got := there.LookAlikes[i].When
			if got != want && !strings.Contains(got, "months of the north") {
				t.Errorf("%s: told from %s %q, in the north %q", id, double.LookAlike, got, double.When)
			}
			if want != double.When {
				turned++
			}
		}
	}
	if turned < 5 {
		t.Errorf("only %d texts name months", turned)
	}
}

// Sown into the heat, everything comes quickly, and how quickly nobody knows to the day: no
// stage is told as one certain date, none comes in less than half its usual time, and the
// later ones are told no more narrowly than the first.
func TestASowingInTheHeatIsNotToldToTheDay(t *testing.T) {
	today := calendar.Must(2031, time.November, 26)
	g, _ := emptyGarden(t, &today)
	_, err := sayYes(func(affirmed []string) (journal.Entry, error) {
		return g.Place.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: -35, Altitude: "120 m", ClimateID: "dry-summer", Width: "40 m", Depth: "30 m", Units: "metric", Affirmed: affirmed})
	})
	check(t, err)
	_, err = g.Place.AddBed(t.Context(), goodBed())
	check(t, err)
	for i, id := range []string{"pot-marigold", "sweet-basil", "valerian", "borage"} {
		_, err = sayYes(func(affirmed []string) (journal.Entry, error) {
			return g.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: 1, SpeciesID: id, Plants: 3, StartedOn: today.String(), Origin: "seed", Affirmed: affirmed})
		})
		check(t, err)
		v, err := g.Place.Planting(t.Context(), int64(i+1), plot.NoDay)
		check(t, err)
		last := 0
		for _, stage := range v.Stages {
			if stage.Stage.String() == "dying back" {
				break
			}
			width := stage.Dates.P90.DaysSince(stage.Dates.P10)
			if width < 2 || 2*width < last {
				t.Errorf("%s, %s: %s", id, stage.Stage, stage.Dates.Text)
			}
			last = max(last, width)
		}
		if soonest := v.Stages[0].Dates.P10.DaysSince(today); soonest < 4 {
			t.Errorf("%s comes up after %d days", id, soonest)
		}
	}
}
