package demo

import (
	"strings"
	"testing"

	"bramblyacre/garden/bench"
)

// The sample's bench has what it is to show: lots of several ages, one tested and one too old, a
// tray half up, volunteers to be rescued before a bed is dug, a mother for cuttings, a crown to
// divide, and a wish that cannot be met and says why.
func TestSampleBenchIsAsDescribed(t *testing.T) {
	g := build(t)
	seeds, err := g.Bench.Seeds(t.Context())
	check(t, err)
	tested, old, ages := 0, 0, map[string]bool{}
	for _, lot := range seeds.Lots {
		ages[lot.Age] = true
		if len(lot.Tests) > 0 {
			tested++
		}
		if lot.TooOld {
			old++
		}
	}
	if len(seeds.Lots) != 7 || tested != 1 || old != 1 || len(ages) < 5 {
		t.Errorf("%d lots, %d tested, %d too old, of %d ages", len(seeds.Lots), tested, old, len(ages))
	}
	trays, err := g.Bench.Trays(t.Context())
	check(t, err)
	half := false
	for _, tray := range trays.Trays {
		for _, batch := range tray.Batches {
			half = half || batch.Up*10 > batch.Set*4 && batch.Up*10 < batch.Set*6
		}
	}
	if !half {
		t.Error("no tray is half up")
	}
	volunteers, err := g.Bench.Volunteers(t.Context())
	check(t, err)
	if len(volunteers.Groups) != 1 || !volunteers.Groups[0].Known || volunteers.Groups[0].Checked != "" {
		t.Errorf("%+v", volunteers.Groups)
	}
	view, err := g.Bench.Bench(t.Context())
	check(t, err)
	kinds := map[string]bool{}
	for _, shelf := range view.Shelves {
		kinds[shelf.Kind] = true
	}
	if !kinds["indoor shelf"] || !kinds["cold house"] || len(view.Unfit) != 1 || !view.Unfit[0].Can {
		t.Errorf("%v, unfit %+v", kinds, view.Unfit)
	}
	ways := map[string]bool{}
	for _, batch := range view.Batches {
		ways[batch.Way] = true
	}
	if !ways["softwood cutting"] || !ways["division"] || !ways["seed"] {
		t.Errorf("ways %v", ways)
	}
	wanted, err := g.Bench.Wanted(t.Context())
	check(t, err)
	cannot := ""
	for _, wish := range wanted.Wishes {
		if wish.BatchID != 0 {
			continue
		}
		answer, err := g.Bench.Ways(t.Context(), bench.AskInput{Wish: wish.ID})
		check(t, err)
		cannot += answer.Cannot
	}
	if !strings.Contains(cannot, "cannot be had") || !strings.Contains(cannot, "not ready by the day") {
		t.Errorf("no wish is refused with its reason: %q", cannot)
	}
	causes := map[string]bool{}
	for _, one := range wanted.Suggested {
		causes[one.Cause] = true
	}
	if !causes["failed"] || !causes["need"] || !causes["gap"] || !causes["resow"] {
		t.Errorf("suggested for %v", causes)
	}
}
