package plan

import (
	"math"

	"bramblyacre/core/geometry"
	"bramblyacre/core/sun"
)

// Item is one thing on the plan other than a bed.
type Item struct {
	Kind   KindRow
	Form   Form
	Traits Traits
}

// Obstacles returns what of a thing keeps out the sun: none for a path or a pond.
func (i Item) Obstacles() []sun.Obstacle {
	through := i.Traits.LightThrough(i.Kind)
	switch i.Kind.Shade {
	case Crown:
		base := i.Traits.CrownBaseM
		if base == 0 {
			base = i.Traits.HeightM * usualCrownBase
		}
		return []sun.Obstacle{
			{Middle: i.Form.At, Radius: i.Form.Width / 2, Low: base, High: i.Traits.HeightM, Through: through},
		}
	case Solid:
		var all []sun.Obstacle
		for _, area := range i.Form.Region().Areas {
			all = append(all, sun.Obstacle{Footprint: area, High: i.Traits.HeightM, Through: through})
		}
		return all
	}
	return nil
}

// usualCrownBase is the share of a tree's height below its lowest leaves where
// the grower has not said: a guess for an open-grown tree.
const usualCrownBase = 0.25

// Ramps returns the tilted ground of a slope; none for other things.
func (i Item) Ramps(bearingDeg float64) []sun.Ramp {
	if i.Kind.Kind != Slope {
		return nil
	}
	uphill := sun.Toward(i.Traits.FacesDeg+180, bearingDeg)
	var ramps []sun.Ramp
	for _, area := range i.Form.Region().Areas {
		ramps = append(ramps, sun.Ramp{Area: area, Uphill: uphill, Gradient: i.Traits.FallPercent / 100})
	}
	return ramps
}

// Samples returns points spread evenly over a bed's ground: at least one, about
// most at best. They turn and move with the bed.
func (f Form) Samples(most int) []geometry.Point {
	region := f.Local()
	low, high := region.Bounds()
	width, depth := high.X-low.X, high.Y-low.Y
	fill := region.Area() / (width * depth)
	cells := float64(most) / fill
	columns := max(1, int(math.Sqrt(cells*width/depth)+0.5))
	rows := max(1, int(cells/float64(columns)+0.5))
	var points []geometry.Point
	for r := range rows {
		for c := range columns {
			at := geometry.Point{
				X: low.X + width*(float64(c)+0.5)/float64(columns),
				Y: low.Y + depth*(float64(r)+0.5)/float64(rows),
			}
			if region.Contains(at) {
				points = append(points, f.OnPlan(at))
			}
		}
	}
	if len(points) == 0 {
		corner := region.Areas[0][0]
		points = append(points, f.OnPlan(corner))
	}
	return points
}
