package plan

import (
	"math"

	"bramblyacre/core/geometry"
)

// FreeSpot returns a middle for a form where it lies within a boundary, and the gap in metres or more from
// every region that is taken: the first there is from the upper left corner, row by row. It is false
// where there is no such place on a grid of a quarter of a metre, or of a two-hundredth of a large plot's side.
func FreeSpot(f Form, boundary geometry.Polygon, taken []geometry.Region, gap float64) (geometry.Point, bool) {
	low, high := boundary.Bounds()
	step := max(0.25, math.Max(high.X-low.X, high.Y-low.Y)/200)
	f.At = geometry.Point{}
	from, to := f.Region().Bounds()
	type box struct{ low, high geometry.Point }
	boxes := make([]box, len(taken))
	for i, region := range taken {
		boxes[i].low, boxes[i].high = region.Bounds()
	}
	fits := func(at geometry.Point) bool {
		f.At = at
		region := f.Region()
		for _, corner := range region.Corners() {
			if boundary.DistanceTo(corner) > 0 {
				return false
			}
		}
		for i, other := range taken {
			b := boxes[i]
			far := at.X+from.X-gap > b.high.X || at.X+to.X+gap < b.low.X || at.Y+from.Y-gap > b.high.Y || at.Y+to.Y+gap < b.low.Y
			if !far && region.Apart(other) < gap {
				return false
			}
		}
		return true
	}
	margin := math.Min(gap, step)
	for y := low.Y - from.Y + margin; y+to.Y <= high.Y; y += step {
		for x := low.X - from.X + margin; x+to.X <= high.X; x += step {
			if at := (geometry.Point{X: x, Y: y}); fits(at) {
				return at, true
			}
		}
	}
	return geometry.Point{}, false
}
