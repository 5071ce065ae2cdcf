package plot

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/spelling"
	"bramblyacre/library"
)

// BenchmarkFindAPlant looks for a misspelt name among so many species: those of the
// library, and beyond them made-up ones whose names are put together from the syllables
// of the library's.
func BenchmarkFindAPlant(b *testing.B) {
	shipped, err := library.Shipped()
	if err != nil {
		b.Fatal(err)
	}
	var halves []string
	for _, s := range shipped.AllSpecies() {
		for _, name := range AllNames(s) {
			letters := []rune(name)
			halves = append(halves, string(letters[:len(letters)/2]), string(letters[len(letters)/2:]))
		}
	}
	for _, n := range []int{100, 10_000} {
		b.Run(fmt.Sprint(n, " species"), func(b *testing.B) {
			rng := rand.New(rand.NewPCG(1, 2))
			var all []*flora.Species
			for i := range n {
				s := *shipped.AllSpecies()[i%len(shipped.AllSpecies())]
				if i >= len(shipped.AllSpecies()) {
					made := func() string { return halves[rng.IntN(len(halves))] + halves[rng.IntN(len(halves))] }
					s.ID = fmt.Sprintf("%s-%d", s.ID, i)
					s.Names = flora.Names{Name: made(), Botanical: made(), Common: []flora.CommonName{{Name: made()}, {Name: made()}, {Name: made()}, {Name: made()}}}
				}
				all = append(all, &s)
			}
			index, err := newPlantNames(b.Context(), all)
			if err != nil {
				b.Fatal(err)
			}
			b.Cleanup(func() { _ = index.Close() }) // it lies in memory
			for _, words := range []string{"valarian", "medowsweat", "Süsdolde"} {
				written := spelling.Plain(words)
				b.Run(words, func(b *testing.B) {
					for b.Loop() {
						near, err := index.Near(b.Context(), written, mostNear)
						if err != nil {
							b.Fatal(err)
						}
						if len(likest(written, near)) == 0 {
							b.Fatal("nothing is found")
						}
					}
				})
			}
		})
	}
}
