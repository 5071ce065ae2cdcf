package geometry

import (
	"math"
	"strings"
	"testing"
)

func TestOutlinesThatCannotBeAreRefusedWithTheReason(t *testing.T) {
	tests := []struct {
		name    string
		outline Polygon
		says    string
	}{
		{"two corners", Polygon{{0, 0}, {1, 0}}, "three corners"},
		{"no place", Polygon{{0, 0}, {1, 0}, {math.NaN(), 1}}, "corner 3"},
		{"infinite", Polygon{{0, 0}, {math.Inf(1), 0}, {1, 1}}, "corner 2"},
		{"a corner twice", Polygon{{0, 0}, {1, 0}, {1, 0}, {0, 1}}, "corners 2 and 3"},
		{"closed by a repeated corner", Polygon{{0, 0}, {1, 0}, {0, 1}, {0, 0}}, "same place"},
		{"a bow tie", Polygon{{0, 0}, {2, 2}, {2, 0}, {0, 2}}, "crosses itself"},
		{"a corner on a side", Polygon{{0, 0}, {4, 0}, {4, 4}, {2, 0}, {0, 4}}, "crosses itself"},
		{"a spike", Polygon{{0, 0}, {4, 0}, {2, 0}, {2, 3}}, "folds back"},
		{"a line", Polygon{{0, 0}, {1, 0}, {3, 0}}, "folds back"},
		{"next to nothing", Polygon{{0, 0}, {0.01, 0}, {0, 0.01}}, "no area"},
	}
	for _, test := range tests {
		if err := test.outline.Check(); err == nil || !strings.Contains(err.Error(), test.says) {
			t.Errorf("%s: got %v, want %q", test.name, err, test.says)
		}
	}
	for _, good := range []Polygon{Rectangle(3, 2), Circle(2, 36), {{0, 0}, {4, 0}, {4, 3}, {2, 1}, {0, 3}}} {
		if err := good.Check(); err != nil {
			t.Errorf("%v is refused: %v", good, err)
		}
	}
}

func close(t *testing.T, what string, got, want float64) {
	t.Helper()
	if math.Abs(got-want) > 1e-9 {
		t.Errorf("%s is %v, want %v", what, got, want)
	}
}

func TestAreasAndDistances(t *testing.T) {
	l := Polygon{{0, 0}, {4, 0}, {4, 1}, {1, 1}, {1, 3}, {0, 3}} // 4 × 1 and 1 × 2
	close(t, "an L's area", l.Area(), 6)
	close(t, "a circle's area", Circle(3, 36).Area(), math.Pi*9)
	middle := l.Middle()
	close(t, "an L's middle, x", middle.X, (4*2+2*0.5)/6)
	close(t, "an L's middle, y", middle.Y, (4*0.5+2*2)/6)
	close(t, "the distance into the L's corner", l.DistanceTo(Point{2, 2}), 1)
	close(t, "the distance inside", l.DistanceTo(Point{0.5, 0.5}), 0)
	close(t, "two squares apart", Rectangle(2, 2).Apart(Rectangle(2, 2).Moved(Point{5, 0})), 3)
	close(t, "one in the other", Rectangle(2, 2).Apart(Rectangle(1, 1)), 0)
	close(t, "a cross", Rectangle(6, 1).Apart(Rectangle(1, 6)), 0)
	close(t, "a line's length", Length([]Point{{0, 0}, {3, 4}, {3, 5}}), 6)
	close(t, "a point beside a segment", Point{1, 2}.ToSegment(Point{0, 0}, Point{5, 0}), 2)
	close(t, "a point beyond its end", Point{8, 4}.ToSegment(Point{0, 0}, Point{5, 0}), 5)
	turned := Point{1, 0}.Turned(90)
	close(t, "a quarter turn clockwise, x", turned.X, 0)
	close(t, "a quarter turn clockwise, y", turned.Y, 1)
}

func TestSlabsShareAnAreaOut(t *testing.T) {
	l := Polygon{{0, 0}, {4, 0}, {4, 1}, {1, 1}, {1, 3}, {0, 3}}
	across := Point{1, 0}
	sum := 0.0
	for _, bounds := range [][2]float64{{-1, 0.5}, {0.5, 1.7}, {1.7, 9}} {
		sum += l.Slab(across, bounds[0], bounds[1]).Area()
	}
	close(t, "the slabs' sum", sum, l.Area())
	if left := l.Slab(across, 8, 9); left.Area() != 0 {
		t.Errorf("beyond the L lie %v m²", left.Area())
	}
}

func TestRegionsWithAHole(t *testing.T) {
	ring := Region{Areas: []Polygon{Circle(3, 36)}, Hole: Circle(1, 36)}
	close(t, "a ring's area", ring.Area(), math.Pi*8)
	if ring.Contains(Point{0.2, 0}) || !ring.Contains(Point{2, 0}) {
		t.Error("the ring's hole is not a hole")
	}
	trunk := Region{Areas: []Polygon{Circle(0.3, 36)}}
	if got := ring.Apart(trunk); got < 0.6 || got > 0.75 {
		t.Errorf("a trunk in the middle is %v m from the ring", got)
	}
	if got := trunk.Apart(ring); got < 0.6 || got > 0.75 {
		t.Errorf("the ring is %v m from the trunk", got)
	}
	if got := ring.DistanceTo(Point{0, 0}); got < 0.95 || got > 1.05 {
		t.Errorf("the middle is %v m from the ring", got)
	}
}

func TestStripsCoverTheirBends(t *testing.T) {
	strip := Region{Areas: Strip([]Point{{0, 0}, {10, 0}, {10, 8}}, 2)}
	for _, on := range []Point{{5, 0.9}, {10.9, -0.9}, {10, 4}, {9.2, 7}} {
		if !strip.Contains(on) {
			t.Errorf("%v is not on the strip", on)
		}
	}
	for _, off := range []Point{{5, 1.1}, {-0.1, 0}, {8.9, 4}, {10, 8.1}} {
		if strip.Contains(off) {
			t.Errorf("%v is on the strip", off)
		}
	}
}

func TestTheShareOfARegionWithinAnother(t *testing.T) {
	square := Region{Areas: []Polygon{Rectangle(4, 4)}}
	for _, test := range []struct {
		moved Point
		want  float64
	}{{Point{0, 0}, 1}, {Point{2, 0}, 0.5}, {Point{2, 2}, 0.25}, {Point{9, 0}, 0}} {
		other := Region{Areas: []Polygon{Rectangle(4, 4).Moved(test.moved)}}
		if got := square.ShareWithin(other); math.Abs(got-test.want) > 0.03 {
			t.Errorf("moved by %v the share is %v, want %v", test.moved, got, test.want)
		}
	}
}
