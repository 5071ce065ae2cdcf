package garden

import (
	"testing"

	"bramblyacre/garden/bench"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// raising is a plot with a bed, a mother of three years, places to raise plants and seed.
type raising struct {
	*fixture
	shelf, house, yard int64
	mother             int64
	lot                int64
}

func newRaising(t *testing.T) *raising {
	t.Helper()
	p := newPlot(t)
	r := &raising{fixture: p}
	r.furnish(t, p.Garden)
	return r
}

func (r *raising) furnish(t testing.TB, g *Garden) {
	t.Helper()
	add := func(in bench.RaisingPlaceInput) int64 {
		entry, err := g.Bench.PutPlace(t.Context(), 0, say.AsItStands, in)
		check(t, err)
		return entry.Made
	}
	r.shelf = add(bench.RaisingPlaceInput{Name: "Shelf", Kind: "indoor shelf", Trays: 5, Set: "20 °C"})
	r.house = add(bench.RaisingPlaceInput{Name: "House", Kind: "cold house", Trays: 6, Warmer: "3 °C"})
	r.yard = add(bench.RaisingPlaceInput{Name: "Yard", Kind: "outdoors", Trays: 8})
	mother, err := g.Place.AddPlanting(t.Context(), input.PlantingInput{
		BedID: r.bed, SpeciesID: "valerian", Plants: 6, StartedOn: "2028-04-10", Origin: "seed", Labelled: true, Source: "Label of a nursery.",
	})
	check(t, err)
	r.mother = mother.Made
	lot, err := g.Bench.PutLot(t.Context(), 0, say.AsItStands, bench.SeedLotInput{
		SpeciesID: "valerian", Name: "Own 2030", Origin: "own", MotherID: r.mother, Mothers: 6, RipeOn: "2030-07-20", Storage: "cool room", Weight: "5 g",
	})
	check(t, err)
	r.lot = lot.Made
}

// wayOf is the way of a kind among those of a plant, in a place where one is named.
func (r *raising) wayOf(t testing.TB, ask bench.AskInput, way, where string) bench.WayView {
	t.Helper()
	ways, err := r.Bench.Ways(t.Context(), ask)
	check(t, err)
	for _, w := range ways.Ways {
		if w.Way == way && (where == "" || w.Where == where) {
			return w
		}
	}
	t.Fatalf("no way %q in %q among %+v", way, where, ways.Ways)
	return bench.WayView{}
}

// planned plans a batch by a way, and returns its id.
func (r *raising) planned(t testing.TB, ask bench.AskInput, way, where string, starts int) int64 {
	t.Helper()
	w := r.wayOf(t, ask, way, where)
	entry, err := r.Bench.PlanBatch(t.Context(), bench.PlanBatchInput{
		WishID: ask.Wish, SpeciesID: ask.Species, Plants: ask.Plants, By: ask.By, BedID: ask.BedID, Key: w.Key, Starts: starts,
	})
	check(t, err)
	return entry.Made
}

// sown is a batch of valerian that was sown on the shelf on a day.
func (r *raising) sown(t testing.TB, starts int) int64 {
	t.Helper()
	id := r.planned(t, bench.AskInput{Species: "valerian", Plants: 8, BedID: r.bed}, "seed", "Shelf", starts)
	_, err := r.Bench.BeginBatch(t.Context(), id, bench.BeginInput{Day: r.today.String(), Starts: starts})
	check(t, err)
	return id
}

// batch is a batch as the bench shows it.
func (r *raising) batch(t testing.TB, id int64) bench.BatchView {
	t.Helper()
	view, err := r.Bench.Bench(t.Context())
	check(t, err)
	for _, b := range view.Batches {
		if b.ID == id {
			return b
		}
	}
	t.Fatalf("the bench shows no batch %d", id)
	return bench.BatchView{}
}

// benchRaising is the same for benchmarks, over so many seasons.
func benchRaising(b *testing.B, seasons int) *raising {
	b.Helper()
	shipped, err := library.Shipped()
	check(b, err)
	s, err := store.Open(b.Context(), b.TempDir())
	check(b, err)
	b.Cleanup(func() { check(b, s.Close()) })
	today := day
	g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: &today, Seasons: seasons})
	check(b, err)
	bed, err := g.Place.AddBed(b.Context(), goodBed())
	check(b, err)
	r := &raising{fixture: &fixture{Garden: g, store: s, bed: bed.Made, today: &today}}
	r.furnish(b, g)
	return r
}
