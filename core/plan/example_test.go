package plan_test

import (
	"fmt"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
)

// The second bed lies a path of 60 cm beside the first.
func ExampleFreeSpot() {
	boundary := geometry.Polygon{{X: 0, Y: 0}, {X: 10, Y: 0}, {X: 10, Y: 4}, {X: 0, Y: 4}}
	bed := plan.Form{Shape: plan.Rectangle, Width: 4, Depth: 1}
	first, _ := plan.FreeSpot(bed, boundary, nil, 0.6)
	bed.At = first
	second, found := plan.FreeSpot(bed, boundary, []geometry.Region{bed.Region()}, 0.6)
	fmt.Println(first, second, found)
	// Output: {2.25 0.75} {7 0.75} true
}
