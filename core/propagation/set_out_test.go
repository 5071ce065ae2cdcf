package propagation

import (
	"math"
	"testing"

	"bramblyacre/core/geometry"
)

func TestSettingOutAsWorkedByHand(t *testing.T) {
	for _, test := range []struct {
		width, length, spacing, edge float64
		triangle, square             int
		better                       Pattern
	}{
		{1.5, 4, 0.25, 0.1, 109, 96, Triangle},
		{0.6, 2.4, 0.3, 0.15, 15, 16, Square},
	} {
		s := SettingOut{test.spacing, test.edge}
		triangle, err := s.InRectangle(test.width, test.length, Triangle)
		if err != nil {
			t.Fatal(err)
		}
		square, err := s.InRectangle(test.width, test.length, Square)
		if err != nil {
			t.Fatal(err)
		}
		if len(triangle.Spots) != test.triangle || len(square.Spots) != test.square ||
			Better(len(triangle.Spots), len(square.Spots)) != test.better {
			t.Errorf("%g × %g: %d and %d", test.width, test.length, len(triangle.Spots), len(square.Spots))
		}
	}
}

// apart makes sure that no two spots are nearer than the spacing, and none nearer the edge.
func apart(t *testing.T, name string, region geometry.Region, s SettingOut, spots []geometry.Point) {
	t.Helper()
	for i, a := range spots {
		if !region.Contains(a) && s.Edge > 0 {
			t.Errorf("%s: %v lies outside", name, a)
		}
		for _, area := range region.Areas {
			if len(region.Areas) == 1 && area.ToEdge(a) < s.Edge-1e-6 {
				t.Errorf("%s: %v is %.3f from the edge", name, a, area.ToEdge(a))
			}
		}
		if len(region.Hole) > 0 && region.Hole.DistanceTo(a) < s.Edge-1e-6 {
			t.Errorf("%s: %v is too near the hole", name, a)
		}
		for _, b := range spots[:i] {
			if a.Distance(b) < s.Spacing-1e-6 {
				t.Fatalf("%s: %v and %v are %.3f apart", name, a, b, a.Distance(b))
			}
		}
	}
}

func TestPlantsStandApartInAnyShape(t *testing.T) {
	ell := geometry.Polygon{{X: 0, Y: 0}, {X: 3, Y: 0}, {X: 3, Y: 1}, {X: 1, Y: 1}, {X: 1, Y: 3}, {X: 0, Y: 3}}
	shapes := map[string]geometry.Region{
		"rectangle": {Areas: []geometry.Polygon{geometry.Rectangle(1.5, 4)}},
		"circle":    {Areas: []geometry.Polygon{geometry.Circle(1.2, 48)}},
		"ell":       {Areas: []geometry.Polygon{ell}},
		"ring":      {Areas: []geometry.Polygon{geometry.Circle(2, 48)}, Hole: geometry.Circle(0.7, 24)},
	}
	for name, region := range shapes {
		for _, pattern := range []Pattern{Triangle, Square} {
			s := SettingOut{0.3, 0.12}
			layout, err := s.InRegion(region, pattern)
			if err != nil || len(layout.Spots) == 0 {
				t.Fatalf("%s: %d spots, %v", name, len(layout.Spots), err)
			}
			apart(t, name, region, s, layout.Spots)
			// Groemer's bound: no more than these stand in a convex shape of the area, at the spacing.
			limit := region.Area()*2/math.Sqrt(3)/(s.Spacing*s.Spacing) + 60
			if float64(len(layout.Spots)) > limit {
				t.Errorf("%s: %d spots, more than %.0f can be", name, len(layout.Spots), limit)
			}
		}
	}
}

// In open ground triangles hold 2/√3 times as many as squares.
func TestOpenGroundComesNearTheLimit(t *testing.T) {
	s := SettingOut{0.2, 0}
	triangle, err := s.InRectangle(20, 20, Triangle)
	if err != nil {
		t.Fatal(err)
	}
	square, err := s.InRectangle(20, 20, Square)
	if err != nil {
		t.Fatal(err)
	}
	if ratio := float64(len(triangle.Spots)) / float64(len(square.Spots)); math.Abs(
		ratio-2/math.Sqrt(3),
	) > 0.015 { // the edges cost a little
		t.Errorf("the ratio is %.4f, the limit %.4f", ratio, 2/math.Sqrt(3))
	}
}

func TestBedsWithoutRoomAndWrongFigures(t *testing.T) {
	layout, err := SettingOut{0.3, 0.2}.InRectangle(0.3, 0.3, Square)
	if err != nil || len(layout.Spots) != 0 {
		t.Errorf("a bed with no room: %d spots, %v", len(layout.Spots), err)
	}
	for _, bad := range []SettingOut{{0, 0.1}, {-1, 0}, {0.3, -0.1}, {math.NaN(), 0}} {
		if _, err := bad.InRectangle(1, 1, Square); err == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
	if _, err := (SettingOut{0.001, 0}).InRectangle(10, 10, Square); err == nil {
		t.Error("a hundred million plants are set out")
	}
}
