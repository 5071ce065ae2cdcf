package sun

import (
	"math"

	"bramblyacre/core/geometry"
)

// Ramp is ground that falls evenly. Below its foot the ground is level, and above
// its top it is level again at the height reached.
type Ramp struct {
	Area geometry.Polygon
	// Uphill is the unit vector on the plan that climbs it.
	Uphill geometry.Point
	// Gradient is metres of rise for each metre along Uphill.
	Gradient float64
}

// Terrain is the lie of a plot's ground: the heights of its ramps added up.
type Terrain []Ramp

// Height returns the ground's height at a point in metres, 0 for level ground.
func (t Terrain) Height(at geometry.Point) float64 { return t.measured().height(at) }

// measuredRamp is a ramp with its bounds along its rise and across it.
type measuredRamp struct {
	Ramp
	across                 geometry.Point
	foot, top, left, right float64
}

type measuredTerrain []measuredRamp

// measured finds the bounds of the ramps once, before many heights are asked for.
func (t Terrain) measured() measuredTerrain {
	all := make(measuredTerrain, len(t))
	for i, r := range t {
		m := measuredRamp{Ramp: r, across: geometry.Point{X: -r.Uphill.Y, Y: r.Uphill.X}}
		m.foot, m.top = extent(r.Area, r.Uphill)
		m.left, m.right = extent(r.Area, m.across)
		all[i] = m
	}
	return all
}

func (t measuredTerrain) height(at geometry.Point) float64 {
	sum := 0.0
	for i := range t {
		r := &t[i]
		if side := at.Dot(r.across); side < r.left || side > r.right {
			continue
		}
		sum += r.Gradient * (math.Max(r.foot, math.Min(r.top, at.Dot(r.Uphill))) - r.foot)
	}
	return sum
}

// Tilt returns the ground's rise at a point, in metres for each metre to the
// right and down the plan.
func (t Terrain) Tilt(at geometry.Point) geometry.Point {
	var tilt geometry.Point
	for _, r := range t {
		if r.Area.Contains(at) {
			tilt = tilt.Plus(r.Uphill.Times(r.Gradient))
		}
	}
	return tilt
}

func extent(area geometry.Polygon, along geometry.Point) (least, most float64) {
	least, most = math.Inf(1), math.Inf(-1)
	for _, corner := range area {
		d := corner.Dot(along)
		least, most = math.Min(least, d), math.Max(most, d)
	}
	return least, most
}

const (
	// horizonBins is how many directions a horizon is kept for.
	horizonBins = 60
	// The ground is followed from horizonNearM to horizonReachM, in metres, in
	// steps that widen by horizonWiden: what is far rises slowly.
	horizonNearM, horizonReachM = 0.5, 60.0
	horizonWiden                = 1.2
)

// horizon returns the tangent of the altitude that the ground itself rises to
// from a point, in each direction; nil where it rises nowhere.
func (t measuredTerrain) horizon(at geometry.Point) []float64 {
	if len(t) == 0 {
		return nil
	}
	base := t.height(at)
	bins := make([]float64, horizonBins)
	rises := false
	for i := range bins {
		sin, cos := math.Sincos(2*math.Pi*float64(i)/horizonBins - math.Pi)
		for d := horizonNearM; d <= horizonReachM; d *= horizonWiden {
			if tan := (t.height(geometry.Point{X: at.X + d*cos, Y: at.Y + d*sin}) - base) / d; tan > bins[i] {
				bins[i], rises = tan, true
			}
		}
	}
	if !rises {
		return nil
	}
	return bins
}

func below(horizon []float64, m *moment) bool {
	if horizon == nil {
		return false
	}
	bin := int(math.Round((m.angle+math.Pi)/(2*math.Pi)*horizonBins)) % horizonBins
	return m.tan < horizon[bin]
}
