package now

import "testing"

func TestOneInSaysASmallChance(t *testing.T) {
	for chance, want := range map[float64]string{0: "less than 1 in 1,000", 0.002: "1 in 500", 0.01: "1 in 100", 0.04: "1 in 30", 0.08: "1 in 13", 0.4: "1 in 3", 0.9: "1 in 2"} {
		if got := oneIn(chance); got != want {
			t.Errorf("%v is %q, want %q", chance, got, want)
		}
	}
}
