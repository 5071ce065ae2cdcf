package plan

import (
	"math"
	"slices"

	"bramblyacre/core/geometry"
)

// mostExact is up to how many stops the shortest walk is found exactly.
const mostExact = 12

// mostMoved is up to how many stops stretches are moved: of more that takes too long for what it brings.
const mostMoved = 80

// WalkLength returns how long a walk through points in an order is, from the first to the last, in their unit.
func WalkLength(points []geometry.Point, order []int) float64 {
	sum := 0.0
	for i := 1; i < len(order); i++ {
		sum += apart(points[order[i-1]], points[order[i]])
	}
	return sum
}

func apart(a, b geometry.Point) float64 { return math.Hypot(a.X-b.X, a.Y-b.Y) }

// ShortestWalk returns the order of a short walk through all points that begins at the one of an index and may end
// anywhere, as the crow flies: the shortest up to 12 points (Held and Karp 1962, Journal of the Society for Industrial
// and Applied Mathematics 10), and of more one that no turning round of a stretch and no moving of one makes
// shorter (2-opt, Croes 1958, and Or-opt). No points are no walk.
func ShortestWalk(points []geometry.Point, start int) []int {
	n := len(points)
	if n == 0 {
		return nil
	}
	start = min(max(0, start), n-1)
	if n <= mostExact {
		return exactWalk(points, start)
	}
	order := nearestNext(points, start)
	for improved := true; improved; {
		improved = turnStretch(points, order) || n <= mostMoved && moveStretch(points, order)
	}
	return order
}

// exactWalk is the shortest walk by dynamic programming over the sets of points that were passed.
func exactWalk(points []geometry.Point, start int) []int {
	n := len(points)
	full := 1<<n - 1
	length := make([][]float64, full+1)
	before := make([][]int, full+1)
	for set := range length {
		length[set], before[set] = make([]float64, n), make([]int, n)
		for i := range n {
			length[set][i] = math.Inf(1)
		}
	}
	length[1<<start][start] = 0
	for set := range length {
		if set&(1<<start) == 0 {
			continue
		}
		for last := range n {
			if math.IsInf(length[set][last], 1) {
				continue
			}
			for next := range n {
				if set&(1<<next) != 0 {
					continue
				}
				to := set | 1<<next
				if so := length[set][last] + apart(points[last], points[next]); so < length[to][next] {
					length[to][next], before[to][next] = so, last
				}
			}
		}
	}
	last := 0
	for i := range n {
		if length[full][i] < length[full][last] {
			last = i
		}
	}
	var order []int
	for set := full; set != 0; {
		order = append(order, last)
		from := before[set][last]
		set &^= 1 << last
		last = from
	}
	slices.Reverse(order)
	return order
}

// nearestNext goes from each point to the nearest that is left.
func nearestNext(points []geometry.Point, start int) []int {
	order := []int{start}
	left := map[int]bool{}
	for i := range points {
		left[i] = i != start
	}
	for len(order) < len(points) {
		at, best := order[len(order)-1], -1
		for i := range points {
			if left[i] && (best < 0 || apart(points[at], points[i]) < apart(points[at], points[best])) {
				best = i
			}
		}
		order, left[best] = append(order, best), false
	}
	return order
}

// least is by how much a change has to shorten a walk to be one: below it is rounding.
const least = 1e-9

// turnStretch turns a stretch of a walk round where that shortens it.
func turnStretch(points []geometry.Point, order []int) bool {
	n := len(order)
	for i := 1; i < n-1; i++ {
		for j := i + 1; j < n; j++ {
			was := apart(points[order[i-1]], points[order[i]])
			is := apart(points[order[i-1]], points[order[j]])
			if j+1 < n {
				was += apart(points[order[j]], points[order[j+1]])
				is += apart(points[order[i]], points[order[j+1]])
			}
			if is < was-least {
				slices.Reverse(order[i : j+1])
				return true
			}
		}
	}
	return false
}

// moveStretch moves a stretch of up to three stops to where it shortens a walk.
func moveStretch(points []geometry.Point, order []int) bool {
	n, whole := len(order), WalkLength(points, order)
	for size := 1; size <= 3; size++ {
		for i := 1; i+size <= n; i++ {
			rest := append(slices.Clone(order[:i]), order[i+size:]...)
			for at := 1; at <= len(rest); at++ {
				moved := slices.Concat(rest[:at], order[i:i+size], rest[at:])
				if WalkLength(points, moved) < whole-least {
					copy(order, moved)
					return true
				}
			}
		}
	}
	return false
}
