package garden

import (
	"testing"

	"bramblyacre/garden/bench"
	"bramblyacre/garden/plot"
)

// Every way to make more of one species, compared by its runs over two hundred seasons, with a day by which.
func BenchmarkWays(b *testing.B) {
	r := benchRaising(b, plot.EnsembleSize)
	ask := bench.AskInput{Species: "valerian", Plants: 12, By: "2032-06-01"}
	_, err := r.Bench.Ways(b.Context(), ask) // the weathers are joined once for a day
	check(b, err)
	for b.Loop() {
		if _, err := r.Bench.Ways(b.Context(), ask); err != nil {
			b.Fatal(err)
		}
	}
}

// A bench of sixty planned batches that want three times the room, packed and laid out.
func BenchmarkBenchOfSixty(b *testing.B) {
	r := benchRaising(b, fewSeasons)
	species := []string{"valerian", "anise-hyssop", "garden-thyme", "yarrow", "elecampane", "lemon-balm"}
	for i := range 60 {
		r.planned(b, bench.AskInput{Species: species[i%len(species)], Plants: 8 + i%9}, "seed", "Shelf", 0)
	}
	for b.Loop() {
		if _, err := r.Bench.Bench(b.Context()); err != nil {
			b.Fatal(err)
		}
	}
}
