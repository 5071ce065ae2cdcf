package spread_test

import (
	"math"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/spread"
	"bramblyacre/library"
)

// The day is the one that solving for the warmth gives: of one base and no gap both heights are functions of one
// warmth, and weed ÷ crop ≥ ½ is a plain inequality.
func TestDaysUntilACropIsOvertaken(t *testing.T) {
	race := spread.Race{
		Weed: spread.Growth{HeightM: 1.2, Rate: 0.012, MiddleC: 450},
		Crop: spread.Growth{HeightM: 0.6, Rate: 0.008, MiddleC: 600, AheadC: 300},
	}
	days, overtakes, err := race.Days(10, 10)
	if err != nil || !overtakes {
		t.Fatalf("%v %v", overtakes, err)
	}
	// By bisection on the warmth, in closed form.
	ratio := func(warmth float64) float64 {
		return (1.2 / (1 + math.Exp(-0.012*(warmth-450)))) / (0.6 / (1 + math.Exp(-0.008*(warmth+300-600))))
	}
	low, high := 0.0, 2000.0
	for range 100 {
		if middle := (low + high) / 2; ratio(middle) < 0.5 {
			low = middle
		} else {
			high = middle
		}
	}
	if want := int(math.Ceil(high / 10)); days != want {
		t.Errorf("%d days, expected %d", days, want)
	}
	set := race
	set.Crop.AheadC = 500
	if later, _, _ := set.Days(10, 10); later <= days {
		t.Errorf("a crop with more ahead is overtaken after %d days, the other after %d", later, days)
	}
	low1 := spread.Race{Weed: spread.Growth{HeightM: 0.1, Rate: 0.01, MiddleC: 300}, Crop: spread.Growth{HeightM: 0.9, Rate: 0.01, MiddleC: 300}}
	if _, overtakes, _ := low1.Days(10, 10); overtakes {
		t.Error("a weed that stays below half of the crop never shades half of it")
	}
}

func TestAPlantIsGrownWhenItsWarmthHasCome(t *testing.T) {
	g := spread.GrowthOf(1.5, 800)
	if got := g.At(800) / 1.5; math.Abs(got-0.95) > 1e-9 {
		t.Errorf("%v of its height", got)
	}
	if got := g.At(0) / 1.5; math.Abs(got-0.02) > 1e-9 {
		t.Errorf("%v of its height as it comes up", got)
	}
}

func TestWhatGrowsInNoSuchWayIsRefused(t *testing.T) {
	good := spread.Growth{HeightM: 1, Rate: 0.01, MiddleC: 100}
	for _, bad := range []spread.Growth{{}, {HeightM: -1, Rate: 0.01}, {HeightM: 1, Rate: 0}, {HeightM: 1, Rate: 0.01, MiddleC: math.NaN()}} {
		if _, _, err := (spread.Race{Weed: bad, Crop: good}).Days(10, 10); err == nil {
			t.Errorf("%+v", bad)
		}
	}
	for _, warmth := range []float64{0, -3, math.Inf(1), math.NaN()} {
		if _, _, err := (spread.Race{Weed: good, Crop: good}).Days(warmth, 10); err == nil {
			t.Errorf("%v °C d a day", warmth)
		}
	}
}

// Of weeds as tall as anything up to the crop's height, and that grow by the same warmth, half are at least half as tall
// all the while: that is the share of runs in which the crop is overtaken on the first day, and in the others it never is.
func TestAWeedOfUnknownHeightOvertakesByItsChance(t *testing.T) {
	lib, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	generator, err := climate.NewGenerator(lib.Climates()[0])
	if err != nil {
		t.Fatal(err)
	}
	season := calendar.SeasonOf(52, calendar.Must(2031, time.May, 1))
	const runs, from = 400, 120
	weathers, err := climate.NewEnsemble(generator, season, season.Start, nil, runs, 1)
	if err != nil {
		t.Fatal(err)
	}
	warmth := weathers.Thermal(5, 30)
	race := spread.Race{Weed: spread.GrowthOf(1, 600), Crop: spread.GrowthOf(0.8, 600)}
	fixed := func(m float64) func(float64) float64 { return func(float64) float64 { return m } }
	races := race.Drawn(runs, 1, func(q float64) float64 { return 0.8 * q }, fixed(0.8), fixed(0))
	at, never := 0, 0
	for _, day := range spread.Overtaken(races, warmth, warmth, from, season.Days()) {
		switch day {
		case from:
			at++
		case season.Days():
			never++
		}
	}
	if at+never != runs || at < runs/2-1 || at > runs/2+1 {
		t.Errorf("of %d runs %d on the first day and %d never", runs, at, never)
	}
	// A gap that no weed closes lets none be overtaken, whatever its height.
	races = race.Drawn(runs, 1, fixed(1), fixed(0.8), fixed(1.5))
	if days := spread.Overtaken(races, warmth, warmth, from, season.Days()); days[0] != season.Days() {
		t.Errorf("below the gap it is overtaken on day %d", days[0])
	}
}
