package garden

import (
	"fmt"
	"testing"

	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"

	"bramblyacre/garden/place"
)

// BenchmarkWater is what it takes to show the water of ten beds with thirty plantings after one of them was watered: that bed's is
// reckoned anew, through a read season and through one that nobody read.
func BenchmarkWater(b *testing.B) {
	for _, read := range []string{plot.SimulatedStation, ""} {
		b.Run(map[bool]string{true: "station", false: "unread"}[read != ""], func(b *testing.B) {
			today := day
			g, _ := emptyGarden(b, &today)
			g.Plot.Seasons = plot.EnsembleSize
			ctx := b.Context()
			_, err := g.Place.SetSite(ctx, say.AsItStands, place.SiteInput{Name: "Acre", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "120 m", Depth: "90 m", Units: "metric", Station: read})
			check(b, err)
			var beds []int64
			for i := range 10 {
				in := goodBed()
				in.Name, in.Y = fmt.Sprint("Bed ", i), fmt.Sprintf("%d m", 5+4*i)
				bed, err := g.Place.AddBed(ctx, in)
				check(b, err)
				beds = append(beds, bed.Made)
				for _, species := range []string{"valerian", "common-sage", "lovage"} {
					_, err := g.Place.AddPlanting(ctx, input.PlantingInput{BedID: bed.Made, SpeciesID: species, Plants: 6, StartedOn: "2028-04-10", Origin: "bought"})
					check(b, err)
				}
			}
			_, err = g.Weather.Water(ctx)
			check(b, err)
			n := 0
			for b.Loop() {
				_, err := g.Weather.NoteWatering(ctx, beds[n%len(beds)], weather.WateringInput{Day: "2031-05-26", Amount: "5 l"})
				check(b, err)
				_, err = g.Weather.Water(ctx)
				check(b, err)
				n++
			}
		})
	}
}
