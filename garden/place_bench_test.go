package garden

import (
	"context"
	"fmt"
	"testing"
	"time"

	"bramblyacre/core/calendar"
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
	g, err := Open(b.Context(), Options{Store: s, Library: shipped, PinnedTo: &today, Seasons: 20})
	check(b, err)
	_, err = g.SetSite(b.Context(), AsItStands, SiteInput{Name: "Bench", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "70 m", Depth: "60 m", Units: "metric"})
	check(b, err)
	at := func(i, columns int, step float64) (string, string) {
		return fmt.Sprintf("%.1f m", 4+step*float64(i%columns)), fmt.Sprintf("%.1f m", 4+step*float64(i/columns))
	}
	for i := range 40 {
		x, y := at(i, 8, 8)
		_, err := g.AddBed(b.Context(), BedInput{Name: fmt.Sprint("Bed ", i), FormInput: FormInput{X: x, Y: y, Width: "4 m", Depth: "1.2 m", Turn: float64(i * 7)}, Moisture: "fresh"})
		check(b, err)
	}
	for i := range 30 {
		x, y := at(i, 6, 11)
		in := tree(x, y, "4 m", "7 m")
		if i%2 == 0 {
			in = ItemInput{Kind: "building", FormInput: FormInput{X: x, Y: y, Width: "3 m", Depth: "2 m"}, Height: "3 m"}
		}
		_, err := g.AddItem(b.Context(), in)
		check(b, err)
	}
	_, err = g.AddItem(b.Context(), ItemInput{Kind: "slope", FormInput: FormInput{X: "30 m", Y: "30 m", Width: "20 m", Depth: "12 m"}, FallPercent: new(15.0), FacesDeg: new(170.0)})
	check(b, err)
	return g
}

// BenchmarkSunOf40BedsAnd30Things works out a year's sun of every bed anew, as
// after something of the plan was moved.
func BenchmarkSunOf40BedsAnd30Things(b *testing.B) {
	g := benchPlan(b)
	s, err := g.state(b.Context())
	check(b, err)
	for b.Loop() {
		g.sunFor = ""
		check(b, g.addSun(b.Context(), s))
	}
}

// BenchmarkDragStep is one answer while a tree is dragged: the year's sun of every
// bed, and the shadows.
func BenchmarkDragStep(b *testing.B) {
	g := benchPlan(b)
	s, err := g.state(b.Context())
	check(b, err)
	id := s.items[1].ID
	i := 0.0
	for b.Loop() {
		i++
		_, err := g.Drag(b.Context(), DragInput{ItemID: id, XM: 10 + 0.1*i, YM: 20, Hour: 10})
		check(b, err)
	}
}

func BenchmarkLightLayer(b *testing.B) { benchmarkAnswer(b, lightToday) }

func lightToday(g *Garden, ctx context.Context) error {
	_, err := g.Light(ctx, NoDay)
	return err
}

// BenchmarkWhere ranks 40 beds for a species, with what mends each.
func BenchmarkWhere(b *testing.B) {
	benchmarkAnswer(b, func(g *Garden, ctx context.Context) error {
		_, err := g.Where(ctx, "meadowsweet")
		return err
	})
}

func BenchmarkPlotView(b *testing.B) {
	benchmarkAnswer(b, func(g *Garden, ctx context.Context) error {
		_, err := g.Plot(ctx, NoDay)
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
