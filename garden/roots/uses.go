// Package roots is stands of which the roots are lifted: how many they bear to lose every year, which plants to lift,
// and what becomes of a stand. Each file is one use.
package roots

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

// kindRoots is the kind of the area's entries.
const kindRoots = "roots"

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	return area.Part{
		Registration: journal.Registration{Tables: []journal.AnyTable{plot.RootStandsTable}, Kinds: []string{kindRoots}},
		Kept:         []plot.AnyKept{plot.RootStands},
	}
}
