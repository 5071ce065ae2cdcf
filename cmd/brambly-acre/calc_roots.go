package main

import "bramblyacre/core/harvest"

// lifting is the sum of how many roots a stand bears to lose every year. All of its plants are taken to be of age
// today.
var lifting = map[string]calculation{
	"root-take": {
		needs: []string{"plants", "survival", "offspring", "first_year", "replanted", "years", "keep", "seed"},
		takes: []string{"year_sigma", "room"},
		run: func(v *values) (map[string]any, error) {
			first, years, seed := v.whole("first_year"), v.whole("years"), v.whole("seed")
			stand := harvest.RootStand{
				FirstYear: first, Ages: make([]float64, min(max(first, 1), 50)),
				Survival: v.number("survival"), Offspring: v.number("offspring"), Replanted: v.number("replanted"),
			}
			stand.Ages[len(stand.Ages)-1] = v.number("plants")
			// A guess: every sixth year the odds of living are three quarters of what they mostly are, or less.
			stand.YearSigma = 0.3
			if v.has("year_sigma") {
				stand.YearSigma = v.number("year_sigma")
			}
			if v.has("room") {
				stand.Room = v.number("room")
			}
			if v.err != nil {
				return nil, v.err
			}
			take, err := stand.SteadyTake(years, v.number("keep"), uint64(seed))
			return map[string]any{"take": take}, err
		},
	},
}
