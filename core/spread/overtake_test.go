package spread_test

import (
	"math"
	"testing"

	"bramblyacre/core/spread"
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
