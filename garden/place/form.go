package place

import (
	"encoding/json"
	"fmt"
	"math"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
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
func readForm(s *plot.State, c *say.Checklist, in FormInput, away float64) plan.Form {
	before := len(c.Faults)
	unit := s.Units.GroundUnit()
	f := plan.Form{Shape: plan.Shape(in.Shape), Turn: math.Mod(in.Turn, 360)}
	if in.Shape == "" {
		f.Shape = plan.Rectangle
	}
	if math.IsNaN(f.Turn) || math.IsInf(in.Turn, 0) {
		c.Add("turn", "Write the turn in degrees.")
	}
	place := func(field, text string, most float64) float64 { return length(c, field, text, unit, -away, most+away) }
	width := func(field, text string) float64 { return length(c, field, text, unit, plan.SmallestM, 500) }
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
		c.AddError("shape", plan.ErrNoShape)
		return f
	}
	if f.Shape == plan.Polygon || f.Shape == plan.Line {
		f.Turn = 0
		if len(in.Points) > plan.MostCorners {
			c.Add("points", "There are more than %d points.", plan.MostCorners)
			return f
		}
		for i, corner := range in.Points {
			f.Points = append(f.Points, geometry.Point{
				X: place(fmt.Sprintf("points[%d].x", i), corner.X, s.Site.WidthM),
				Y: place(fmt.Sprintf("points[%d].y", i), corner.Y, s.Site.DepthM),
			})
		}
	} else {
		f.At = geometry.Point{X: place("x", in.X, s.Site.WidthM), Y: place("y", in.Y, s.Site.DepthM)}
	}
	if len(c.Faults) > before {
		return f
	}
	if err := f.Check(); err != nil {
		c.AddError(shapeField(f.Shape), err)
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
func viewForm(s *plot.State, f plan.Form) FormInput {
	length := s.Units.GroundLength
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
