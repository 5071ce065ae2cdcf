package garden

import (
	"fmt"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// fillLarder writes twenty years of lots as rows: so many, each dried of a picking, filled into a jar that was used up in
// six takings, but for the newest, which stand.
func fillLarder(b *testing.B, s *store.Store, planting int64, cautions string, lots, standing int) {
	b.Helper()
	text := func(day calendar.Date) *string { words := day.String(); return &words }
	first := calendar.Must(2011, 5, 27)
	check(b, s.InTransaction(b.Context(), func(q *store.Queries) error {
		flow := int64(1)
		for i := range int64(lots) {
			day := first.AddDays(int(i) * 20 * 365 / lots)
			picking, err := q.PutPicking(b.Context(), store.PutPickingParams{
				PlantingID: planting, Day: day.String(), Part: "leaf", Units: 30, Grams: 60,
			})
			if err != nil {
				return err
			}
			at, grams := day.String()+"T08:00", 14.0
			lot, err := q.PutLot(b.Context(), store.PutLotParams{
				Year: int64(day.Year()), Number: i + 2, Making: "dried", SpeciesID: "common-sage", Part: "leaf", BegunAt: at,
				EndedAt: &at, Grams: &grams, KeepsMonths: 15, Cautions: cautions,
			})
			if err != nil {
				return err
			}
			if _, err := q.PutLotFlow(b.Context(), store.PutLotFlowParams{LotID: lot.ID, Side: "in", Name: "picked", PickingID: &picking.ID, Grams: 60}); err != nil {
				return err
			}
			jar := store.PutJarParams{Vessel: "jar", Ml: 500, OpenedOn: text(day)}
			stands := int(i) >= lots-standing
			if !stands {
				jar.EndedOn = text(day.AddDays(30))
			}
			written, err := q.PutJar(b.Context(), jar)
			if err != nil {
				return err
			}
			put := func(kind string, day calendar.Date, grams float64, of *int64) error {
				flow++
				_, err := q.PutJarFlow(b.Context(), store.PutJarFlowParams{ID: &flow, JarID: written.ID, Day: day.String(), Kind: kind, Grams: grams, LotID: of})
				return err
			}
			if err := put("filled", day, 14, &lot.ID); err != nil {
				return err
			}
			for k := range 4 {
				if stands && k > 1 {
					break
				}
				if err := put("taken", day.AddDays(5*k), -3.5, nil); err != nil {
					return err
				}
			}
		}
		return nil
	}))
}

// BenchmarkTwentyYearsOfLots is what the store answers in with 50,000 lots behind it, and after a cup was taken.
func BenchmarkTwentyYearsOfLots(b *testing.B) {
	const lots, stands = 50000, 60
	today := day
	g, s := emptyGarden(b, &today)
	bed, err := g.Place.AddBed(b.Context(), goodBed())
	check(b, err)
	_, err = addSure(b, g, (&fixture{bed: bed.Made}).goodPlanting())
	check(b, err)
	_, err = g.Larder.Buy(b.Context(), larder.BoughtInput{SpeciesID: "common-sage", Part: "leaf", From: "a stall", Amount: "9 g", Jar: larder.FillInput{Holds: "1 l"}})
	check(b, err)
	state, err := g.State(b.Context())
	check(b, err)
	fillLarder(b, s, 1, plot.Lots.Of(state)[0].Cautions, lots, stands)
	g.Forget()
	ask := func(b *testing.B, pages ...func() error) {
		for _, page := range pages {
			check(b, page())
		}
	}
	shelves := func() error { _, err := g.Larder.Shelves(b.Context()); return err }
	drier := func() error { _, err := g.Larder.Drier(b.Context()); return err }
	runway := func() error { _, err := g.Larder.Runway(b.Context()); return err }
	ask(b, shelves)
	jar := int64(lots + 1)
	for name, page := range map[string]func() error{
		"shelves": shelves, "drier": drier, "runway": runway,
		"a jar":   func() error { _, err := g.Larder.Jar(b.Context(), jar); return err },
		"recalls": func() error { _, err := g.Larder.Recalls(b.Context()); return err },
		"now":     func() error { _, err := g.Now.Now(b.Context(), plot.NoDay); return err },
	} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				ask(b, page)
			}
		})
	}
	b.Run("a cup taken and the shelves again", func(b *testing.B) {
		for i := 0; b.Loop(); i++ {
			_, err := g.Larder.Take(b.Context(), jar-int64(i%stands), larder.TakeInput{Kind: "taken", Amount: fmt.Sprintf("%.2f g", 0.06)})
			check(b, err)
			ask(b, shelves)
		}
	})
}
