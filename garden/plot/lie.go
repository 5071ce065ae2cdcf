package plot

import (
	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/store"
)

// things are the things on the plan as core takes them.
func (s *State) things() []plan.Item {
	all := make([]plan.Item, len(s.Items))
	for i, it := range s.Items {
		all[i] = it.Item
	}
	return all
}

// Warmed tells from the plan whether a wall or a house on a bed's pole side gives back the
// sun's warmth.
func (s *State) Warmed(bedID int64) bool { return s.warmed[bedID] }

// EdgeHeld tells from the plan whether a bed's edge holds what runs: a pot does.
func (s *State) EdgeHeld(bed store.Bed) bool {
	if bed.Edge != "" {
		return bed.Edge == "held"
	}
	return plan.Shape(bed.Shape) == plan.Round
}

// nearPlanM is how far beyond the boundary a place may be shown, in metres: what came up there may come from here.
const nearPlanM = 3

// OnPlan tells whether a place, in metres, lies on the plan or hard by it.
func (s *State) OnPlan(x, y float64) bool {
	at := geometry.Point{X: x, Y: y}
	return at.IsFinite() && s.Boundary.DistanceTo(at) <= nearPlanM
}
