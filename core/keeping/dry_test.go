package keeping_test

import (
	"math"
	"testing"

	"bramblyacre/core/keeping"
)

func near(t *testing.T, what string, got, want, within float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > within {
		t.Errorf("%s: %v, want %v", what, got, want)
	}
}

func TestDryWeightIsWhatIsNoWater(t *testing.T) {
	for _, tc := range []struct{ fresh, water, dry, want float64 }{
		{1000, 0.85, 0.1, 166.67}, // model.md §8
		{1000, 0.75, 0, 250},
		{300, 0.1, 0.1, 300},
		{0, 0.8, 0.1, 0},
	} {
		got, err := keeping.DryWeight(tc.fresh, tc.water, tc.dry)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "dry weight", got, tc.want, 0.005)
		// Put back by hand: dry matter is the same before and after.
		near(t, "dry matter", got*(1-tc.dry), tc.fresh*(1-tc.water), 1e-9)
	}
	for _, tc := range []struct{ fresh, water, dry float64 }{
		{-1, 0.8, 0.1}, {math.NaN(), 0.8, 0.1}, {math.Inf(1), 0.8, 0.1}, {100, 1, 0.1}, {100, -0.1, 0}, {100, 0.1, 0.2},
		{100, 0.5, math.NaN()},
	} {
		if got, err := keeping.DryWeight(tc.fresh, tc.water, tc.dry); err == nil {
			t.Errorf("%+v: %v, want an error", tc, got)
		}
	}
}

func TestPagesEquationByItsWorkedSum(t *testing.T) {
	ratio, err := keeping.MoistureRatio(0.25, 1.1, 8) // model.md §8
	if err != nil {
		t.Fatal(err)
	}
	near(t, "moisture ratio", ratio, 0.085, 0.001)
	near(t, "turned round", keeping.HoursUntil(0.25, 1.1, ratio), 8, 1e-9)
	// With n = 1 it is Newton's law of cooling: half is gone after ln 2 / k.
	half, _ := keeping.MoistureRatio(0.2, 1, math.Ln2/0.2)
	near(t, "half", half, 0.5, 1e-12)
	for _, tc := range [][3]float64{{0, 1, 1}, {math.NaN(), 1, 1}, {0.2, 0, 1}, {0.2, 1, -1}, {0.2, 1, math.NaN()}} {
		if _, err := keeping.MoistureRatio(tc[0], tc[1], tc[2]); err == nil {
			t.Errorf("%v: want an error", tc)
		}
	}
	// From 0.82 of water to 0.10: 4.556 g of water a gram of solid down to 0.111.
	near(t, "water left", keeping.WaterLeft(0.82, 0.1), 0.11111/4.55556, 1e-5)
	if hours := keeping.HoursUntil(0.2, 1, 1.2); hours != 0 {
		t.Errorf("what is dry takes %v h", hours)
	}
}

func TestWarmerByArrhenius(t *testing.T) {
	// ln of the ratio of two rates is E/R (1/T1 − 1/T2): 40 kJ/mol from 35 to 45 °C.
	near(t, "10 degrees", keeping.Warmer(40, 45, 35), math.Exp(40000/8.314*(1/308.15-1/318.15)), 1e-12)
	near(t, "the same", keeping.Warmer(40, 35, 35), 1, 1e-12)
	if keeping.Warmer(40, 25, 35) >= 1 {
		t.Error("cooler dries no quicker")
	}
}
