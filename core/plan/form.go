// Package plan is what stands on a plan and what each thing means: the forms of
// beds and of walls, trees, water, slopes and unsafe ground, with the traits that
// the other rules reckon with.
package plan

import (
	"errors"
	"fmt"
	"math"

	"bramblyacre/core/geometry"
)

// Shape is how a thing's ground is described.
type Shape string

// The shapes.
const (
	Rectangle Shape = "rectangle"
	Polygon   Shape = "polygon"
	// Ring is a round bed about something, such as a tree.
	Ring Shape = "ring"
	// Round is a circle: a pot, a pond, a tree's crown.
	Round Shape = "round"
	// Line is a band along a line: a wall, a path.
	Line Shape = "line"
)

// Form is where something lies and its shape. Lengths are in metres.
type Form struct {
	Shape Shape
	// At is the middle.
	At geometry.Point
	// Width and Depth are the sides of a rectangle. Width is also the
	// diameter of a ring and of a round thing, and the breadth of a line.
	Width, Depth float64
	// Inner is the diameter of a ring's hole.
	Inner float64
	// Turn is how far it is turned clockwise, in degrees.
	Turn float64
	// Points are the corners of a polygon or the bends of a line, from At, before
	// the turn.
	Points []geometry.Point
}

// The bounds of what can be drawn, in metres.
const (
	MostCorners = 200
	SmallestM   = 0.02
	LargestM    = 2000.0
	// circleCorners is how many corners a circle is reckoned with.
	circleCorners = 36
)

// ErrNoShape is returned for a shape that is not known.
var ErrNoShape = errors.New("choose a shape: rectangle, polygon, ring, round or line")

// Check returns an error that says why the form cannot be.
func (f Form) Check() error {
	if !f.At.IsFinite() {
		return errors.New("say where it lies")
	}
	between := func(what string, value float64) error {
		if !(value >= SmallestM && value <= LargestM) {
			return fmt.Errorf("%s must lie between %g and %g m", what, SmallestM, LargestM)
		}
		return nil
	}
	switch f.Shape {
	case Rectangle:
		return errors.Join(between("the length", f.Width), between("the breadth", f.Depth))
	case Round:
		return between("the width across", f.Width)
	case Ring:
		if !(f.Inner >= SmallestM && f.Inner < f.Width) {
			return errors.New("the hole of a ring must be smaller than the ring, and not nothing")
		}
		return between("the width across", f.Width)
	case Polygon:
		if len(f.Points) > MostCorners {
			return fmt.Errorf("an outline has at most %d corners", MostCorners)
		}
		return geometry.Polygon(f.Points).Check()
	case Line:
		if len(f.Points) < 2 || len(f.Points) > MostCorners {
			return fmt.Errorf("a line needs from 2 to %d points", MostCorners)
		}
		for i, p := range f.Points {
			if !p.IsFinite() {
				return fmt.Errorf("point %d of the line is not a place", i+1)
			}
		}
		if geometry.Length(f.Points) < SmallestM {
			return errors.New("the line has no length")
		}
		return between("the breadth", f.Width)
	}
	return ErrNoShape
}

// Local returns the ground it covers about its own middle, before the turn.
func (f Form) Local() geometry.Region {
	switch f.Shape {
	case Rectangle:
		return geometry.Region{Areas: []geometry.Polygon{geometry.Rectangle(f.Width, f.Depth)}}
	case Round:
		return geometry.Region{Areas: []geometry.Polygon{geometry.Circle(f.Width/2, circleCorners)}}
	case Ring:
		return geometry.Region{
			Areas: []geometry.Polygon{geometry.Circle(f.Width/2, circleCorners)},
			Hole:  geometry.Circle(f.Inner/2, circleCorners),
		}
	case Line:
		return geometry.Region{Areas: geometry.Strip(f.Points, f.Width)}
	}
	return geometry.Region{Areas: []geometry.Polygon{f.Points}}
}

// Region returns the ground it covers on the plan.
func (f Form) Region() geometry.Region {
	r := f.Local()
	for i, area := range r.Areas {
		r.Areas[i] = area.Turned(f.Turn).Moved(f.At)
	}
	r.Hole = r.Hole.Turned(f.Turn).Moved(f.At)
	return r
}

// Path returns the points of a line, or the closed outline of another shape, on
// the plan.
func (f Form) Path() []geometry.Point {
	if f.Shape == Line {
		return geometry.Polygon(f.Points).Turned(f.Turn).Moved(f.At)
	}
	outline := f.Region().Areas[0]
	return append(outline, outline[0])
}

// OnPlan returns a point given from the form's middle before the turn as a place
// on the plan.
func (f Form) OnPlan(local geometry.Point) geometry.Point { return local.Turned(f.Turn).Plus(f.At) }

// Area returns the ground it covers in m².
func (f Form) Area() float64 { return f.Local().Area() }

// Moved returns the form shifted and then turned clockwise about a pivot by
// degrees.
func (f Form) Moved(by geometry.Point, degrees float64, pivot geometry.Point) Form {
	f.At = f.At.Plus(by).Minus(pivot).Turned(degrees).Plus(pivot)
	f.Turn += degrees
	return f
}

// tenthMM brings a length in metres, or an angle in degrees, to four decimals: a
// plan is never finer, and what is written to a file is read back as it was.
func tenthMM(value float64) float64 { return math.Round(value*1e4) / 1e4 }

// Recentred returns the form on the plan's finest grid, a tenth of a millimetre. A
// polygon or line has its turn worked into its points, and its middle at the middle
// of its bounds: where a grower would take hold of it.
func (f Form) Recentred() Form {
	f.At = geometry.Point{X: tenthMM(f.At.X), Y: tenthMM(f.At.Y)}
	f.Width, f.Depth, f.Inner, f.Turn = tenthMM(f.Width), tenthMM(f.Depth), tenthMM(f.Inner), tenthMM(f.Turn)
	if f.Shape != Polygon && f.Shape != Line {
		return f
	}
	corners := make(geometry.Polygon, len(f.Points))
	for i, p := range f.Points {
		at := f.OnPlan(p)
		corners[i] = geometry.Point{X: tenthMM(at.X), Y: tenthMM(at.Y)}
	}
	low, high := corners.Bounds()
	f.At, f.Turn = geometry.Point{X: middleOf(low.X, high.X), Y: middleOf(low.Y, high.Y)}, 0
	f.Points = corners.Moved(f.At.Times(-1))
	for i, p := range f.Points {
		f.Points[i] = geometry.Point{X: tenthMM(p.X), Y: tenthMM(p.Y)}
	}
	if f.Shape == Polygon {
		f.Width, f.Depth = tenthMM(high.X-low.X), tenthMM(high.Y-low.Y)
	}
	return f
}

// middleOf is the middle to a millimetre, rounded where no middle of two places on
// the grid can fall: the same places always have the same middle.
func middleOf(low, high float64) float64 { return math.Floor((low+high)/2*1e3+0.52) / 1e3 }
