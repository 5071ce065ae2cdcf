package main

import "bramblyacre/core/keeping"

// keepingSums are the sums of drying, freezing and making.
var keepingSums = map[string]calculation{
	"dry-weight": {needs: []string{"fresh_g", "water", "dry_water"}, run: func(v *values) (map[string]any, error) {
		grams, err := keeping.DryWeight(v.number("fresh_g"), v.number("water"), v.number("dry_water"))
		return map[string]any{"dry_g": grams}, err
	}},
	"drying": {needs: []string{"k", "n", "hours"}, run: func(v *values) (map[string]any, error) {
		ratio, err := keeping.MoistureRatio(v.number("k"), v.number("n"), v.number("hours"))
		return map[string]any{"moisture_ratio": ratio}, err
	}},
	"dilution": {
		needs:   []string{"want_ml", "want", "from"},
		answers: []string{"spirit_ml", "water_ml"},
		run: func(v *values) (map[string]any, error) {
			d, err := keeping.Dilute(v.number("want_ml"), v.number("want"), v.number("from"))
			return map[string]any{"spirit_ml": d.SpiritML, "water_ml": d.WaterML}, err
		},
	},
}
