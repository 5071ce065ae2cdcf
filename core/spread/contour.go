package spread

import (
	"math"

	"bramblyacre/core/geometry"
)

type point = geometry.Point

func pointOf(both float64) point { return point{X: both, Y: both} }

// Contour are the closed lines about all ground that is covered with a chance or a likelier one, as marching squares
// draws them (Lorensen and Cline 1987, in the plane), without the points that lie within a tolerance in metres of the
// line between others. Ground at the grid's rim is taken as not covered beyond it.
func (c Cover) Contour(g Grid, chance, tolerance float64) [][]geometry.Point {
	low, high := c.bounds(g, chance)
	return c.contour(g, chance, tolerance, low, high)
}

// Contours are the lines of Levels, in their order.
func (c Cover) Contours(g Grid, tolerance float64) (lines [len(Levels)][][]geometry.Point) {
	low, high := c.bounds(g, Levels[0]) // all ground of a higher level is ground of the lowest
	for k, level := range Levels {
		lines[k] = c.contour(g, level, tolerance, low, high)
	}
	return lines
}

// contour draws the line of one chance among the columns and rows from low to high.
func (c Cover) contour(g Grid, chance, tolerance float64, low, high [2]int) [][]geometry.Point {
	at := func(x, y int) float64 {
		if x < 0 || y < 0 || x >= g.Wide || y >= g.Deep {
			return 0
		}
		return float64(c[y*g.Wide+x])
	}
	// Each line goes from a side of a square of four middles to another, with the covered ground on its left.
	type side struct{ x, y, up int } // the side from (x, y) to the next middle to the right, or up
	next := map[side]side{}
	var order []side
	for y := low[1] - 1; y <= high[1]; y++ {
		for x := low[0] - 1; x <= high[0]; x++ {
			corners := [4]float64{at(x, y), at(x+1, y), at(x+1, y+1), at(x, y+1)}
			sides := [4]side{{x, y, 0}, {x + 1, y, 1}, {x, y + 1, 0}, {x, y, 1}}
			kind := 0
			for i, v := range corners {
				if v >= chance {
					kind |= 1 << i
				}
			}
			join := func(from, to int) {
				next[sides[from]] = sides[to]
				order = append(order, sides[from])
			}
			switch kind {
			case 1:
				join(0, 3)
			case 2:
				join(1, 0)
			case 3:
				join(1, 3)
			case 4:
				join(2, 1)
			case 5:
				join(0, 3)
				join(2, 1)
			case 6:
				join(2, 0)
			case 7:
				join(2, 3)
			case 8:
				join(3, 2)
			case 9:
				join(0, 2)
			case 10:
				join(1, 0)
				join(3, 2)
			case 11:
				join(1, 2)
			case 12:
				join(3, 1)
			case 13:
				join(0, 1)
			case 14:
				join(3, 0)
			}
		}
	}
	place := func(s side) geometry.Point {
		x2, y2 := s.x+1-s.up, s.y+s.up
		a, b := at(s.x, s.y), at(x2, y2)
		part := 0.5
		if a != b {
			part = math.Min(0.98, math.Max(0.02, (chance-a)/(b-a)))
		}
		return geometry.Point{
			X: g.Low.X + (float64(s.x)+0.5+part*float64(x2-s.x))*g.Step,
			Y: g.Low.Y + (float64(s.y)+0.5+part*float64(y2-s.y))*g.Step,
		}
	}
	var lines [][]geometry.Point
	for _, first := range order {
		if _, open := next[first]; !open {
			continue
		}
		var line []geometry.Point
		for s := first; ; {
			to, has := next[s]
			if !has {
				break
			}
			delete(next, s)
			line = append(line, place(s))
			s = to
		}
		if line = simplified(line, tolerance); len(line) > 2 {
			lines = append(lines, line)
		}
	}
	return lines
}

// bounds are the first and the last column and row of cells with a chance.
func (c Cover) bounds(g Grid, chance float64) (low, high [2]int) {
	low = [2]int{g.Wide, g.Deep}
	high = [2]int{-1, -1}
	for cell, v := range c {
		if float64(v) >= chance {
			x, y := cell%g.Wide, cell/g.Wide
			low[0], low[1] = min(low[0], x), min(low[1], y)
			high[0], high[1] = max(high[0], x), max(high[1], y)
		}
	}
	return low, high
}

// simplified leaves out the points of a closed line that lie within a tolerance of the line without them (Douglas and
// Peucker 1973).
func simplified(line []geometry.Point, tolerance float64) []geometry.Point {
	if len(line) < 4 {
		return line
	}
	// A closed line is cut at the point farthest from its first.
	cut := 0
	for i, p := range line {
		if p.Distance(line[0]) > line[cut].Distance(line[0]) {
			cut = i
		}
	}
	closed := append(append([]geometry.Point{}, line...), line[0])
	keep := make([]bool, len(closed))
	keep[0], keep[cut] = true, true
	markKept(closed, keep, 0, cut, tolerance)
	markKept(closed, keep, cut, len(closed)-1, tolerance)
	var kept []geometry.Point
	for i, p := range line {
		if keep[i] {
			kept = append(kept, p)
		}
	}
	return kept
}

func markKept(line []geometry.Point, keep []bool, from, to int, tolerance float64) {
	if to-from < 2 {
		return
	}
	most, farthest := 0.0, from
	for i := from + 1; i < to; i++ {
		if d := line[i].ToSegment(line[from], line[to]); d > most {
			most, farthest = d, i
		}
	}
	if most <= tolerance {
		return
	}
	keep[farthest] = true
	markKept(line, keep, from, farthest, tolerance)
	markKept(line, keep, farthest, to, tolerance)
}
