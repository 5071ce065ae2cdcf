package spread

import (
	"math"

	"bramblyacre/core/geometry"
)

// Never stands for ground that is not reached.
const Never = math.MaxFloat32

// Speed is how fast a front is on each cell, against open loose ground: 1 as fast, 0 for ground that it cannot go
// through.
type Speed []float32

// exactCells is for how many cells round a point on uniform ground the way is the straight line: near its start a front
// bends too much for cells to follow.
const exactCells = 6

// way is the reckoning of ways over a grid; it can be used again and again.
type way struct {
	grid  Grid
	state []uint8
	heap  []int32
	place []int32
	at    []float32
}

// The states of a cell: not reached yet, reached and to be bettered, reached exactly, and done.
const (
	far uint8 = iota
	trial
	exact
	known
)

func newWay(g Grid) *way {
	n := g.Cells()
	return &way{grid: g, state: make([]uint8, n), place: make([]int32, n)}
}

// Reach is how far each cell is in metres from the nearest start by the quickest way, ground that slows a front
// counted as so much longer: Never where there is no way, or where it is farther than most. What lies nearer than
// free to a point counts as reached at once.
//
// The eikonal equation is solved by fast marching (Sethian 1996) with second-order differences where they
// hold (Sethian 1999), and exactly near points on uniform ground.
func Reach(g Grid, speed Speed, points []geometry.Point, starts []int32, free, most float64) []float32 {
	w := newWay(g)
	w.at = make([]float32, g.Cells())
	for i := range w.at {
		w.at[i] = Never
	}
	for _, cell := range starts {
		w.set(cell, 0)
	}
	for _, p := range points {
		w.startAt(speed, p)
	}
	w.march(speed, most+free)
	if free > 0 {
		for i, d := range w.at {
			if d != Never {
				w.at[i] = float32(math.Max(0, float64(d)-free))
			}
		}
	}
	return w.at
}

// startAt sets the cells about a point to their straight distance from it, as far as the ground is uniform there.
func (w *way) startAt(speed Speed, p geometry.Point) {
	cell, inside := w.grid.CellAt(p)
	if !inside || speed[cell] <= 0 {
		return
	}
	x, y := cell%w.grid.Wide, cell/w.grid.Wide
	radius := exactCells
	for ; radius > 0 && !w.isUniform(speed, x, y, radius); radius-- {
	}
	for dy := -radius; dy <= radius; dy++ {
		for dx := -radius; dx <= radius; dx++ {
			if dx*dx+dy*dy <= radius*radius && x+dx >= 0 && y+dy >= 0 && x+dx < w.grid.Wide && y+dy < w.grid.Deep {
				near := int32((y+dy)*w.grid.Wide + x + dx)
				w.set(near, float32(w.grid.Middle(int(near)).Distance(p))/speed[cell])
				w.state[near] = exact
			}
		}
	}
}

func (w *way) isUniform(speed Speed, x, y, radius int) bool {
	of := speed[y*w.grid.Wide+x]
	left, right := max(0, x-radius), min(w.grid.Wide-1, x+radius)
	for row := max(0, y-radius); row <= min(w.grid.Deep-1, y+radius); row++ {
		for _, v := range speed[row*w.grid.Wide+left : row*w.grid.Wide+right+1] {
			if v != of {
				return false
			}
		}
	}
	return true
}

// march takes the cells in the order in which they are reached.
func (w *way) march(speed Speed, most float64) {
	wide, deep := w.grid.Wide, w.grid.Deep
	for len(w.heap) > 0 {
		cell := w.pop()
		if float64(w.at[cell]) > most {
			w.at[cell] = Never
			for _, other := range w.heap {
				w.at[other] = Never
			}
			return
		}
		w.state[cell] = known
		x, y := int(cell)%wide, int(cell)/wide
		for _, side := range [4][2]int{{-1, 0}, {1, 0}, {0, -1}, {0, 1}} {
			nx, ny := x+side[0], y+side[1]
			if nx < 0 || ny < 0 || nx >= wide || ny >= deep {
				continue
			}
			next := int32(ny*wide + nx)
			if w.state[next] >= exact || speed[next] <= 0 {
				continue
			}
			if t := w.solve(nx, ny, w.grid.Step/float64(speed[next])); t < float64(w.at[next]) {
				w.set(next, float32(t))
			}
		}
	}
}

// solve is when a cell is reached from its known neighbours, cost being what crossing it costs.
func (w *way) solve(x, y int, cost float64) float64 {
	a, scaleA := w.upwind(x, y, 1, 0)
	b, scaleB := w.upwind(x, y, 0, 1)
	alone := math.Min(a+cost/scaleA, b+cost/scaleB)
	if a == Never || b == Never {
		return alone
	}
	// (scaleA (t − a))² + (scaleB (t − b))² = cost²
	p, q := scaleA*scaleA, scaleB*scaleB
	sum, mixed, both := p+q, p*a+q*b, p*a*a+q*b*b
	root := mixed*mixed - sum*(both-cost*cost)
	if root < 0 {
		return alone
	}
	t := (mixed + math.Sqrt(root)) / sum
	if t < math.Max(a, b) {
		return alone
	}
	return t
}

// upwind is the difference along one direction: t minus what comes back, times the scale. It is of the second order
// where two known cells lie behind each other.
func (w *way) upwind(x, y, dx, dy int) (from, scale float64) {
	from, scale = Never, 1
	for _, sign := range [2]int{-1, 1} {
		near, has := w.knownAt(x+sign*dx, y+sign*dy)
		if !has {
			continue
		}
		value, factor := near, 1.0
		if beyond, has := w.knownAt(x+2*sign*dx, y+2*sign*dy); has && beyond <= near {
			value, factor = (4*near-beyond)/3, 1.5
		}
		if value < from {
			from, scale = value, factor
		}
	}
	return from, scale
}

func (w *way) knownAt(x, y int) (float64, bool) {
	if x < 0 || y < 0 || x >= w.grid.Wide || y >= w.grid.Deep {
		return 0, false
	}
	cell := y*w.grid.Wide + x
	return float64(w.at[cell]), w.state[cell] == known
}

// set gives a cell a nearer value, and puts it where it belongs among those that wait.
func (w *way) set(cell int32, value float32) {
	if w.state[cell] == far {
		w.state[cell] = trial
		w.place[cell] = int32(len(w.heap))
		w.heap = append(w.heap, cell)
		w.at[cell] = value
	} else if value >= w.at[cell] {
		return
	}
	w.at[cell] = value
	w.up(int(w.place[cell]))
}

func (w *way) up(i int) {
	cell := w.heap[i]
	value := w.at[cell]
	for i > 0 {
		parent := (i - 1) / 2
		other := w.heap[parent]
		if w.at[other] <= value {
			break
		}
		w.heap[i], w.place[other] = other, int32(i)
		i = parent
	}
	w.heap[i], w.place[cell] = cell, int32(i)
}

func (w *way) pop() int32 {
	first := w.heap[0]
	last := w.heap[len(w.heap)-1]
	w.heap = w.heap[:len(w.heap)-1]
	if n := len(w.heap); n > 0 {
		value := w.at[last]
		i := 0
		for {
			child := 2*i + 1
			if child >= n {
				break
			}
			if child+1 < n && w.at[w.heap[child+1]] < w.at[w.heap[child]] {
				child++
			}
			other := w.heap[child]
			if w.at[other] >= value {
				break
			}
			w.heap[i], w.place[other] = other, int32(i)
			i = child
		}
		w.heap[i], w.place[last] = last, int32(i)
	}
	return first
}
