// Package place is the place and what stands in it: site, beds, things on the plan, plantings, ground and light.
// Each file is one use.
package place

import (
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct {
	plot *plot.Plot
	// dragging keeps the light without the thing that is being dragged.
	dragging dragging
}

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{plot: p} }

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	return area.Part{Registration: registration, Tries: []plot.Tryout{tryPlanting}}
}
