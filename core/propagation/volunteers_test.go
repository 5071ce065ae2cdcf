package propagation

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// The share within a distance is the integral of the density over the disc: 2πr times
// p ÷ (π u (1 + r²/u)^(p+1)), by the midpoint rule.
func TestKernelIsTheIntegralOfItsDensity(t *testing.T) {
	for _, shape := range []float64{0.6, 1, 2.5} {
		k, err := KernelOfReach(1.5, 0.8, shape)
		if err != nil {
			t.Fatal(err)
		}
		if within := k.Within(1.5); math.Abs(within-0.8) > 1e-9 {
			t.Errorf("within its reach lies %.4f", within)
		}
		for _, distance := range []float64{0.2, 1, 4} {
			const steps = 20_000
			sum := 0.0
			for i := range steps {
				r := (float64(i) + 0.5) * distance / steps
				sum += 2 * math.Pi * r * shape / (math.Pi * k.Scale * math.Pow(1+r*r/k.Scale, shape+1)) * distance / steps
			}
			if math.Abs(sum-k.Within(distance)) > 1e-5 {
				t.Errorf("shape %g within %g: %.5f, the density gives %.5f", shape, distance, k.Within(distance), sum)
			}
			if back := k.Distance(k.Within(distance)); math.Abs(back-distance) > 1e-9 {
				t.Errorf("%g comes back as %g", distance, back)
			}
		}
	}
	if _, err := KernelOfReach(0, 0.8, 1); err == nil {
		t.Error("a reach of nothing is taken")
	}
}

func TestRescueBeforeTheGroundIsWorked(t *testing.T) {
	day := calendar.Must(2031, time.March, 1)
	places := []Rescue{
		{ID: 1, Plants: 40, Worth: 9},
		{ID: 2, Worked: day.AddDays(9), Known: true, Plants: 3, Worth: 1},
		{ID: 3, Worked: day, Known: true, Plants: 2, Worth: 1},
		{ID: 4, Worked: day, Known: true, Plants: 2, Worth: 5},
		{ID: 5, Plants: 50, Worth: 9},
	}
	RescueOrder(places)
	var order []int64
	for _, p := range places {
		order = append(order, p.ID)
	}
	if want := []int64{4, 3, 2, 5, 1}; !slices.Equal(order, want) {
		t.Errorf("%v, want %v", order, want)
	}
}

// At a steady temperature the warmth is a product.
func TestSeedlingsAreLargeEnoughByTheirWarmth(t *testing.T) {
	w := &Weathers{Days: 200, members: make([][]climate.Day, 3), means: make([][]float64, 3)}
	for member, celsius := range []float64{5, 10, 20} {
		w.means[member] = make([]float64, 200)
		for i := range w.means[member] {
			w.means[member][i] = celsius
		}
	}
	if day := LargeEnough(w, 30, 250); day != 30+25 {
		t.Errorf("at 10 °C in the middle 250 °C d are gathered on day %d, want 55", day)
	}
	if cold := LargeEnough(w, 190, 250); cold != 200 {
		t.Errorf("beyond the end: %d", cold)
	}
}

func TestMothersGive(t *testing.T) {
	if _, err := (Mothers{Plants: 3, YearOfLife: 1, Each: 4, Size: 1}).Gives("division"); err == nil {
		t.Error("plants of this year are divided")
	}
	m := Mothers{Plants: 3, YearOfLife: 3, Each: 4, Size: 0.7}
	if n, err := m.Gives("division"); err != nil || n != 6 {
		t.Errorf("three of seven tenths of their size give %d, %v; want 2 each", n, err)
	}
	if loss := (Mothers{Plants: 1, YearOfLife: 3, Each: 4, Size: 1}).Loses(4); math.Abs(loss-1.0/3) > 1e-9 {
		t.Errorf("one that gave all that she can loses %.3f, want a third", loss)
	}
}

// Drift by another method: the share of what varies that is left after generations of drawing 2N
// genes at random, by simulation.
func TestMothersToSaveFromKeepWhatVaries(t *testing.T) {
	n, err := MothersToSaveFrom(0.9, 5)
	if err != nil {
		t.Fatal(err)
	}
	left := func(mothers int) float64 {
		rng := rand.New(rand.NewPCG(7, uint64(mothers)))
		const lines = 40_000
		sum := 0.0
		for range lines {
			share := 0.5
			for range 5 {
				share = float64(binomial(rng, 2*mothers, share)) / float64(2*mothers)
			}
			sum += 2 * share * (1 - share) / 0.5 / lines
		}
		return sum
	}
	if kept := left(n); kept < 0.895 {
		t.Errorf("from %d mothers %.3f is kept", n, kept)
	}
	if kept := left(n - 4); kept > 0.9 {
		t.Errorf("%d mothers would do: %.3f is kept", n-4, kept)
	}
}
