// Package plan is what stands on a plan and what each thing means: the forms of
// beds and of walls, trees, water, slopes and unsafe ground, with the traits that
// the other rules reckon with.
package plan

import (
	"errors"
	"fmt"

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

// local is the region about the form's own middle, before it is turned.
func (f Form) local() geometry.Region {
	switch f.Shape {
	case Rectangle:
		return geometry.Region{Areas: []geometry.Polygon{geometry.Rectangle(f.Width, f.Depth)}}
	case Round:
		return geometry.Region{Areas: []geometry.Polygon{geometry.Circle(f.Width/2, circleCorners)}}
	case Ring:
		return geometry.Region{Areas: []geometry.Polygon{geometry.Circle(f.Width/2, circleCorners)}, Hole: geometry.Circle(f.Inner/2, circleCorners)}
	case Line:
		return geometry.Region{Areas: geometry.Strip(f.Points, f.Width)}
	}
	return geometry.Region{Areas: []geometry.Polygon{f.Points}}
}

// Local returns the ground it covers about its own middle, before the turn.
func (f Form) Local() geometry.Region { return f.local() }

// Region returns the ground it covers on the plan.
func (f Form) Region() geometry.Region {
	r := f.local()
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
func (f Form) Area() float64 { return f.local().Area() }

// Moved returns the form shifted and then turned clockwise about a pivot by
// degrees.
func (f Form) Moved(by geometry.Point, degrees float64, pivot geometry.Point) Form {
	f.At = f.At.Plus(by).Minus(pivot).Turned(degrees).Plus(pivot)
	f.Turn += degrees
	return f
}

// Recentred returns a polygon or line with its middle moved to the middle of its
// bounds, its place on the plan unchanged: what a grower would take hold of.
func (f Form) Recentred() Form {
	if f.Shape != Polygon && f.Shape != Line {
		return f
	}
	low, high := geometry.Polygon(f.Points).Bounds()
	middle := low.Plus(high).Times(0.5)
	f.At = f.OnPlan(middle)
	f.Points = geometry.Polygon(f.Points).Moved(middle.Times(-1))
	if f.Shape == Polygon {
		f.Width, f.Depth = high.X-low.X, high.Y-low.Y
	}
	return f
}
