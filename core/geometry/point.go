// Package geometry is the plane geometry of a plan: points, polygons, strips and
// the distances between them. Lengths are in metres; x runs to the right of the
// plan and y down it, so that a turn by a positive angle is clockwise.
package geometry

import "math"

// Point is a place on the plan, in metres from its upper left corner.
type Point struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// Plus returns the sum of two points taken as vectors.
func (p Point) Plus(q Point) Point { return Point{p.X + q.X, p.Y + q.Y} }

// Minus returns the vector from q to p.
func (p Point) Minus(q Point) Point { return Point{p.X - q.X, p.Y - q.Y} }

// Times returns the vector stretched by a factor.
func (p Point) Times(factor float64) Point { return Point{p.X * factor, p.Y * factor} }

// Dot returns the scalar product of two vectors, in m².
func (p Point) Dot(q Point) float64 { return p.X*q.X + p.Y*q.Y }

// Cross returns the z component of the vector product, in m².
func (p Point) Cross(q Point) float64 { return p.X*q.Y - p.Y*q.X }

// Distance returns the distance between two points in metres.
func (p Point) Distance(q Point) float64 { return math.Hypot(p.X-q.X, p.Y-q.Y) }

// Turned returns the vector turned clockwise on the plan by an angle in degrees.
func (p Point) Turned(degrees float64) Point {
	sin, cos := math.Sincos(degrees * math.Pi / 180)
	return Point{p.X*cos - p.Y*sin, p.X*sin + p.Y*cos}
}

// IsFinite tells whether both coordinates are numbers.
func (p Point) IsFinite() bool {
	return !math.IsNaN(p.X) && !math.IsNaN(p.Y) && !math.IsInf(p.X, 0) && !math.IsInf(p.Y, 0)
}

// ToSegment returns the distance in metres from a point to the segment from a to b.
func (p Point) ToSegment(a, b Point) float64 {
	along := b.Minus(a)
	length := along.Dot(along)
	if length == 0 {
		return p.Distance(a)
	}
	share := math.Max(0, math.Min(1, p.Minus(a).Dot(along)/length))
	return p.Distance(a.Plus(along.Times(share)))
}

// Length returns the length of a line of several segments in metres.
func Length(line []Point) float64 {
	sum := 0.0
	for i := 1; i < len(line); i++ {
		sum += line[i-1].Distance(line[i])
	}
	return sum
}
