package garden

import (
	"fmt"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/library"
	"bramblyacre/store"
)

// BenchmarkForecastOf100Plantings works out the whole plot anew, as after a
// change: 100 plantings of the eight species over 200 seasons, this year and
// next, the weather made already.
func BenchmarkForecastOf100Plantings(b *testing.B) { benchmarkPlot(b, true, simulatedStation) }

// BenchmarkFirstForecastOf100Plantings is the same with the seasons' weather
// and its warmth made anew, as after midnight.
func BenchmarkFirstForecastOf100Plantings(b *testing.B) { benchmarkPlot(b, false, simulatedStation) }

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
	few, err := Open(b.Context(), Options{Store: s, Library: shipped, PinnedTo: &today, Seasons: 1})
	check(b, err)
	site := SiteInput{Name: "Acre", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "71 m", Depth: "57 m", Units: "metric", Station: station}
	_, err = few.SetSite(b.Context(), AsItStands, site)
	check(b, err)
	_, err = few.AddBed(b.Context(), goodBed())
	check(b, err)
	view, err := few.Plot(b.Context(), NoDay)
	check(b, err)
	for i := range 100 {
		species := shipped.AllSpecies()[i%len(shipped.AllSpecies())]
		_, err := sayYes(func(affirmed []string) (Entry, error) {
			return few.AddPlanting(b.Context(), PlantingInput{
				BedID: view.Beds[0].ID, SpeciesID: species.ID, Plants: 5, StartedOn: fmt.Sprintf("2030-04-%02d", 1+i%28), Origin: "seed", Labelled: true, Source: "Label of a nursery.", Affirmed: affirmed,
			})
		})
		check(b, err)
	}
	g, err := Open(b.Context(), Options{Store: s, Library: shipped, PinnedTo: &today})
	check(b, err)
	_, err = g.state(b.Context())
	check(b, err)
	for b.Loop() {
		g.cached = nil
		if !keepWeather {
			g.skies = map[skyKey]*sky{}
		}
		if _, err := g.state(b.Context()); err != nil {
			b.Fatal(err)
		}
	}
}
