// Package spread is how far the plot's plants get by themselves: the map of the years to come, the ways of holding a
// stand and the one that was chosen, the last day to behead, what came up by itself, what overtakes a crop, and the
// animals that clear a bed. Each file is one use.
package spread

import (
	"sync"

	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct {
	plot *plot.Plot

	// last is what was reckoned last.
	last struct {
		sync.Mutex
		reckoning *reckoning
	}
}

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{plot: p} }

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	return area.Part{Registration: registration, Kept: keptRows, Jobs: jobs}
}
