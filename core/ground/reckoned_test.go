package ground_test

import (
	"testing"

	"bramblyacre/core/ground"
)

// Ground that has lost most of its water speaks for dry, ground that stands full for wet; and the drier, the more
// it speaks for dry than for wet.
func TestReckonedWaterSpeaksForMoisture(t *testing.T) {
	aspect, err := ground.AspectOf(ground.Moisture)
	if err != nil {
		t.Fatal(err)
	}
	for gone, want := range map[float64]string{0.9: "dry", 0.7: "dry", 0.45: "fresh", 0.2: "moist", -0.3: "wet"} {
		belief := ground.Weigh(aspect, ground.ReckonedMoisture(gone, 90))
		best := 0
		for i, chance := range belief.Chance {
			if chance > belief.Chance[best] {
				best = i
			}
		}
		if aspect.Words[best] != want {
			t.Errorf("with %v gone it is believed %s, want %s", gone, aspect.Words[best], want)
		}
	}
	ratio := func(gone float64) float64 {
		b := ground.Weigh(aspect, ground.ReckonedMoisture(gone, 90))
		return b.Chance[0] / b.Chance[len(b.Chance)-1]
	}
	for gone := -0.2; gone < 0.65; gone += 0.1 {
		if ratio(gone+0.1) <= ratio(gone) {
			t.Errorf("with %v gone it speaks less for dry than with %v", gone+0.1, gone)
		}
	}
}
