package plan

import (
	"bramblyacre/core/geometry"
	"bramblyacre/core/sun"
)

// lee is how far the shelter of something tall is felt behind it, in its own heights: within
// it wind is broken (a windbreak is commonly reckoned to help over five to ten heights).
const lee = 8.0

// Shelter tells how sheltered a bed lies among the things of a plan: 2 for a sheltered place,
// 1 for one between, 0 for an open one, as the places on flora.ShelterWords. It counts in how
// many of eight directions something tall stands within its lee.
func Shelter(form Form, items []Item) int {
	const directions = 8
	covered := map[int]bool{}
	for _, it := range items {
		if it.Kind.Shade == NoShade {
			continue
		}
		path := it.Form.Path()
		for i := range directions {
			toward := geometry.Point{Y: -1}.Turned(360 / directions * float64(i))
			reach := form.At.Plus(toward.Times(lee * it.Traits.HeightM))
			if crossesPath(form.At, reach, path) {
				covered[i] = true
			}
		}
	}
	switch {
	case len(covered) >= 4:
		return 2
	case len(covered) >= 2:
		return 1
	}
	return 0
}

// warmWallM is how near a wall or a house warms a bed before its sunny side, in metres.
const warmWallM = 1.5

// WarmWall tells whether a wall or a house on a bed's pole side gives back the sun's warmth.
// bearingDeg is where the plan's top points, in degrees clockwise from north.
func WarmWall(form Form, items []Item, bearingDeg float64, south bool) bool {
	poleward := sun.Toward(0, bearingDeg)
	if south {
		poleward = poleward.Times(-1)
	}
	region := form.Region()
	probe := form.At.Plus(poleward.Times(100))
	for _, it := range items {
		if it.Kind.Kind != Wall && it.Kind.Kind != Building || region.Apart(it.Form.Region()) > warmWallM {
			continue
		}
		if crossesPath(form.At, probe, it.Form.Path()) {
			return true
		}
	}
	return false
}

// crossesPath tells whether the line from a to b crosses a path.
func crossesPath(a, b geometry.Point, path []geometry.Point) bool {
	for i := 1; i < len(path); i++ {
		if crosses(a, b, path[i-1], path[i]) {
			return true
		}
	}
	return false
}

func crosses(a, b, c, d geometry.Point) bool {
	side := func(p, q, r geometry.Point) float64 { return q.Minus(p).Cross(r.Minus(p)) }
	return side(a, b, c)*side(a, b, d) < 0 && side(c, d, a)*side(c, d, b) < 0
}
