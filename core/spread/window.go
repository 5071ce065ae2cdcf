package spread

// window is what is known of some cells of a grid: those of a rectangle, Never for all others. Most stands reach a
// small part of a plot.
type window struct {
	grid             Grid
	x, y, wide, deep int
	values           []float32
}

// windowOf keeps the rectangle of a grid's cells that are reached.
func windowOf(g Grid, all []float32) window {
	low, high := [2]int{g.Wide, g.Deep}, [2]int{-1, -1}
	for y := range g.Deep {
		for x, v := range all[y*g.Wide : (y+1)*g.Wide] {
			if v < Never {
				low[0], low[1] = min(low[0], x), min(low[1], y)
				high[0], high[1] = max(high[0], x), max(high[1], y)
			}
		}
	}
	if high[0] < 0 {
		return window{grid: g}
	}
	w := window{grid: g, x: low[0], y: low[1], wide: high[0] - low[0] + 1, deep: high[1] - low[1] + 1}
	w.values = make([]float32, 0, w.wide*w.deep)
	for y := low[1]; y <= high[1]; y++ {
		w.values = append(w.values, all[y*g.Wide+low[0]:y*g.Wide+high[0]+1]...)
	}
	return w
}

// at is the value of a cell of the grid.
func (w *window) at(cell int) float32 {
	x, y := cell%w.grid.Wide-w.x, cell/w.grid.Wide-w.y
	if x < 0 || y < 0 || x >= w.wide || y >= w.deep {
		return Never
	}
	return w.values[y*w.wide+x]
}

// each calls do for every cell of the window that is reached.
func (w *window) each(do func(cell int, value float32)) {
	for y := range w.deep {
		first := (w.y+y)*w.grid.Wide + w.x
		for x, v := range w.values[y*w.wide : (y+1)*w.wide] {
			if v < Never {
				do(first+x, v)
			}
		}
	}
}
