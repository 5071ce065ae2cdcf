package propagation

import "testing"

// However many spots there are, no more are asked than are allowed, and something always is.
func TestManySpotsAreTriedLessOften(t *testing.T) {
	for _, spots := range []float64{0, 1, 200, 231, 5_000, 6_400, mostSpots} {
		turned, shifted := tries(spots)
		if turned < 1 || shifted < 1 || turned > turns || shifted > offsets {
			t.Errorf("%g spots: %d turns, %d shifts", spots, turned, shifted)
		}
		if asked := spots * float64(turned*shifted*shifted); asked > mostTried {
			t.Errorf("%g spots: %g are asked", spots, asked)
		}
	}
	if turned, shifted := tries(200); turned != turns || shifted != offsets {
		t.Errorf("a small bed is tried %d × %d ways, want all", turned, shifted)
	}
}
