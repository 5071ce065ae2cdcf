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

// crownShadow is the ellipse that parallel rays cast of an ellipsoid: as wide as
// the crown across the rays, and along them √(r² + (b/tan)²) from its middle.
func (o Obstacle) crownShadow(away geometry.Point, tan float64, reach func(float64) float64) geometry.Polygon {
	up := (o.High - o.Low) / 2
	middle := o.Middle.Plus(away.Times(reach(o.Low + up)))
	along := math.Min(longestShadowM, math.Hypot(o.Radius, up/tan))
	across := geometry.Point{X: -away.Y, Y: away.X}
	outline := geometry.Circle(1, 40)
	for i, corner := range outline {
		outline[i] = middle.Plus(away.Times(corner.X * along)).Plus(across.Times(corner.Y * o.Radius))
	}
	return outline
}
