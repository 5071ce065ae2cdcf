package plot

import (
	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/sun"
	"bramblyacre/store"
)

// sheltered tells from the plan how sheltered a bed lies, as a place on
// flora.ShelterWords: by how many of eight directions have something tall within
// eight times its height.
func (s *State) sheltered(form plan.Form) int {
	const directions, lee = 8, 8.0
	covered := map[int]bool{}
	for _, it := range s.Items {
		if it.Item.Kind.Shade == plan.NoShade {
			continue
		}
		path := it.Form.Path()
		for i := range directions {
			toward := geometry.Point{Y: -1}.Turned(360 / directions * float64(i))
			reach := form.At.Plus(toward.Times(lee * it.Item.Traits.HeightM))
			for j := 1; j < len(path); j++ {
				if crosses(form.At, reach, path[j-1], path[j]) {
					covered[i] = true
				}
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

func crosses(a, b, c, d geometry.Point) bool {
	side := func(p, q, r geometry.Point) float64 { return q.Minus(p).Cross(r.Minus(p)) }
	return side(a, b, c)*side(a, b, d) < 0 && side(c, d, a)*side(c, d, b) < 0
}

// warmWallM is how near a wall or a house warms a bed before its sunny side.
const warmWallM = 1.5

// Warmed tells from the plan whether a wall or a house on the bed's pole side
// gives back the sun's warmth.
func (s *State) Warmed(form plan.Form) bool {
	poleward := sun.Toward(0, s.Site.BearingDeg)
	if s.Site.Latitude < 0 {
		poleward = poleward.Times(-1)
	}
	region := form.Region()
	for _, it := range s.Items {
		if it.Item.Kind.Kind != plan.Wall && it.Item.Kind.Kind != plan.Building {
			continue
		}
		if region.Apart(it.Form.Region()) > warmWallM {
			continue
		}
		probe := form.At.Plus(poleward.Times(100))
		path := it.Form.Path()
		for j := 1; j < len(path); j++ {
			if crosses(form.At, probe, path[j-1], path[j]) {
				return true
			}
		}
	}
	return false
}

// EdgeHeld tells from the plan whether a bed's edge holds what runs: a pot does.
func (s *State) EdgeHeld(bed store.Bed) bool {
	if bed.Edge != "" {
		return bed.Edge == "held"
	}
	return plan.Shape(bed.Shape) == plan.Round
}
