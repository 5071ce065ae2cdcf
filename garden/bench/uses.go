// Package bench is making more of plants: what is wanted, which way, the raising of it from seed
// lot to bed, and where each came from. Each file is one use.
package bench

import (
	"sync"

	"bramblyacre/core/propagation"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct {
	plot *plot.Plot

	// skies are the weathers that were joined last, for the sky that they were joined of.
	skies struct {
		sync.Mutex
		of      *plot.Sky
		weather *propagation.Weathers
		err     error
	}
}

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{plot: p} }

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	return area.Part{
		Registration: registration,
		Kept:         keptRows,
		Jobs:         jobs,
	}
}
