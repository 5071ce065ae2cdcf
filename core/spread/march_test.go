package spread

import (
	"math"
	"math/rand/v2"
	"testing"

	"bramblyacre/core/geometry"
)

func openGround(g Grid) Speed {
	speed := make(Speed, g.Cells())
	for i := range speed {
		speed[i] = 1
	}
	return speed
}

func square(side float64) Grid {
	g, err := GridAround(geometry.Polygon{{X: 0, Y: 0}, {X: side, Y: 0}, {X: side, Y: side}, {X: 0, Y: side}})
	if err != nil {
		panic(err)
	}
	return g
}

// On open ground the way is the straight line: in any direction to 2 %, from a point as from the nearest of several.
func TestOnOpenGroundTheWayIsTheStraightLine(t *testing.T) {
	g := square(30)
	for _, points := range [][]geometry.Point{
		{{X: 15.1, Y: 14.93}}, {{X: 2, Y: 3}}, {{X: 5, Y: 5}, {X: 25, Y: 11}, {X: 12.4, Y: 27}}, {{X: -2.9, Y: 32.9}},
	} {
		at := Reach(g, openGround(g), points, nil, 0, Never)
		for cell, d := range at {
			straight := math.Inf(1)
			for _, p := range points {
				straight = math.Min(straight, p.Distance(g.Middle(cell)))
			}
			if math.Abs(float64(d)-straight) > 0.02*straight+0.01 {
				t.Fatalf("%v: %v is %.3f m away, the way is %.3f m", points, g.Middle(cell), straight, d)
			}
		}
	}
}

// From a start on slower ground the way is as much longer.
func TestSlowGroundMakesTheWayLonger(t *testing.T) {
	g := square(20)
	speed := openGround(g)
	for i := range speed {
		speed[i] = 0.4
	}
	from := geometry.Point{X: 10, Y: 10}
	for cell, d := range Reach(g, speed, []geometry.Point{from}, nil, 0, Never) {
		if want := from.Distance(g.Middle(cell)) / 0.4; math.Abs(float64(d)-want) > 0.02*want+0.03 {
			t.Fatalf("%v: %.3f m, expected %.3f", g.Middle(cell), d, want)
		}
	}
}

// Two kinds of ground side by side: the way straight across the border is the sum of both.
func TestTheWayAcrossTwoKindsOfGround(t *testing.T) {
	g := square(20)
	speed := openGround(g)
	for i := range speed {
		if g.Middle(i).X > 10 {
			speed[i] = 0.5
		}
	}
	at := Reach(g, speed, []geometry.Point{{X: 5, Y: 10}}, nil, 0, Never)
	cell, _ := g.CellAt(geometry.Point{X: 15.1, Y: 10.1})
	if want := 5 + (g.Middle(cell).X-10)/0.5; math.Abs(float64(at[cell])-want) > 0.02*want {
		t.Errorf("%.3f m, expected %.3f", at[cell], want)
	}
}

// A closed barrier is never crossed, whatever its form and turn; an open end lets the way round it.
func TestAClosedBarrierIsNeverCrossed(t *testing.T) {
	g := square(16)
	rng := rand.New(rand.NewPCG(1, 2))
	for range 200 {
		middle := geometry.Point{X: 6 + 4*rng.Float64(), Y: 6 + 4*rng.Float64()}
		corners := 3 + rng.IntN(9)
		ring := make([]geometry.Point, 0, corners+1)
		turn := rng.Float64() * 360
		for i := range corners {
			out := geometry.Point{X: 1.2 + 4*rng.Float64()}
			ring = append(ring, middle.Plus(out.Turned(turn+360*float64(i)/float64(corners))))
		}
		ring = append(ring, ring[0])
		speed := openGround(g)
		for _, cell := range g.Along(ring) {
			speed[cell] = 0
		}
		inside := geometry.Polygon(ring[:corners])
		if !inside.Contains(middle) {
			continue
		}
		for cell, d := range Reach(g, speed, []geometry.Point{middle}, nil, 0, Never) {
			if d != Never && !inside.Contains(g.Middle(cell)) && inside.ToEdge(g.Middle(cell)) > g.Step {
				t.Fatalf("%v outside the ring %v is reached", g.Middle(cell), ring)
			}
		}
	}
}

// Past the end of a wall the way is the one round it.
func TestTheWayGoesRoundAWall(t *testing.T) {
	g := square(20)
	speed := openGround(g)
	end := geometry.Point{X: 10, Y: 14}
	for _, cell := range g.Along([]geometry.Point{{X: 10, Y: -3}, end}) {
		speed[cell] = 0
	}
	from, to := geometry.Point{X: 6.1, Y: 6.1}, geometry.Point{X: 14.1, Y: 6.1}
	cell, _ := g.CellAt(to)
	want := from.Distance(end) + end.Distance(g.Middle(cell))
	if got := float64(Reach(g, speed, []geometry.Point{from}, nil, 0, Never)[cell]); math.Abs(got-want) > 0.05*want {
		t.Errorf("the way round is %.2f m, expected about %.2f", got, want)
	}
}

// What is farther than asked for is left out, and what is nearer is as without the bound.
func TestOnlyWhatIsNearIsReckoned(t *testing.T) {
	g := square(30)
	from := []geometry.Point{{X: 15, Y: 15}}
	all, near := Reach(g, openGround(g), from, nil, 0, Never), Reach(g, openGround(g), from, nil, 0, 4)
	for cell := range all {
		switch {
		case all[cell] <= 4 && near[cell] != all[cell]:
			t.Fatalf("%v: %v with the bound, %v without", g.Middle(cell), near[cell], all[cell])
		case all[cell] > 4.3 && near[cell] != Never:
			t.Fatalf("%v: %v is farther than asked for", g.Middle(cell), near[cell])
		}
	}
}

func BenchmarkReachOverAPlot(b *testing.B) {
	g, _ := GridAround(geometry.Polygon{{X: 0, Y: 0}, {X: 71, Y: 0}, {X: 71, Y: 57}, {X: 0, Y: 57}})
	speed := openGround(g)
	for b.Loop() {
		Reach(g, speed, []geometry.Point{{X: 30, Y: 30}}, nil, 0, 15)
	}
}

// However large a plot, its cells are so many at most; and what has no ground is refused.
func TestALargePlotHasLargerCells(t *testing.T) {
	for _, side := range []float64{10, 71, 150, 500, 2000} {
		g := square(side)
		if g.Cells() > MostCells*11/10 || side <= 150 && g.Step != CellM || side >= 500 && g.Step <= CellM {
			t.Errorf("%v m: %d cells of %v m", side, g.Cells(), g.Step)
		}
		if corner, inside := g.CellAt(geometry.Point{X: side, Y: side}); !inside || g.Middle(corner).Distance(geometry.Point{X: side, Y: side}) > g.Step {
			t.Errorf("%v m: its corner lies in no cell", side)
		}
	}
	for _, none := range []geometry.Polygon{nil, {{X: math.NaN(), Y: 1}, {X: 2, Y: 2}, {X: 3, Y: 1}}, {{X: 0, Y: 0}, {X: math.Inf(1), Y: 0}, {X: 1, Y: 1}}} {
		if g, err := GridAround(none); err == nil {
			t.Errorf("%v has %d cells", none, g.Cells())
		}
	}
}
