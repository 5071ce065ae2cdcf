package garden

import "testing"

// BenchmarkPlantsView lists the whole library with the usual stage of each on a day.
func BenchmarkPlantsView(b *testing.B) {
	today := day
	g, _ := emptyGarden(b, &today)
	for b.Loop() {
		_, err := g.Plants(b.Context(), NoDay, PlantsFilter{})
		check(b, err)
	}
}
