package sun

import (
	"math"

	"bramblyacre/core/geometry"
)

// longestShadowM is how far a shadow is drawn, in metres: near sunrise it would
// reach without end.
const longestShadowM = 150

// Shadow returns the outlines of an obstacle's shadow on level ground under the
// sun at a position; several that overlap, for a thing with corners. There is
// none while the sun is down.
func (o Obstacle) Shadow(at Position, bearingDeg float64) []geometry.Polygon {
	if at.Altitude <= 0 {
		return nil
	}
	away := Toward(at.Azimuth+180, bearingDeg)
	tan := math.Tan(at.Altitude * rad)
	reach := func(height float64) float64 { return math.Min(longestShadowM, height/tan) }
	if len(o.Footprint) == 0 {
		return []geometry.Polygon{o.crownShadow(away, tan, reach)}
	}
	shift := away.Times(reach(o.High))
	outlines := []geometry.Polygon{o.Footprint, o.Footprint.Moved(shift)}
	for i, a := range o.Footprint {
		b := o.Footprint[(i+1)%len(o.Footprint)]
		outlines = append(outlines, geometry.Polygon{a, b, b.Plus(shift), a.Plus(shift)})
	}
	return outlines
}

// crownShadow is what parallel rays cast of a dome: on the near side the circle of
// its flat base, on the far side half an ellipse, √(r² + (h/tan)²) long from the
// base's middle for a dome of height h.
func (o Obstacle) crownShadow(away geometry.Point, tan float64, reach func(float64) float64) geometry.Polygon {
	middle := o.Middle.Plus(away.Times(reach(o.Low)))
	far := math.Min(longestShadowM, math.Hypot(o.Radius, (o.High-o.Low)/tan))
	across := geometry.Point{X: -away.Y, Y: away.X}
	outline := geometry.Circle(1, 40)
	for i, corner := range outline {
		along := o.Radius
		if corner.X > 0 {
			along = far
		}
		outline[i] = middle.Plus(away.Times(corner.X * along)).Plus(across.Times(corner.Y * o.Radius))
	}
	return outline
}
