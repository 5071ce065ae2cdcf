// Package identity is proving what a plant is: checks, finds, what is this, photographs.
// Each file is one use.
package identity

import (
	"sync"

	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct {
	plot *plot.Plot
	// picturing keeps one photograph at a time in memory, decoded.
	picturing sync.Mutex
}

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{plot: p} }

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	return area.Part{Registration: registration, Jobs: jobs, Tries: []plot.Tryout{tryCheck}}
}
