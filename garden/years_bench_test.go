package garden

import (
	"context"
	"fmt"
	"runtime"
	"slices"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// tenYears is a plot with so many plantings of the whole library, ten seasons old, with two hundred looks at each:
// twenty a season, at the day on which the library expects the stage.
func tenYears(b *testing.B, plantings int) (*library.Library, *store.Store, *calendar.Date) {
	b.Helper()
	ctx := b.Context()
	shipped, err := library.Shipped()
	check(b, err)
	s, err := store.Open(ctx, b.TempDir())
	check(b, err)
	b.Cleanup(func() { check(b, s.Close()) })
	today := calendar.Must(2031, time.May, 27)
	g, err := Open(ctx, plot.Options{Store: s, Library: shipped, PinnedTo: &today, Seasons: 1})
	check(b, err)
	_, err = g.Place.SetSite(ctx, say.AsItStands, place.SiteInput{Name: "Acre", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "120 m", Depth: "90 m", Units: "metric", Station: plot.SimulatedStation})
	check(b, err)
	for i := range min(30, max(1, plantings/4)) {
		in := goodBed()
		in.Name = fmt.Sprint("Bed ", i)
		in.X, in.Y = fmt.Sprintf("%d m", 8+18*(i%6)), fmt.Sprintf("%d m", 6+6*(i/6))
		_, err := g.Place.AddBed(ctx, in)
		check(b, err)
	}
	var perennials []*flora.Species
	for _, species := range shipped.AllSpecies() {
		if species.Life.Form != flora.Annual && species.Life.Form != flora.Biennial {
			perennials = append(perennials, species)
		}
	}
	beds, err := s.ListBeds(ctx)
	check(b, err)
	check(b, s.InTransaction(ctx, func(q *store.Queries) error {
		for i := range plantings {
			species := perennials[i%len(perennials)]
			p, err := q.PutPlanting(ctx, store.PutPlantingParams{BedID: beds[i%len(beds)].ID, SpeciesID: species.ID, Plants: 5, CountedOn: "2021-04-10", StartedOn: "2021-04-10", Origin: "bought", Identity: "unproven"})
			if err != nil {
				return err
			}
			if err := lookTwenties(ctx, q, p.ID, species); err != nil {
				return err
			}
		}
		return nil
	}))
	return shipped, s, &today
}

// few and many are how many plantings a household has, and how many a large one.
const few, many = 30, 300

// lookTwenties writes twenty looks a season at a planting, none after today.
func lookTwenties(ctx context.Context, q *store.Queries, planting int64, species *flora.Species) error {
	for year := 2021; year <= 2031; year++ {
		rules, err := species.YearOfLifeRules(year - 2019)
		if err != nil || len(rules.Stages) == 0 {
			return nil
		}
		for look := range 20 {
			day := calendar.Must(year, time.March, 1).AddDays(12 * look)
			if day > calendar.Must(2031, time.May, 20) {
				return nil
			}
			stage := rules.Stages[min(len(rules.Stages)-1, look*len(rules.Stages)/20)].Stage
			if _, err := q.PutObservation(ctx, store.PutObservationParams{PlantingID: planting, Day: day.String(), Stage: stage.String(), Share: "most", Note: "Looked in passing."}); err != nil {
				return err
			}
		}
	}
	return nil
}

// percentiles reports how long most and nearly all of some answers took.
func percentiles(b *testing.B, took []time.Duration) {
	slices.Sort(took)
	at := func(share float64) float64 {
		return float64(took[min(len(took)-1, int(share*float64(len(took))))].Microseconds()) / 1000
	}
	b.ReportMetric(at(0.5), "ms/p50")
	b.ReportMetric(at(0.99), "ms/p99")
}

// BenchmarkYearsStart is a program's start with ten years of looks: from the closed file to
// the first answer.
func BenchmarkYearsStart(b *testing.B) {
	shipped, s, today := tenYears(b, many)
	var last *Garden
	for b.Loop() {
		g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: today})
		check(b, err)
		_, err = g.Now.Now(b.Context(), plot.NoDay)
		check(b, err)
		last = g
	}
	var memory runtime.MemStats
	runtime.GC()
	runtime.ReadMemStats(&memory)
	b.ReportMetric(float64(memory.HeapAlloc)/1e6, "MB")
	runtime.KeepAlive(last)
}

// BenchmarkYearsLook is a look noted on a plot of ten years, and Now answered after it.
func BenchmarkYearsLook(b *testing.B) {
	shipped, s, today := tenYears(b, many)
	g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: today})
	check(b, err)
	state, err := g.State(b.Context())
	check(b, err)
	var took []time.Duration
	i := 0
	for b.Loop() {
		i++
		p := state.Plantings[i%len(state.Plantings)]
		stage := flora.Resting
		if p.Now != nil {
			at, _ := p.Now.StageOn(*today)
			stage = p.Now.Stages[at]
		}
		began := time.Now()
		_, err := sayYes(func(affirmed []string) (now.Observed, error) {
			return g.Now.NoteObservation(b.Context(), p.ID, now.ObservationInput{SpeciesID: p.SpeciesID, Day: today.String(), Stage: stage.String(), Share: "most", Affirmed: affirmed})
		})
		check(b, err)
		_, err = g.Now.Now(b.Context(), plot.NoDay)
		check(b, err)
		took = append(took, time.Since(began))
	}
	percentiles(b, took)
}

// BenchmarkYearsNote is any other change on such a plot, and what follows from it worked out.
func BenchmarkYearsNote(b *testing.B) {
	shipped, s, today := tenYears(b, many)
	g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: today})
	check(b, err)
	_, err = g.State(b.Context())
	check(b, err)
	var took []time.Duration
	for b.Loop() {
		began := time.Now()
		_, err := g.Plants.AddPlantNote(b.Context(), "hop", plants.PlantNoteInput{Kind: "note", Text: "It climbs the fence."})
		check(b, err)
		_, err = g.State(b.Context())
		check(b, err)
		took = append(took, time.Since(began))
	}
	percentiles(b, took)
}

// BenchmarkSeason is what a grower waits for on a plot of ten years: what there is to do, the plan, a look with both of
// them after it, a day five years ahead when it is first asked for and again, and the year behind.
func BenchmarkSeason(b *testing.B) {
	for _, plantings := range []int{few, many} {
		shipped, s, today := tenYears(b, plantings)
		g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: today})
		check(b, err)
		state, err := g.State(b.Context())
		check(b, err)
		ahead := today.AddDays(5 * 365)
		i := 0
		asks := []struct {
			name string
			do   func() error
		}{
			{"now", func() error { _, err := g.Now.Now(b.Context(), plot.NoDay); return err }},
			{"plot", func() error { _, err := g.Place.Plot(b.Context(), plot.NoDay); return err }},
			{"week", func() error { _, err := g.Now.Week(b.Context(), plot.NoDay); return err }},
			{"look", func() error {
				i++
				p := state.Plantings[i%len(state.Plantings)]
				stage := flora.Resting
				if p.Now != nil {
					at, _ := p.Now.StageOn(*today)
					stage = p.Now.Stages[at]
				}
				_, err := sayYes(func(affirmed []string) (now.Observed, error) {
					return g.Now.NoteObservation(b.Context(), p.ID, now.ObservationInput{
						SpeciesID: p.SpeciesID, Day: today.String(), Stage: stage.String(), Share: "most", Affirmed: affirmed,
					})
				})
				return err
			}},
			{"ahead-first", func() error { g.Forget(); _, err := g.Place.Plot(b.Context(), ahead); return err }},
			{"ahead-again", func() error { _, err := g.Place.Plot(b.Context(), ahead); return err }},
			{"year-behind", func() error { _, err := g.Year.Year(b.Context(), plot.NoDay); return err }},
		}
		for _, ask := range asks {
			b.Run(fmt.Sprintf("%s-%d", ask.name, plantings), func(b *testing.B) {
				check(b, ask.do())
				var took []time.Duration
				for b.Loop() {
					began := time.Now()
					check(b, ask.do())
					took = append(took, time.Since(began))
				}
				percentiles(b, took)
			})
		}
	}
}
