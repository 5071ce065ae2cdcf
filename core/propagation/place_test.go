package propagation

import (
	"math"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
)

func TestAPlaceIsAsWarmAsItIs(t *testing.T) {
	floor := -3.0
	for _, test := range []struct {
		place     Place
		out, want float64
	}{
		{Place{Kind: IndoorShelf, SetC: 20}, -15, 20},
		{Place{Kind: Refrigerator, SetC: 4}, 28, 4},
		{Place{Kind: ColdHouse, OffsetC: 3}, -15, -12},
		{Place{Kind: ColdHouse, OffsetC: 3, FloorC: &floor}, -15, -3},
		{Place{Kind: ColdHouse, OffsetC: 3, FloorC: &floor}, 10, 13},
		{Place{Kind: Outdoors}, 7, 7},
	} {
		if got := test.place.Celsius(test.out); got != test.want {
			t.Errorf("%s at %g °C outdoors: %g, want %g", test.place.Kind, test.out, got, test.want)
		}
	}
	for name, bad := range map[string]Place{
		"no room": {Kind: Outdoors}, "a furnace": {Kind: IndoorShelf, Trays: 1, SetC: 90},
		"a house far too mild": {Kind: ColdHouse, Trays: 1, OffsetC: 40}, "no number": {Kind: IndoorShelf, Trays: 1, SetC: math.NaN()},
	} {
		if bad.Check() == nil {
			t.Errorf("%s is taken", name)
		}
	}
}

func TestSeasonsAreJoinedWithoutAGap(t *testing.T) {
	w := testWeathers(t, 5)
	if w.Days < 3*365 || w.Date(0) != calendar.Must(2031, time.January, 1) || w.Index(calendar.Must(2032, time.January, 1)) != 365 {
		t.Errorf("%d days from %s", w.Days, w.Date(0))
	}
	generator, err := climate.NewGenerator(testNormals)
	if err != nil {
		t.Fatal(err)
	}
	season := calendar.SeasonOf(52, calendar.Must(2031, time.May, 1))
	one, err := climate.NewEnsemble(generator, season, season.Start, nil, 2, 1)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := JoinSeasons(0, one, one); err == nil {
		t.Error("a season follows itself")
	}
	if _, err := JoinSeasons(0); err == nil {
		t.Error("no season is joined")
	}
}

// The chance of a cold night within days after is counted once by the table and once night by night.
func TestTheChanceOfFrostIsCountedRight(t *testing.T) {
	w := testWeathers(t, 30)
	const days = 21
	after := w.ChanceAfter(0, days)
	for _, day := range []int{0, 40, 100, 130, 150, 200, 280, 340} {
		count := 0
		for member := range w.Size() {
			for k := day; k <= day+days && k < w.Days; k++ {
				if w.members[member][k].TMin <= 0 {
					count++
					break
				}
			}
		}
		if want := float64(count) / float64(w.Size()); math.Abs(after[day]-want) > 1e-9 {
			t.Errorf("day %d: %.3f, counted %.3f", day, after[day], want)
		}
	}
	summer, winter := after[w.Index(calendar.Must(2031, time.July, 15))], after[w.Index(calendar.Must(2031, time.January, 5))]
	if summer > 0.1 || winter < 0.9 {
		t.Errorf("frost after mid-July %.2f, after the new year %.2f", summer, winter)
	}
}

func TestAFigureWithoutARangeIsDoubted(t *testing.T) {
	doubt := testLore().Doubt
	for _, test := range []struct {
		figure    flora.Figure
		low, high float64
		assumed   bool
	}{
		{flora.Figure{Value: 7, Low: 7, High: 7, Unit: "weeks"}, 5, 9.8, true},
		{flora.Figure{Value: 7, Low: 6, High: 9, Unit: "weeks"}, 6, 9, false},
		{flora.Figure{Value: 30, Low: 30, High: 30, Unit: "°C"}, 28, 32, true},
		{flora.Figure{Value: 0.95, Low: 0.95, High: 0.95, Unit: "share"}, 0.8, 1, true},
		{flora.Figure{Value: 0.95, Low: 0.95, High: 0.95, Unit: "share", Standing: flora.Measured}, 0.95, 0.95, false},
	} {
		low, high, assumed := doubt.Range(test.figure)
		if math.Abs(low-test.low) > 1e-9 || math.Abs(high-test.high) > 1e-9 || assumed != test.assumed {
			t.Errorf("%+v: %g to %g, %v", test.figure, low, high, assumed)
		}
	}
}

// The chance over a doubtful share is the mean of the binomial's tails over the triangle's density,
// here by the midpoint rule over its quantiles.
func TestAChanceInDoubtIsTheMeanOfSureOnes(t *testing.T) {
	w := testWeathers(t, 10)
	row := seedRow()
	row.ComesUp = &flora.Figure{Value: 0.5, Low: 0.2, High: 0.9, Unit: "share", Standing: flora.Guess}
	a := Attempt{Row: row, Weathers: w, Lore: testLore(), Start: 60, By: -1, Wanted: 12, Started: 30, Rise: shelf, Grow: shelf}
	got := a.Look(4000, 9).Chance
	want := 0.0
	const steps = 400
	for i := range steps {
		want += AtLeast(12, 30, 0.95*triangle(0.2, 0.5, 0.9, (float64(i)+0.5)/steps)) / steps
	}
	if math.Abs(got-want) > 0.025 {
		t.Errorf("by runs %.3f, by the integral %.3f", got, want)
	}
}

// A longer wait, a colder place or a later day never makes it ready sooner.
func TestReadyIsMonotone(t *testing.T) {
	w := testWeathers(t, 30)
	ready := func(change func(*Attempt)) int {
		a := Attempt{Row: seedRow(), Weathers: w, Lore: testLore(), Start: 60, By: -1, Wanted: 3, Started: 9, Rise: shelf, Grow: shelf}
		change(&a)
		return a.Look(300, 2).Out.P50
	}
	base := ready(func(*Attempt) {})
	for name, later := range map[string]int{
		"a later start":  ready(func(a *Attempt) { a.Start += 20 }),
		"a cooler shelf": ready(func(a *Attempt) { a.Rise = &Place{Kind: IndoorShelf, SetC: 9, Trays: 1} }),
		"longer raised":  ready(func(a *Attempt) { a.Row.SetOutWeeks = of(sure(12, "weeks")) }),
		"cold first":     ready(func(a *Attempt) { a.Row.ColdWeeks, a.Rest = of(sure(6, "weeks")), &Place{Kind: Refrigerator, SetC: 4} }),
	} {
		if later <= base {
			t.Errorf("%s: ready on %d, without on %d", name, later, base)
		}
	}
	if hot := (&Attempt{Row: seedRow(), Weathers: w, Lore: testLore(), Start: 60, By: -1, Wanted: 3, Started: 9,
		Rise: &Place{Kind: IndoorShelf, SetC: 29}, Grow: shelf}).Look(50, 1); hot.DatesKnown || len(hot.Whys) == 0 || hot.Whys[0].Why != WhyNoUp {
		t.Errorf("above its ceiling it comes up: %+v", hot)
	}
}

func TestLoreWithoutWhatItNeedsIsRefused(t *testing.T) {
	whole := Mix{ID: "a", Name: "A", Parts: []MixPart{{"grit", 1, "drains"}}}
	for name, bad := range map[string][]Mix{
		"no mix": nil, "two of an id": {whole, whole}, "no name": {{ID: "a", Parts: whole.Parts}},
		"a part of nothing":  {{ID: "a", Name: "A", Parts: []MixPart{{"grit", 0, "drains"}}}},
		"a part for nothing": {{ID: "a", Name: "A", Parts: []MixPart{{"grit", 1, ""}}}},
	} {
		if err := (Lore{Mixes: bad}).Check(); err == nil {
			t.Errorf("%s is taken", name)
		}
	}
	if err := (Lore{Mixes: []Mix{whole}}).Check(); err != nil {
		t.Error(err)
	}
	if _, err := testLore().Seed.Storage("in the rain"); err == nil || !strings.Contains(err.Error(), "in the rain") {
		t.Errorf("an unknown store: %v", err)
	}
}

// Every way of the vocabulary has its row, and every row is a way.
func TestEveryWayIsKnown(t *testing.T) {
	for _, way := range flora.PropagationWays {
		row, known := WayOf(way)
		if !known || row.Deed == "" || row.Origin == "" {
			t.Errorf("%q: %+v", way, row)
		}
	}
	if len(wayRows) != len(flora.PropagationWays) {
		t.Errorf("%d rows for %d ways", len(wayRows), len(flora.PropagationWays))
	}
}

// A turned lattice in a rectangle holds nearly what the straight one does, and no less in open ground.
func TestAnyShapeDoesNotLoseToTheRectangle(t *testing.T) {
	s := SettingOut{0.3, 0.1}
	for _, pattern := range []Pattern{Triangle, Square} {
		straight, err := s.InRectangle(1.6, 3.1, pattern)
		if err != nil {
			t.Fatal(err)
		}
		any, err := s.InRegion(rectangleRegion(1.6, 3.1), pattern)
		if err != nil {
			t.Fatal(err)
		}
		if got, want := len(any.Spots), len(straight.Spots); float64(got) < 0.85*float64(want) {
			t.Errorf("%s: %d by turning, %d straight", pattern, got, want)
		}
	}
}

func rectangleRegion(width, depth float64) geometry.Region {
	return geometry.Region{Areas: []geometry.Polygon{geometry.Rectangle(width, depth)}}
}
