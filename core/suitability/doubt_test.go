package suitability

import (
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
)

// Doubt about ground that is most likely as it is wanted makes no shortfall: "wants slow to
// free, and is slow" is none.
func TestDoubtAloneIsNoShortfall(t *testing.T) {
	aspect, err := ground.AspectOf(ground.Drainage)
	if err != nil {
		t.Fatal(err)
	}
	wants := flora.WordRange{Low: "slow", From: "slow", To: "free", High: "free"}.On(flora.DrainageWords)
	belief := ground.Belief{Aspect: aspect, Evidence: []ground.Evidence{{}}, Chance: []float64{0.35, 0.45, 0.15, 0.05}} // most likely slow, perhaps standing
	if s := believed(Drainage, belief, wants); s.Falls() || !s.Known {
		t.Errorf("most likely slow, it falls short with %.2f", s.Value)
	}
	belief.Chance = []float64{0.6, 0.3, 0.1, 0}
	if s := believed(Drainage, belief, wants); !s.Falls() {
		t.Errorf("most likely standing, it does with %.2f", s.Value)
	}
}
