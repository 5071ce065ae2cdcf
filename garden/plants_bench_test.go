package garden

import (
	"testing"

	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
)

// BenchmarkPlantsView lists the whole library with the usual stage of each on a day.
func BenchmarkPlantsView(b *testing.B) {
	today := day
	g, _ := emptyGarden(b, &today)
	for b.Loop() {
		_, err := g.Plants.Plants(b.Context(), plot.NoDay, plants.PlantsFilter{})
		check(b, err)
	}
}
