package garden

import (
	"context"
	"fmt"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// benchPlan is a plot of 40 beds and 30 things that shade, a bank among them.
func benchPlan(b *testing.B) *Garden {
	b.Helper()
	shipped, err := library.Shipped()
	check(b, err)
	s, err := store.Open(b.Context(), b.TempDir())
	check(b, err)
	b.Cleanup(func() { check(b, s.Close()) })
	today := calendar.Must(2031, time.May, 27)
	g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: &today, Seasons: 20})
	check(b, err)
	_, err = g.Place.SetSite(b.Context(), say.AsItStands, place.SiteInput{Name: "Bench", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "70 m", Depth: "60 m", Units: "metric"})
	check(b, err)
	at := func(i, columns int, step float64) (string, string) {
		return fmt.Sprintf("%.1f m", 4+step*float64(i%columns)), fmt.Sprintf("%.1f m", 4+step*float64(i/columns))
	}
	for i := range 40 {
		x, y := at(i, 8, 8)
		_, err := g.Place.AddBed(b.Context(), place.BedInput{Name: fmt.Sprint("Bed ", i), FormInput: place.FormInput{X: x, Y: y, Width: "4 m", Depth: "1.2 m", Turn: float64(i * 7)}, Moisture: "fresh"})
		check(b, err)
	}
	for i := range 30 {
		x, y := at(i, 6, 11)
		in := tree(x, y, "4 m", "7 m")
		if i%2 == 0 {
			in = place.ItemInput{Kind: "building", FormInput: place.FormInput{X: x, Y: y, Width: "3 m", Depth: "2 m"}, Height: "3 m"}
		}
		_, err := g.Place.AddItem(b.Context(), in)
		check(b, err)
	}
	_, err = g.Place.AddItem(b.Context(), place.ItemInput{Kind: "slope", FormInput: place.FormInput{X: "30 m", Y: "30 m", Width: "20 m", Depth: "12 m"}, FallPercent: new(15.0), FacesDeg: new(170.0)})
	check(b, err)
	return g
}

// BenchmarkSunOf40BedsAnd30Things works out a year's sun of every bed anew, as
// after something of the plan was moved.
func BenchmarkSunOf40BedsAnd30Things(b *testing.B) {
	g := benchPlan(b)
	for b.Loop() {
		g.Forget()
		_, err := g.State(b.Context())
		check(b, err)
	}
}

// BenchmarkDragStep is one answer while a tree is dragged: the year's sun of every
// bed, and the shadows.
func BenchmarkDragStep(b *testing.B) {
	g := benchPlan(b)
	s, err := g.State(b.Context())
	check(b, err)
	id := s.Items[1].ID
	i := 0.0
	for b.Loop() {
		i++
		_, err := g.Place.Drag(b.Context(), place.DragInput{ItemID: id, XM: 10 + 0.1*i, YM: 20, Hour: 10})
		check(b, err)
	}
}

func BenchmarkLightLayer(b *testing.B) { benchmarkAnswer(b, lightToday) }

func lightToday(g *Garden, ctx context.Context) error {
	_, err := g.Place.Light(ctx, plot.NoDay)
	return err
}

// BenchmarkWhere ranks 40 beds for a species, with what mends each.
func BenchmarkWhere(b *testing.B) {
	benchmarkAnswer(b, func(g *Garden, ctx context.Context) error {
		_, err := g.Place.Where(ctx, "meadowsweet")
		return err
	})
}

func BenchmarkPlotView(b *testing.B) {
	benchmarkAnswer(b, func(g *Garden, ctx context.Context) error {
		_, err := g.Place.Plot(ctx, plot.NoDay)
		return err
	})
}

func benchmarkAnswer(b *testing.B, ask func(*Garden, context.Context) error) {
	g := benchPlan(b)
	check(b, ask(g, b.Context()))
	for b.Loop() {
		check(b, ask(g, b.Context()))
	}
}
