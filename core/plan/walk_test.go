package plan

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"bramblyacre/core/geometry"
)

func anyPoints(rng *rand.Rand, n int) []geometry.Point {
	points := make([]geometry.Point, n)
	for i := range points {
		points[i] = geometry.Point{X: 60 * rng.Float64(), Y: 40 * rng.Float64()}
	}
	return points
}

// isWalk fails where an order does not pass every point once, from the start on.
func isWalk(t *testing.T, order []int, n, start int) {
	t.Helper()
	passed := slices.Sorted(slices.Values(order))
	for i := range n {
		if len(passed) != n || passed[i] != i {
			t.Fatalf("%v does not pass all of %d", order, n)
		}
	}
	if order[0] != start {
		t.Fatalf("%v does not begin at %d", order, start)
	}
}

// Up to seven stops every order is tried.
func TestTheShortestWalkIsTheShortestOfAll(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 1))
	for n := 1; n <= 7; n++ {
		for range 30 {
			points, start := anyPoints(rng, n), rng.IntN(n)
			got := ShortestWalk(points, start)
			isWalk(t, got, n, start)
			best := math.Inf(1)
			var try func(order []int)
			try = func(order []int) {
				if len(order) == n {
					best = math.Min(best, WalkLength(points, order))
					return
				}
				for i := range n {
					if !slices.Contains(order, i) {
						try(append(slices.Clone(order), i))
					}
				}
			}
			try([]int{start})
			if length := WalkLength(points, got); math.Abs(length-best) > 1e-9 {
				t.Fatalf("%d stops: %v is %v long, the shortest %v", n, got, length, best)
			}
		}
	}
}

// Of more stops it is near the shortest: on a circle that is known, the way round it less its widest gap; and never longer than
// going to the nearest each time.
func TestALongWalkIsNearTheShortest(t *testing.T) {
	rng := rand.New(rand.NewPCG(2, 2))
	for _, n := range []int{13, 25, 60} {
		var circle []geometry.Point
		for _, i := range rng.Perm(n) {
			turn := 2 * math.Pi * float64(i) / float64(n)
			circle = append(circle, geometry.Point{X: 30 * math.Cos(turn), Y: 30 * math.Sin(turn)})
		}
		got := ShortestWalk(circle, 0)
		isWalk(t, got, n, 0)
		side := 2 * 30 * math.Sin(math.Pi/float64(n))
		if length, best := WalkLength(circle, got), side*float64(n-1); length > 1.02*best {
			t.Errorf("round %d stops it is %v long, the shortest %v", n, length, best)
		}
		for range 10 {
			points := anyPoints(rng, n)
			order := ShortestWalk(points, 3)
			isWalk(t, order, n, 3)
			if WalkLength(points, order) > WalkLength(points, nearestNext(points, 3))+1e-9 {
				t.Error("it is longer than going to the nearest each time")
			}
		}
	}
	if ShortestWalk(nil, 0) != nil {
		t.Error("no stops are a walk")
	}
	same := []geometry.Point{{X: 1, Y: 1}, {X: 1, Y: 1}, {X: 1, Y: 1}}
	isWalk(t, ShortestWalk(same, 9), 3, 2)
}
