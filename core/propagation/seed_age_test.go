package propagation

import (
	"math"
	"testing"
)

func TestSeedAgesAsWorkedByHand(t *testing.T) {
	got, err := Viability(0.95, 3, 2.5)
	if err != nil || math.Abs(got-0.672) > 0.0005 {
		t.Errorf("0.95 after 3 years at σ 2.5: %.4f, %v; want 0.672", got, err)
	}
}

func TestOlderSeedIsNeverBetter(t *testing.T) {
	before := 1.0
	for years := 0.0; years < 30; years += 0.25 {
		alive, err := Viability(0.9, years, 3)
		if err != nil || alive > before || alive < 0 {
			t.Errorf("after %g years %.4f, before %.4f, %v", years, alive, before, err)
		}
		before = alive
	}
}

// The half-life is what its name says: at its end half of what was alive is.
func TestHalfLifeHalves(t *testing.T) {
	for _, whenNew := range []float64{0.5, 0.8, 0.97} {
		for _, half := range []float64{0.5, 3, 12} {
			sigma, err := SigmaOfHalfLife(whenNew, half)
			if err != nil {
				t.Fatal(err)
			}
			if alive, _ := Viability(whenNew, half, sigma); math.Abs(alive-whenNew/2) > 1e-9 {
				t.Errorf("%g after its half-life of %g: %.4f", whenNew, half, alive)
			}
		}
	}
}

func TestSeedOfTomorrowIsRefused(t *testing.T) {
	for _, bad := range [][3]float64{{0.9, -1, 2}, {0, 1, 2}, {1, 1, 2}, {0.9, 1, 0}, {math.NaN(), 1, 2}} {
		if _, err := Viability(bad[0], bad[1], bad[2]); err == nil {
			t.Errorf("%v is taken", bad)
		}
	}
}
