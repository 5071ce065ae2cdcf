// Package gather is picking: windows, amounts, baskets, what is made of them, and what a year needs.
// Each file is one use.
package gather

import (
	"bramblyacre/garden/area"
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
	return area.Part{Registration: registration, Kept: []plot.AnyKept{plot.Measures, firstTastes}}
}
