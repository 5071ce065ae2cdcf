package phenology

import (
	"testing"

	"bramblyacre/core/flora"
)

// The first plants come before the typical one, and by a day no more of all have come than where the first surely have.
func TestTheFirstPlantsComeBeforeTheTypicalOne(t *testing.T) {
	f := plan(t, 3).Forecast(ensemble(t, 0, nil, 100), PriorPace(), nil)
	for k := 1; k < len(f.Stages); k++ {
		first, has := f.FirstPlants(f.Stages[k])
		if typical := f.Dates(k); has && typical.Chance > 0.9 && (first.P50 > typical.P50 || first.P10 > typical.P10) {
			t.Errorf("%s: the first on %v, the typical one on %v", f.Stages[k], first.P50, typical.P50)
		}
	}
	before := 0.0
	for day := f.Season.Start; day <= f.Season.End; day = day.AddDays(1) {
		late, passed := f.FirstPlantsBy(flora.SettingSeed, day), f.PassedBy(flora.SettingSeed, day)
		if late < before-1e-9 {
			t.Fatalf("%v: the chance that the first have come falls", day)
		}
		if late < passed-0.02 { // in every course the first are no later than another

			t.Errorf("%v: %.2f of the plants have come, the first with %.2f", day, passed, late)
		}
		before = late
	}
	if before < 0.9 {
		t.Errorf("the first come with %.2f", before)
	}
}
