// Package plants is the plants of the library and of the grower: their pages, their files, and notes on them.
// Each file is one use.
package plants

import (
	"bramblyacre/garden/area"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct {
	plot *plot.Plot
}

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{plot: p} }

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	told := registration
	told.Rules = []journal.Rule{u.leavesNoPlanting}
	return area.Part{Registration: told}
}
