package garden

import (
	"fmt"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/library"
)

// BenchmarkFindAPlant looks for a misspelt name among so many species, each with
// the names of one of the library's, numbered.
func BenchmarkFindAPlant(b *testing.B) {
	shipped, err := library.Shipped()
	check(b, err)
	for _, n := range []int{100, 10_000} {
		b.Run(fmt.Sprint(n, " species"), func(b *testing.B) {
			var all []*flora.Species
			for i := range n {
				s := *shipped.AllSpecies()[i%len(shipped.AllSpecies())]
				s.ID = fmt.Sprintf("%s-%d", s.ID, i)
				if i >= len(shipped.AllSpecies()) {
					s.Names.Name = fmt.Sprintf("%s of %s", s.Names.Name, number(float64(i)))
				}
				all = append(all, &s)
			}
			index, err := newPlantNames(b.Context(), all)
			check(b, err)
			b.Cleanup(func() { check(b, index.Close()) })
			written := plain("valarian")
			for b.Loop() {
				near, err := index.Near(b.Context(), written, mostNear)
				check(b, err)
				if len(likest(written, near)) == 0 {
					b.Fatal("nothing is found")
				}
			}
		})
	}
}
