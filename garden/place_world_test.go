package garden

import (
	"math"
	"strings"
	"testing"

	"bramblyacre/core/geometry"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// elsewhere is a plot at a latitude, in units.
func elsewhere(t *testing.T, latitude float64, units string) *fixture {
	t.Helper()
	p := newPlot(t)
	climate := "hill-valley"
	if latitude < 0 {
		climate = "humid-subtropical-south"
	}
	_, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Elsewhere", Latitude: latitude, Altitude: "100 m", ClimateID: climate, Width: "30 m", Depth: "20 m", Units: units})
	check(t, err)
	return p
}

// Every answer about the place is given from pole to pole: no error, no hour of sun
// beyond the day, no score outside 0 to 1.
func TestThePlaceIsAnsweredAtEveryLatitude(t *testing.T) {
	if testing.Short() {
		t.Skip("long")
	}
	for _, latitude := range []float64{-90, -66.6, -33, 0, 23.4, 46.6, 70, 90} {
		p := elsewhere(t, latitude, "metric")
		in := goodBed()
		in.SunHours = nil
		_, err := p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, in)
		check(t, err)
		p.add(wall("2 m", "7 m", "28 m", "7 m", "3 m"))
		ground, err := p.Place.BedGround(t.Context(), p.bed)
		check(t, err)
		for m, hours := range ground.Sun.Months {
			if hours < 0 || hours > ground.Sun.Open[m]+0.051 || ground.Sun.Open[m] > 24.001 {
				t.Errorf("at %v° month %d has %v h of %v", latitude, m+1, hours, ground.Sun.Open[m])
			}
		}
		light, err := p.Place.Light(t.Context(), plot.NoDay)
		check(t, err)
		for _, hours := range light.Hours {
			if hours > light.OpenH+0.051 {
				t.Fatalf("at %v° a cell has %v h of %v", latitude, hours, light.OpenH)
			}
		}
		for _, hour := range []float64{0, 6, 12, 18, 24} {
			if _, err := p.Place.Shadows(t.Context(), plot.NoDay, hour); err != nil {
				t.Errorf("at %v°, %v h: %v", latitude, hour, err)
			}
		}
		where, err := p.Place.Where(t.Context(), "lovage")
		check(t, err)
		if value := where.Beds[0].Value; value < 0 || value > 1 || math.IsNaN(value) {
			t.Errorf("at %v° lovage scores %v", latitude, value)
		}
	}
}

// In the south the summer of a bed is October to March, and a deciduous tree may be
// in leaf over the turn of the year.
func TestTheSouthHasItsOwnSummer(t *testing.T) {
	p := elsewhere(t, -33, "metric")
	in := goodBed()
	in.SunHours = nil
	_, err := p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, in)
	check(t, err)
	ground, err := p.Place.BedGround(t.Context(), p.bed)
	check(t, err)
	summer := 0.0
	for _, m := range []int{9, 10, 11, 0, 1, 2} {
		summer += ground.Sun.Months[m] / 6
	}
	if math.Abs(ground.Sun.Summer-summer) > 0.06 || ground.Sun.Months[11] <= ground.Sun.Months[5] {
		t.Errorf("the summer has %v h, its months %v", ground.Sun.Summer, ground.Sun.Months)
	}
	plane := tree("10 m", "2 m", "6 m", "10 m") // to the bed's north, where the noon sun stands
	plane.Leaf, plane.LeafFrom, plane.LeafUntil = "deciduous", 10, 4
	p.add(plane)
	shaded, err := p.Place.BedGround(t.Context(), p.bed)
	check(t, err)
	lost := func(m int) float64 { return (ground.Sun.Months[m] - shaded.Sun.Months[m]) / ground.Sun.Months[m] }
	if lost(3) <= lost(4) { // April in leaf, May bare, and the sun lower
		t.Errorf("April loses %v of its sun, May %v", lost(3), lost(4))
	}
}

// What is typed in feet and inches lies where it was typed, and is shown so.
func TestAPlanInFeet(t *testing.T) {
	p := elsewhere(t, 46.6, "us")
	bed := p.addBed(place.BedInput{Name: "Yard", FormInput: place.FormInput{X: "30", Y: "40 ft", Width: "12 ft", Depth: "4 ft 6 in"}, Mulch: "3"})
	v := p.bedView(bed)
	if want := (geometry.Point{X: 9.144, Y: 12.192}); v.At.Distance(want) > 1e-3 || v.Size != "12 ft by 4 ft 6 in" || v.Input.Width != "12 ft" || v.Input.Mulch != "3 in" {
		t.Errorf("a bed of 12 ft at 30, 40 lies at %v, %s, mulched %s", v.At, v.Size, v.Input.Mulch)
	}
	entry, err := p.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: bed, Version: say.AsItStands}}, Right: "1"})
	check(t, err)
	if at := p.bedView(bed).At.X; math.Abs(at-9.144-0.3048) > 1e-3 {
		t.Errorf("%s: it went to %v", entry.Summary, at)
	}
	id := p.add(wall("10", "10", "20", "10", "6"))
	s, err := p.Plot.State(t.Context())
	check(t, err)
	wallNow, err := place.StandingItem(s, id)
	check(t, err)
	if in := place.ItemAsTyped(s, wallNow); in.Height != "6 ft" || in.Points[1].X != "20 ft" {
		t.Errorf("the wall is written as %s high to %v", in.Height, in.Points)
	}
	plot := p.view()
	if plot.GroundIn != "ft" || plot.ScaleText != "20 ft" || !strings.HasSuffix(plot.AreaWords, "ft²") {
		t.Errorf("the plan is in %s, its bar %s, its area %s", plot.GroundIn, plot.ScaleText, plot.AreaWords)
	}
	where, err := p.Place.Where(t.Context(), "lovage")
	check(t, err)
	if got := need(t, where.Beds[0], "winter cold").Words; !strings.Contains(got, "°F") {
		t.Errorf("the cold is told as %q", got)
	}
}

// An empty plot has a plan, a light and shadows, and answers both questions with
// nothing.
func TestAnEmptyPlotHasAPlace(t *testing.T) {
	today := day
	g, _ := emptyGarden(t, &today)
	plot, err := g.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	if len(plot.Boundary) != 4 || len(plot.Beds)+len(plot.Items) != 0 {
		t.Errorf("an empty plot has %d corners, %d beds, %d things", len(plot.Boundary), len(plot.Beds), len(plot.Items))
	}
	where, err := g.Place.Where(t.Context(), "hop")
	check(t, err)
	if len(where.Beds) != 0 || len(where.ForMe) != 5 {
		t.Errorf("on an empty plot hop goes in %d beds", len(where.Beds))
	}
	for _, err := range []error{
		third(g.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: 1, Version: say.AsItStands}}, Right: "1 m"})),
		third(g.Place.RemoveItem(t.Context(), 1)), third(g.Place.RemoveReading(t.Context(), 1)), third(g.Place.NoteFate(t.Context(), 1, place.FateInput{})),
	} {
		if _, missing := err.(say.NotFoundError); !missing {
			t.Errorf("what is not there gave %v", err)
		}
	}
}

func third(_ journal.Entry, err error) error { return err }
