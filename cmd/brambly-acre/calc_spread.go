package main

import "bramblyacre/core/spread"

// spreading are the sums of how far plants get by themselves.
var spreading = map[string]calculation{
	"front": {needs: []string{"rate_m", "sigma", "distance_m"}, run: func(v *values) (map[string]any, error) {
		p10, p50, p90, err := spread.FrontYears(v.number("rate_m"), v.number("sigma"), v.number("distance_m"))
		return map[string]any{"years_p10": p10, "years_p50": p50, "years_p90": p90}, err
	}},
	"seed-bank": {
		needs: []string{"seeds", "survival", "emergence", "years"},
		run: func(v *values) (map[string]any, error) {
			left, err := spread.Bank(v.number("seeds"), v.number("survival"), v.number("emergence"), v.number("years"))
			return map[string]any{"left": left}, err
		},
	},
	"overtaking": {
		needs: []string{"weed_m", "weed_rate", "weed_mid", "crop_m", "crop_rate", "crop_mid", "warmth"},
		takes: []string{"weed_ahead", "crop_ahead", "meets_m"},
		run:   overtaking,
	},
}

func overtaking(v *values) (map[string]any, error) {
	optional := func(key string) float64 {
		if !v.has(key) {
			return 0
		}
		return v.number(key)
	}
	growth := func(of string) spread.Growth {
		return spread.Growth{
			HeightM: v.number(
				of + "_m",
			), Rate: v.number(of + "_rate"), MiddleC: v.number(of + "_mid"), AheadC: optional(of + "_ahead"),
		}
	}
	race := spread.Race{Weed: growth("weed"), Crop: growth("crop"), MeetsM: optional("meets_m")}
	days, overtakes, err := race.Days(v.number("warmth"), v.number("warmth"))
	if err == nil && !overtakes {
		return map[string]any{"days": nil, "why": "the weed never shades half of the crop's height"}, nil
	}
	return map[string]any{"days": days}, err
}
