package garden

import (
	"encoding/json"
	"fmt"
	"math"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/store"
)

// Corner is a corner of an outline or a bend of a line as typed, from the plot's
// upper left corner to the right and down.
type Corner struct {
	X string `json:"x"`
	Y string `json:"y"`
}

// FormInput is where something lies and its shape, as typed. x and y are its
// middle; a polygon and a line are given by their points instead.
type FormInput struct {
	Shape  string   `json:"shape,omitempty" doc:"rectangle where it is left out"`
	X      string   `json:"x,omitempty"`
	Y      string   `json:"y,omitempty"`
	Width  string   `json:"width,omitempty" doc:"Also the width across of a ring or a round thing, and the breadth of a line"`
	Depth  string   `json:"depth,omitempty"`
	Inner  string   `json:"inner,omitempty" doc:"The width across of a ring's hole"`
	Turn   float64  `json:"turn,omitempty" doc:"Degrees clockwise"`
	Points []Corner `json:"points,omitempty"`
}

// offPlotM is how far outside the boundary things other than beds may stand, in
// metres: a neighbour's trees shade too.
const offPlotM = 150

// readForm reads a typed form. Beds lie within the plot; other things may stand
// outside it, by away metres.
func (s *state) readForm(c *checklist, in FormInput, away float64) plan.Form {
	before := len(c.faults)
	unit := s.units.GroundUnit()
	f := plan.Form{Shape: plan.Shape(in.Shape), Turn: math.Mod(in.Turn, 360)}
	if in.Shape == "" {
		f.Shape = plan.Rectangle
	}
	if math.IsNaN(f.Turn) || math.IsInf(in.Turn, 0) {
		c.add("turn", "Write the turn in degrees.")
	}
	place := func(field, text string, most float64) float64 { return c.length(field, text, unit, -away, most+away) }
	width := func(field, text string) float64 { return c.length(field, text, unit, plan.SmallestM, 500) }
	switch f.Shape {
	case plan.Rectangle:
		f.Width, f.Depth = width("width", in.Width), width("depth", in.Depth)
	case plan.Round:
		f.Width = width("width", in.Width)
		f.Depth = f.Width
	case plan.Ring:
		f.Width, f.Inner = width("width", in.Width), width("inner", in.Inner)
		f.Depth = f.Width
	case plan.Line:
		f.Width = width("width", in.Width)
	case plan.Polygon:
	default:
		c.addError("shape", plan.ErrNoShape)
		return f
	}
	if f.Shape == plan.Polygon || f.Shape == plan.Line {
		f.Turn = 0
		if len(in.Points) > plan.MostCorners {
			c.add("points", "There are more than %d points.", plan.MostCorners)
			return f
		}
		for i, corner := range in.Points {
			f.Points = append(f.Points, geometry.Point{
				X: place(fmt.Sprintf("points[%d].x", i), corner.X, s.site.WidthM),
				Y: place(fmt.Sprintf("points[%d].y", i), corner.Y, s.site.DepthM),
			})
		}
	} else {
		f.At = geometry.Point{X: place("x", in.X, s.site.WidthM), Y: place("y", in.Y, s.site.DepthM)}
	}
	if len(c.faults) > before {
		return f
	}
	if err := f.Check(); err != nil {
		c.addError(shapeField(f.Shape), err)
		return f
	}
	return f.Recentred()
}

// shapeField is the field that says what is wrong with a shape as a whole.
func shapeField(shape plan.Shape) string {
	switch shape {
	case plan.Polygon, plan.Line:
		return "points"
	case plan.Ring:
		return "inner"
	}
	return "width"
}

// viewForm writes a form as it would be typed.
func (s *state) viewForm(f plan.Form) FormInput {
	length := s.units.GroundLength
	in := FormInput{Shape: string(f.Shape), Turn: math.Round(f.Turn*10) / 10, Points: []Corner{}}
	switch f.Shape {
	case plan.Polygon, plan.Line:
		in.Turn = 0
		for _, p := range f.Points {
			at := f.OnPlan(p)
			in.Points = append(in.Points, Corner{length(at.X), length(at.Y)})
		}
	default:
		in.X, in.Y = length(f.At.X), length(f.At.Y)
	}
	switch f.Shape {
	case plan.Rectangle:
		in.Width, in.Depth = length(f.Width), length(f.Depth)
	case plan.Ring:
		in.Width, in.Inner = length(f.Width), length(f.Inner)
	case plan.Round, plan.Line:
		in.Width = length(f.Width)
	}
	return in
}

// encodePoints writes points as the store keeps them.
func encodePoints(points []geometry.Point) string {
	if len(points) == 0 {
		return "[]"
	}
	text, err := json.Marshal(points)
	if err != nil {
		return "[]" // only a number that is none cannot be written, and those were refused
	}
	return string(text)
}

func decodePoints(text string) (points []geometry.Point, err error) {
	if text == "" { // put back from a note older than outlines
		return nil, nil
	}
	if err := json.Unmarshal([]byte(text), &points); err != nil {
		return nil, fmt.Errorf("read an outline: %w", err)
	}
	return points, nil
}

// bedForm is a bed's form as stored.
func bedForm(bed store.Bed) (plan.Form, error) {
	points, err := decodePoints(bed.Points)
	if bed.Shape == "" { // put back from a note older than shapes
		bed.Shape = string(plan.Rectangle)
	}
	return plan.Form{
		Shape: plan.Shape(bed.Shape), At: geometry.Point{X: bed.XM, Y: bed.YM}, Width: bed.WidthM, Depth: bed.DepthM,
		Inner: bed.InnerM, Turn: bed.TurnDeg, Points: points,
	}, err
}

// setBedForm writes a form into a bed's row.
func setBedForm(row *store.PutBedParams, f plan.Form) {
	row.Shape, row.XM, row.YM, row.WidthM, row.DepthM = string(f.Shape), f.At.X, f.At.Y, f.Width, f.Depth
	row.InnerM, row.TurnDeg, row.Points = f.Inner, math.Mod(f.Turn, 360), encodePoints(f.Points)
}

// withinPlot tells whether a form lies on the plot. A centimetre is forgiven.
func withinPlot(f plan.Form, boundary geometry.Polygon) bool {
	const slack = 0.01
	for _, corner := range f.Region().Corners() {
		if boundary.DistanceTo(corner) > slack {
			return false
		}
	}
	return true
}

// isDrawn tells whether a site's boundary is drawn, and not its rectangle.
func isDrawn(site store.Site) bool { return site.Boundary != "" && site.Boundary != "[]" }

// boundaryOf is the plot's boundary: the one drawn, or its rectangle.
func boundaryOf(site store.Site) (geometry.Polygon, error) {
	points, err := decodePoints(site.Boundary)
	if err != nil {
		return nil, err
	}
	if len(points) > 0 {
		return points, nil
	}
	return geometry.Polygon{{X: 0, Y: 0}, {X: site.WidthM, Y: 0}, {X: site.WidthM, Y: site.DepthM}, {X: 0, Y: site.DepthM}}, nil
}

// itemForm is the form of a thing other than a bed as stored.
func itemForm(row store.PlanItem, points []geometry.Point) plan.Form {
	return plan.Form{
		Shape: plan.Shape(row.Shape), At: geometry.Point{X: row.XM, Y: row.YM}, Width: row.WidthM, Depth: row.DepthM, Turn: row.TurnDeg, Points: points,
	}
}
