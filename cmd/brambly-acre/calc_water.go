package main

import "bramblyacre/core/water"

// watering are the sums of the water in the ground.
var watering = map[string]calculation{
	"water-stress": {needs: []string{"taw_mm", "depletion_mm", "p"}, run: func(v *values) (map[string]any, error) {
		ks, err := water.Stress(v.number("taw_mm"), v.number("depletion_mm"), v.number("p"))
		return map[string]any{"ks": ks}, err
	}},
	"days-to-dry": {needs: []string{"taw_mm", "p", "et_mm"}, run: func(v *values) (map[string]any, error) {
		days, err := water.DaysToDry(v.number("taw_mm"), v.number("p"), v.number("et_mm"))
		return map[string]any{"days": days}, err
	}},
}
