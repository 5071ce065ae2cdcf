package plan

import (
	"math"
	"testing"

	"bramblyacre/core/geometry"
)

// around are hedges of a height about a bed, one on each of some sides, told by degrees
// clockwise from the plan's top, so far away that its middle is just within reach or not.
func around(height, away float64, sides ...float64) (items []Item) {
	for _, side := range sides {
		middle := geometry.Point{Y: -away}.Turned(side)
		across := geometry.Point{X: 3}.Turned(side)
		items = append(items, Item{
			Kind: KindRow{Kind: Hedge, Shade: Solid}, Traits: Traits{HeightM: height},
			Form: Form{Shape: Line, At: middle, Width: 0.5, Points: []geometry.Point{across.Times(-1), across}},
		})
	}
	return items
}

func TestShelterCountsTheSidesWithinTheLee(t *testing.T) {
	bed := Form{Shape: Rectangle, Width: 4, Depth: 1.2}
	for _, test := range []struct {
		name  string
		items []Item
		want  int
	}{
		{"nothing", nil, 0},
		{"one side", around(2, 10, 0), 0},
		{"two sides", around(2, 10, 0, 90), 1},
		{"four sides", around(2, 10, 0, 90, 180, 270), 2},
		{"four sides, just within eight heights", around(2, 15.9, 0, 90, 180, 270), 2},
		{"four sides, beyond eight heights", around(2, 16.1, 0, 90, 180, 270), 0},
		{"four sides of nothing tall", around(0, 10, 0, 90, 180, 270), 0},
	} {
		if got := Shelter(bed, test.items); got != test.want {
			t.Errorf("%s: %d, want %d", test.name, got, test.want)
		}
	}
}

// A wall warms a bed that lies before its sunny side: in the north one on the north side of
// the bed, in the south one on the south side, wherever the plan's top points.
func TestAWallWarmsFromThePoleSide(t *testing.T) {
	bed := Form{Shape: Rectangle, Width: 4, Depth: 1.2}
	wall := func(side, away float64) []Item {
		items := around(2, away, side)
		items[0].Kind = KindRow{Kind: Wall, Shade: Solid}
		return items
	}
	for _, bearing := range []float64{0, 90, 180, 270} {
		for _, side := range []float64{0, 90, 180, 270} {
			compass := math.Mod(side+bearing, 360) // where that side lies
			for south, poleward := range map[bool]float64{false: 0, true: 180} {
				if got := WarmWall(bed, wall(side, 1.5), bearing, south); got != (compass == poleward) {
					t.Errorf("plan turned %v°, wall at %v°, south %v: warm %v", bearing, side, south, got)
				}
			}
		}
	}
	if WarmWall(bed, wall(0, 9), 0, false) {
		t.Error("a wall nine metres away warms the bed")
	}
	if WarmWall(bed, around(2, 1.5, 0), 0, false) {
		t.Error("a hedge warms as a wall does")
	}
}
