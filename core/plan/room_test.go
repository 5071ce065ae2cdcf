package plan

import (
	"math/rand/v2"
	"testing"

	"bramblyacre/core/geometry"
)

// Beds laid one after another into a plot never touch, never leave it, and end only where none fits:
// what is found is held against sampled points, not against the search's own measure.
func TestBedsFindRoomAndLeavePaths(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 2))
	boundary := geometry.Polygon{{X: 0, Y: 0}, {X: 20, Y: 0}, {X: 20, Y: 12}, {X: 8, Y: 12}, {X: 0, Y: 6}}
	const gap = 0.6
	var taken []geometry.Region
	for range 40 {
		f := Form{Shape: Rectangle, Width: 1 + 4*rng.Float64(), Depth: 0.8 + rng.Float64(), Turn: float64(rng.IntN(4)) * 15}
		at, found := FreeSpot(f, boundary, taken, gap)
		if !found {
			continue
		}
		f.At = at
		for range 400 {
			local := geometry.Point{X: (rng.Float64() - 0.5) * f.Width, Y: (rng.Float64() - 0.5) * f.Depth}
			p := f.OnPlan(local)
			if !boundary.Contains(p) && boundary.ToEdge(p) > 1e-9 {
				t.Fatalf("%v of the bed at %v lies outside", p, at)
			}
			for _, other := range taken {
				if other.DistanceTo(p) < gap-1e-9 {
					t.Fatalf("%v of the bed at %v is %.2f m from another", p, at, other.DistanceTo(p))
				}
			}
		}
		taken = append(taken, f.Region())
	}
	if len(taken) < 8 {
		t.Errorf("only %d beds found room on 216 m²", len(taken))
	}
	if _, found := FreeSpot(Form{Shape: Rectangle, Width: 25, Depth: 1}, boundary, nil, gap); found {
		t.Error("a bed longer than the plot found room")
	}
}
