package garden

import (
	"fmt"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// BenchmarkForecastOf100Plantings works out the whole plot anew, as after a
// change: 100 plantings of the eight species over 200 seasons, this year and
// next, the weather made already.
func BenchmarkForecastOf100Plantings(b *testing.B) { benchmarkPlot(b, true, plot.SimulatedStation) }

// BenchmarkFirstForecastOf100Plantings is the same with the seasons' weather
// and its warmth made anew, as after midnight.
func BenchmarkFirstForecastOf100Plantings(b *testing.B) {
	benchmarkPlot(b, false, plot.SimulatedStation)
}

// BenchmarkFirstForecastWithoutAStation is that of a plot whose past seasons nobody read: each
// has as many courses as there may have been.
func BenchmarkFirstForecastWithoutAStation(b *testing.B) { benchmarkPlot(b, false, "") }

func benchmarkPlot(b *testing.B, keepWeather bool, station string) {
	shipped, err := library.Shipped()
	check(b, err)
	s, err := store.Open(b.Context(), b.TempDir())
	check(b, err)
	b.Cleanup(func() { check(b, s.Close()) })
	today := calendar.Must(2031, time.May, 27)
	few, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: &today, Seasons: 1})
	check(b, err)
	site := place.SiteInput{Name: "Acre", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "71 m", Depth: "57 m", Units: "metric", Station: station}
	_, err = few.Place.SetSite(b.Context(), say.AsItStands, site)
	check(b, err)
	_, err = few.Place.AddBed(b.Context(), goodBed())
	check(b, err)
	view, err := few.Place.Plot(b.Context(), plot.NoDay)
	check(b, err)
	for i := range 100 {
		species := shipped.AllSpecies()[i%len(shipped.AllSpecies())]
		_, err := sayYes(func(affirmed []string) (journal.Entry, error) {
			return few.Place.AddPlanting(b.Context(), input.PlantingInput{
				BedID: view.Beds[0].ID, SpeciesID: species.ID, Plants: 5, StartedOn: fmt.Sprintf("2030-04-%02d", 1+i%28), Origin: "seed", Labelled: true, Source: "Label of a nursery.", Affirmed: affirmed,
			})
		})
		check(b, err)
	}
	g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: &today})
	check(b, err)
	_, err = g.Plot.State(b.Context())
	check(b, err)
	for b.Loop() {
		if keepWeather {
			_, err := g.Plants.AddPlantNote(b.Context(), "hop", plants.PlantNoteInput{Kind: "note", Text: "It climbs the fence."})
			check(b, err)
		} else {
			g.Forget()
		}
		if _, err := g.Plot.State(b.Context()); err != nil {
			b.Fatal(err)
		}
	}
}
