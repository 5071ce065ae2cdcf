package view

import (
	"testing"

	"bramblyacre/core/flora"
)

// A plant of which nothing is told is drawn as a plain herb; wood, climbing and blades come from
// what is told, and a state that no drawing knows takes no size away.
func TestALikenessFollowsWhatIsTold(t *testing.T) {
	for _, test := range []struct {
		habit string
		shows flora.Shows
		want  string
	}{
		{"herb", nil, "upright"},
		{"tree", flora.Shows{"growth": {"bush"}}, "tree"},
		{"shrub", flora.Shows{"growth": {"mat"}}, "mat"},
		{"herb", flora.Shows{"growth": {"twining"}}, "climber"},
		{"herb", flora.Shows{"growth": {"mat", "upright"}}, "upright"},
		{"herb", flora.Shows{"leaf-order": {"basal"}, "leaf-shape": {"line"}}, "blades"},
		{"herb", flora.Shows{"leaf-order": {"basal"}}, "rosette"},
		{"herb", flora.Shows{"leaf-build": {"pad"}}, "pads"},
	} {
		s := &flora.Species{Life: flora.Life{Habit: test.habit}, Identity: flora.Identity{Shows: test.shows}}
		l := LikenessOf(s)
		if l.Habit != test.want || l.LeafSize < 1 || l.FlowerSize < 1 || l.Leaf == "" || l.Form == "" {
			t.Errorf("%s %v: %+v", test.habit, test.shows, l)
		}
	}
}
