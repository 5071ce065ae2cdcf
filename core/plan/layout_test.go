package plan

import (
	"math"
	"testing"

	"bramblyacre/core/geometry"
)

func TestLayoutKeepsPlantsInsideTheirBedAndApart(t *testing.T) {
	stands := []Stand{{WantM2: 7, Plants: 7}, {WantM2: 4.5, Plants: 7}, {WantM2: 1.4, Plants: 7}, {WantM2: 0.1, Plants: 12}}
	l := []geometry.Point{{X: -3, Y: -3}, {X: 3, Y: -3}, {X: 3, Y: -1}, {X: -1, Y: -1}, {X: -1, Y: 3}, {X: -3, Y: 3}}
	for _, form := range []Form{
		{Shape: Rectangle, Width: 8, Depth: 1.2}, {Shape: Rectangle, Width: 1, Depth: 9, Turn: 30}, {Shape: Rectangle, Width: 3, Depth: 3, At: geometry.Point{X: 4, Y: 7}},
		{Shape: Round, Width: 3}, {Shape: Ring, Width: 8, Inner: 3, At: geometry.Point{X: 20, Y: 9}}, {Shape: Polygon, Points: l, Turn: 200},
	} {
		region, covered := form.Region(), 0.0
		for i, area := range form.LayOut(stands) {
			covered += area.Outline.Area()
			if len(area.Plants) != stands[i].Plants {
				t.Errorf("%d of %d plants are drawn", len(area.Plants), stands[i].Plants)
			}
			had := map[geometry.Point]bool{}
			for _, spot := range area.Plants {
				if region.DistanceTo(spot) > 1e-6 || had[spot] {
					t.Errorf("a plant stands at %+v in a %s", spot, form.Shape)
				}
				had[spot] = true
			}
		}
		if math.Abs(covered-form.Area()) > 0.02*form.Area() { // a ring's pieces have fewer corners
			t.Errorf("the plantings share %v of %v m² of a %s", covered, form.Area(), form.Shape)
		}
	}
}
