// Package spread is how far plants get by themselves, by when, and what holds them: fronts of runners and roots over
// the plan, seed in the ground, the ways of holding both, and what to do with what comes up.
//
// Everything is a chance over Runs seeded runs. A run draws how fast a front is, how deep a barrier would have to go,
// what is missed each year and how much seed there is; all ways of holding a stand are tried on the same draws, so
// that more work never comes out as worse by chance alone.
package spread

import (
	"errors"
	"math"

	"bramblyacre/core/geometry"
)

// CellM is the side of a cell in metres, on a plot of which so many are enough.
const CellM = 0.25

// MarginM is how far beyond the plot's boundary the ground is reckoned, in metres.
const MarginM = 3

// MostCells bounds the grid: on a plot of more than 150 × 150 m cells are larger.
const MostCells = 400_000

// Grid is the ground as cells, row by row from the corner of the least coordinates.
type Grid struct {
	// Low is the corner of the first cell.
	Low geometry.Point
	// Wide and Deep are the cells of a row and of a column.
	Wide, Deep int
	// Step is a cell's side in metres.
	Step float64
}

// GridAround is the grid over a boundary and MarginM round it; an error for a boundary that is none.
func GridAround(boundary geometry.Polygon) (Grid, error) {
	low, high := boundary.Bounds()
	wide, deep := high.X-low.X+2*MarginM, high.Y-low.Y+2*MarginM
	if !(wide*deep > 0) || math.IsInf(wide*deep, 0) {
		return Grid{}, errors.New("the plot has no boundary to reckon its spread in")
	}
	g := Grid{Low: geometry.Point{X: low.X - MarginM, Y: low.Y - MarginM}, Step: CellM}
	g.Step = math.Max(CellM, math.Sqrt(wide*deep/MostCells))
	g.Wide, g.Deep = int(math.Ceil(wide/g.Step)), int(math.Ceil(deep/g.Step))
	return g, nil
}

// Cells is how many cells there are.
func (g Grid) Cells() int { return g.Wide * g.Deep }

// Middle is the middle of a cell.
func (g Grid) Middle(cell int) geometry.Point {
	return geometry.Point{
		X: g.Low.X + (float64(cell%g.Wide)+0.5)*g.Step,
		Y: g.Low.Y + (float64(cell/g.Wide)+0.5)*g.Step,
	}
}

// CellAt is the cell that a point lies in; false outside the grid.
func (g Grid) CellAt(p geometry.Point) (cell int, inside bool) {
	x, y := math.Floor((p.X-g.Low.X)/g.Step), math.Floor((p.Y-g.Low.Y)/g.Step)
	if !(x >= 0 && y >= 0 && x < float64(g.Wide) && y < float64(g.Deep)) {
		return 0, false
	}
	return int(y)*g.Wide + int(x), true
}

// each calls do for every cell whose middle lies within a box, its edges included.
func (g Grid) each(low, high geometry.Point, do func(cell int, at geometry.Point)) {
	column := func(x float64) int { return int(math.Floor((x - g.Low.X) / g.Step)) }
	row := func(y float64) int { return int(math.Floor((y - g.Low.Y) / g.Step)) }
	for y := max(0, row(low.Y)); y <= min(g.Deep-1, row(high.Y)); y++ {
		for x := max(0, column(low.X)); x <= min(g.Wide-1, column(high.X)); x++ {
			cell := y*g.Wide + x
			do(cell, g.Middle(cell))
		}
	}
}

// Within are the cells whose middle lies in a region.
func (g Grid) Within(region geometry.Region) (cells []int32) {
	low, high := region.Bounds()
	g.each(low, high, func(cell int, at geometry.Point) {
		if region.Contains(at) {
			cells = append(cells, int32(cell))
		}
	})
	return cells
}

// Near are the cells whose middle lies within a distance in metres of a region.
func (g Grid) Near(region geometry.Region, distance float64) (cells []int32) {
	low, high := region.Bounds()
	by := geometry.Point{X: distance, Y: distance}
	g.each(low.Minus(by), high.Plus(by), func(cell int, at geometry.Point) {
		if region.Contains(at) || region.DistanceTo(at) <= distance {
			cells = append(cells, int32(cell))
		}
	})
	return cells
}

// Along are the cells that a line crosses: those whose middle lies within half a cell of it, so that nothing that goes
// from cell to cell through their sides gets past without going through one.
func (g Grid) Along(line []geometry.Point) (cells []int32) {
	half := g.Step / 2 * (1 + 1e-9)
	by := geometry.Point{X: half, Y: half}
	seen := map[int]bool{}
	for i := 1; i < len(line); i++ {
		a, b := line[i-1], line[i]
		low := geometry.Point{X: math.Min(a.X, b.X), Y: math.Min(a.Y, b.Y)}
		high := geometry.Point{X: math.Max(a.X, b.X), Y: math.Max(a.Y, b.Y)}
		g.each(low.Minus(by), high.Plus(by), func(cell int, at geometry.Point) {
			if at.ToSegment(a, b) <= half && !seen[cell] {
				seen[cell] = true
				cells = append(cells, int32(cell))
			}
		})
	}
	return cells
}
