package geometry

import "math"

// Region is a piece of ground: one or several areas, less a hole where it has
// one, as a bed round a tree has.
type Region struct {
	Areas []Polygon
	Hole  Polygon
}

// Area returns the ground covered in m². Overlaps of several areas, as in the
// bends of a strip, are counted once for each.
func (r Region) Area() float64 {
	sum := 0.0
	for _, area := range r.Areas {
		sum += area.Area()
	}
	return sum - r.Hole.Area()
}

// Contains tells whether a point lies on the region.
func (r Region) Contains(at Point) bool {
	if len(r.Hole) > 0 && r.Hole.Contains(at) {
		return false
	}
	for _, area := range r.Areas {
		if area.Contains(at) {
			return true
		}
	}
	return false
}

// DistanceTo returns the distance in metres from a point to the region, 0 on it.
func (r Region) DistanceTo(at Point) float64 {
	if len(r.Hole) > 0 && r.Hole.Contains(at) {
		return r.Hole.ToEdge(at)
	}
	least := math.Inf(1)
	for _, area := range r.Areas {
		least = math.Min(least, area.DistanceTo(at))
	}
	return least
}

// Apart returns the distance in metres between two regions, 0 where they touch.
// A region that lies wholly in the other's hole is apart from it.
func (r Region) Apart(q Region) float64 {
	least := math.Inf(1)
	for _, a := range r.Areas {
		for _, b := range q.Areas {
			least = math.Min(least, a.Apart(b))
		}
	}
	if least > 0 {
		return least
	}
	if inHole(q, r.Hole) || inHole(r, q.Hole) {
		hole, inner := r.Hole, q
		if !inHole(q, r.Hole) {
			hole, inner = q.Hole, r
		}
		least = math.Inf(1)
		for _, area := range inner.Areas {
			for _, corner := range area {
				least = math.Min(least, hole.ToEdge(corner))
			}
		}
	}
	return least
}

// inHole tells whether every corner of a region lies in a hole.
func inHole(r Region, hole Polygon) bool {
	if len(hole) == 0 {
		return false
	}
	for _, area := range r.Areas {
		for _, corner := range area {
			if !hole.Contains(corner) {
				return false
			}
		}
	}
	return true
}

// Bounds returns the corners of the smallest upright rectangle around it.
func (r Region) Bounds() (low, high Point) {
	var all Polygon
	for _, area := range r.Areas {
		all = append(all, area...)
	}
	return all.Bounds()
}

// Corners returns every outer corner.
func (r Region) Corners() []Point {
	var all []Point
	for _, area := range r.Areas {
		all = append(all, area...)
	}
	return all
}

// ShareWithin returns the share of the region's area, 0–1, that lies within another: counted
// on a grid of some hundreds of points, so it errs by a few hundredths.
func (r Region) ShareWithin(other Region) float64 {
	const across = 40
	low, high := r.Bounds()
	all, within := 0, 0
	for i := range across {
		for j := range across {
			at := Point{low.X + (high.X-low.X)*(float64(i)+0.5)/across, low.Y + (high.Y-low.Y)*(float64(j)+0.5)/across}
			if !r.Contains(at) {
				continue
			}
			all++
			if other.Contains(at) {
				within++
			}
		}
	}
	if all == 0 {
		return 0
	}
	return float64(within) / float64(all)
}
