package geometry

import (
	"errors"
	"fmt"
	"math"
)

// Polygon is a closed outline by its corners; the last is joined to the first.
type Polygon []Point

// SmallestArea is the least area, in m², that an outline may enclose.
const SmallestArea = 0.001

// Check returns an error that says why an outline cannot be one: fewer than
// three corners, a corner that is no place, two corners in one place, sides that
// cross, or next to no area.
func (p Polygon) Check() error {
	if len(p) < 3 {
		return fmt.Errorf("an outline needs three corners or more; this has %d", len(p))
	}
	for i, corner := range p {
		if !corner.IsFinite() {
			return fmt.Errorf("corner %d is not a place", i+1)
		}
		if next := p[(i+1)%len(p)]; corner.Distance(next) < 1e-6 {
			return fmt.Errorf("corners %d and %d are the same place", i+1, (i+1)%len(p)+1)
		}
	}
	for i := range p {
		for j := i + 1; j < len(p); j++ {
			neighbours := j == i+1 || i == 0 && j == len(p)-1
			if !neighbours && segmentsMeet(p[i], p[(i+1)%len(p)], p[j], p[(j+1)%len(p)]) {
				return fmt.Errorf("the outline crosses itself: the side from corner %d meets the side from corner %d", i+1, j+1)
			}
			if neighbours && foldsBack(p, i, j) {
				return fmt.Errorf("the outline folds back on itself at corner %d", max(i, j)%len(p)+1)
			}
		}
	}
	if p.Area() < SmallestArea {
		return errors.New("the outline encloses no area")
	}
	return nil
}

// foldsBack tells whether two neighbouring sides lie on one another.
func foldsBack(p Polygon, i, j int) bool {
	if i == 0 && j == len(p)-1 && len(p) > 2 {
		i, j = j, i
	}
	a, b := p[i], p[(i+1)%len(p)]
	c := p[(j+1)%len(p)]
	back, on := a.Minus(b), c.Minus(b)
	return math.Abs(back.Cross(on)) < 1e-12 && back.Dot(on) > 0
}

func segmentsMeet(a, b, c, d Point) bool {
	side := func(p, q, r Point) float64 { return q.Minus(p).Cross(r.Minus(p)) }
	within := func(p, q, r Point) bool {
		return math.Min(p.X, q.X) <= r.X && r.X <= math.Max(p.X, q.X) && math.Min(p.Y, q.Y) <= r.Y &&
			r.Y <= math.Max(p.Y, q.Y)
	}
	s1, s2, s3, s4 := side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)
	if s1*s2 < 0 && s3*s4 < 0 {
		return true
	}
	return s1 == 0 && within(a, b, c) || s2 == 0 && within(a, b, d) || s3 == 0 && within(c, d, a) ||
		s4 == 0 && within(c, d, b)
}

func (p Polygon) signedArea() float64 {
	sum := 0.0
	for i, corner := range p {
		sum += corner.Cross(p[(i+1)%len(p)])
	}
	return sum / 2
}

// Area returns the enclosed area in m² (the shoelace formula).
func (p Polygon) Area() float64 { return math.Abs(p.signedArea()) }

// Middle returns the centre of the area; for an outline of no area, the mean of
// its corners.
func (p Polygon) Middle() Point {
	area := p.signedArea()
	var sum Point
	if math.Abs(area) < 1e-12 {
		for _, corner := range p {
			sum = sum.Plus(corner)
		}
		return sum.Times(1 / math.Max(1, float64(len(p))))
	}
	for i, corner := range p {
		next := p[(i+1)%len(p)]
		sum = sum.Plus(corner.Plus(next).Times(corner.Cross(next)))
	}
	return sum.Times(1 / (6 * area))
}

// Bounds returns the corners of the smallest upright rectangle around it.
func (p Polygon) Bounds() (low, high Point) {
	low, high = Point{math.Inf(1), math.Inf(1)}, Point{math.Inf(-1), math.Inf(-1)}
	for _, corner := range p {
		low = Point{math.Min(low.X, corner.X), math.Min(low.Y, corner.Y)}
		high = Point{math.Max(high.X, corner.X), math.Max(high.Y, corner.Y)}
	}
	return low, high
}

// Contains tells whether a point lies inside (the crossing-number rule).
func (p Polygon) Contains(at Point) bool {
	inside := false
	for i, a := range p {
		b := p[(i+1)%len(p)]
		if (a.Y > at.Y) != (b.Y > at.Y) && at.X < a.X+(at.Y-a.Y)/(b.Y-a.Y)*(b.X-a.X) {
			inside = !inside
		}
	}
	return inside
}

// ToEdge returns the distance in metres from a point to the nearest side.
func (p Polygon) ToEdge(at Point) float64 {
	least := math.Inf(1)
	for i, a := range p {
		least = math.Min(least, at.ToSegment(a, p[(i+1)%len(p)]))
	}
	return least
}

// DistanceTo returns the distance in metres from a point to the area: 0 inside.
func (p Polygon) DistanceTo(at Point) float64 {
	if p.Contains(at) {
		return 0
	}
	return p.ToEdge(at)
}

// Apart returns the distance in metres between two areas, 0 where they touch.
func (p Polygon) Apart(q Polygon) float64 {
	if len(p) == 0 || len(q) == 0 {
		return math.Inf(1)
	}
	for i, a := range p {
		for j, c := range q {
			if segmentsMeet(a, p[(i+1)%len(p)], c, q[(j+1)%len(q)]) {
				return 0
			}
		}
	}
	if p.Contains(q[0]) || q.Contains(p[0]) {
		return 0
	}
	least := math.Inf(1)
	for _, corner := range p {
		least = math.Min(least, q.ToEdge(corner))
	}
	for _, corner := range q {
		least = math.Min(least, p.ToEdge(corner))
	}
	return least
}

// Moved returns the polygon shifted.
func (p Polygon) Moved(by Point) Polygon {
	moved := make(Polygon, len(p))
	for i, corner := range p {
		moved[i] = corner.Plus(by)
	}
	return moved
}

// Turned returns the polygon turned clockwise about the origin by degrees.
func (p Polygon) Turned(degrees float64) Polygon {
	turned := make(Polygon, len(p))
	for i, corner := range p {
		turned[i] = corner.Turned(degrees)
	}
	return turned
}

// Slab returns the part between two parallel lines: where from ≤ direction·point
// ≤ until, with direction a unit vector and the bounds in metres. It is empty
// where nothing lies between them (Sutherland and Hodgman's clipping, 1974).
func (p Polygon) Slab(direction Point, from, until float64) Polygon {
	return p.clipped(direction, from).clipped(direction.Times(-1), -until)
}

// clipped keeps the side where direction·point ≥ least.
func (p Polygon) clipped(direction Point, least float64) Polygon {
	var kept Polygon
	for i, a := range p {
		b := p[(i+1)%len(p)]
		da, db := direction.Dot(a)-least, direction.Dot(b)-least
		if da >= 0 {
			kept = append(kept, a)
		}
		if da >= 0 != (db >= 0) {
			kept = append(kept, a.Plus(b.Minus(a).Times(da/(da-db))))
		}
	}
	return kept
}

// Rectangle returns the corners of a rectangle about the origin, width by depth
// in metres, from the upper left clockwise.
func Rectangle(width, depth float64) Polygon {
	x, y := width/2, depth/2
	return Polygon{{-x, -y}, {x, -y}, {x, y}, {-x, y}}
}

// Circle returns a regular polygon about the origin, whose area equals that of
// a circle of a radius in metres.
func Circle(radius float64, corners int) Polygon {
	turn := 2 * math.Pi / float64(corners)
	reach := radius * math.Sqrt(turn/math.Sin(turn))
	p := make(Polygon, corners)
	for i := range p {
		sin, cos := math.Sincos(turn * (float64(i) + 0.5))
		p[i] = Point{reach * cos, reach * sin}
	}
	return p
}

// Strip returns the pieces of a band along a line, width in metres: a rectangle
// for each segment, lengthened so that they meet in the bends.
func Strip(line []Point, width float64) []Polygon {
	var pieces []Polygon
	for i := 1; i < len(line); i++ {
		a, b := line[i-1], line[i]
		length := a.Distance(b)
		if length == 0 {
			continue
		}
		along := b.Minus(a).Times(1 / length)
		across := Point{-along.Y, along.X}.Times(width / 2)
		from, to := a, b
		if i > 1 {
			from = a.Minus(along.Times(width / 2))
		}
		if i < len(line)-1 {
			to = b.Plus(along.Times(width / 2))
		}
		pieces = append(pieces, Polygon{from.Minus(across), to.Minus(across), to.Plus(across), from.Plus(across)})
	}
	return pieces
}
