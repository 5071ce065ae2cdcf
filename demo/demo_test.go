package demo

import (
	"bytes"
	"encoding/json"
	"testing"
	"time"

	"bramblyacre/format"
	"bramblyacre/garden"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/library"
	"bramblyacre/store"
)

func build(t testing.TB) *garden.Garden {
	t.Helper()
	l, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), t.TempDir())
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	check(t, Build(t.Context(), s, l))
	noon := func() time.Time { return Today.Time().Add(12 * time.Hour) }
	g, err := garden.Open(t.Context(), plot.Options{Store: s, Library: l, PinnedTo: &Today, Sample: true, Clock: noon})
	check(t, err)
	return g
}

func check(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

func TestSamplePlotIsAsDescribed(t *testing.T) {
	g := build(t)
	site, err := g.Place.Site(t.Context())
	check(t, err)
	if site.Latitude != 46.6 || site.AltitudeM != 640 || site.WidthM*site.DepthM < 4040 || site.WidthM*site.DepthM > 4055 {
		t.Errorf("the site is %v m² at %v°, %v m; want an acre at 46.6°, 640 m", site.WidthM*site.DepthM, site.Latitude, site.AltitudeM)
	}
	plot, err := g.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	species, plantings, unproven, unsafe, poisoned := map[string]bool{}, 0, 0, 0, 0
	for _, bed := range plot.Beds {
		for _, p := range bed.Plantings {
			species[p.SpeciesID] = true
			plantings++
			for _, notice := range p.Ground {
				if notice.Forbids {
					unsafe++
				} else {
					poisoned++
				}
			}
			if p.Identity != "sure" {
				unproven++
			}
		}
	}
	if len(plot.Beds) != 10 || plantings != 35 || len(species) != 27 || unproven == 0 || unsafe == 0 || poisoned == 0 || len(plot.Items) < 10 {
		t.Errorf("%d beds and %d things, %d plantings of %d species, %d unproven, %d on unsafe and %d on poisoned ground", len(plot.Beds), len(plot.Items), plantings, len(species), unproven, unsafe, poisoned)
	}
}

func TestSamplePlotHasWindowsOfEveryKindAndLearnedPaces(t *testing.T) {
	g := build(t)
	now, err := g.Now.Now(t.Context(), plot.NoDay)
	check(t, err)
	if len(now.Closing) == 0 || len(now.Open) == 0 || len(now.Coming) == 0 {
		t.Errorf("%d closing, %d open, %d coming", len(now.Closing), len(now.Open), len(now.Coming))
	}
	if now.Title != "Tuesday 27 May" {
		t.Errorf("today is %q", now.Title)
	}
	gather, err := g.Gather.Gather(t.Context(), plot.NoDay)
	check(t, err)
	states := map[string]int{}
	for _, w := range gather.Windows {
		states[w.State]++
	}
	for _, state := range []string{"closing", "open", "coming", "later", "over"} {
		if states[state] == 0 {
			t.Errorf("no window is %s: %v", state, states)
		}
	}
	learned := 0
	for id := range int64(14) {
		view, err := g.Place.Planting(t.Context(), id+1, plot.NoDay)
		check(t, err)
		if view.Pace != "Never looked at, so the dates are wide." {
			learned++
		}
	}
	if learned < 10 {
		t.Errorf("%d paces were learned", learned)
	}
}

// Built twice, the plot is the same to the last byte.
func TestSamplePlotIsTheSameEveryTime(t *testing.T) {
	picture := func() []byte {
		g := build(t)
		var all bytes.Buffer
		for _, name := range []string{"calendar", "observations", "pickings"} {
			check(t, format.Files[name].Write(t.Context(), g, &all))
		}
		now, err := g.Now.Now(t.Context(), plot.NoDay)
		check(t, err)
		check(t, json.NewEncoder(&all).Encode(now))
		ledger, err := g.Ledger(t.Context(), journal.LedgerFilter{Most: 500})
		check(t, err)
		for i := range ledger.Lines {
			ledger.Lines[i].At = ""
		}
		check(t, json.NewEncoder(&all).Encode(ledger))
		return all.Bytes()
	}
	if first, second := picture(), picture(); !bytes.Equal(first, second) {
		t.Error("two buildings differ")
	}
}

// Every look of the sample is one that the forecast of its day did not rule out:
// the sample would teach nothing if it were full of surprises.
func TestSampleLooksAreLikely(t *testing.T) {
	g := build(t)
	for id := range int64(14) {
		view, err := g.Place.Planting(t.Context(), id+1, plot.NoDay)
		check(t, err)
		if view.Moved != nil && view.Moved.Surprise {
			t.Errorf("the last look at %s in %s is a surprise: %s", view.Name, view.Bed, view.Moved.Why)
		}
	}
}

func BenchmarkBuild(b *testing.B) {
	for b.Loop() {
		build(b)
	}
}
