// Package now is what there is to do: jobs, the round, looks, the ribbon, and finding anything.
// Each file is one use.
package now

import (
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct {
	plot *plot.Plot
	// jobSources are where jobs come from, this area's own among them.
	jobSources []area.Source
}

// New are the uses of a plot.
func New(p *plot.Plot, others ...area.Source) *Uses {
	return &Uses{plot: p, jobSources: append(others, jobs)}
}

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	return area.Part{Registration: registration, Kept: []plot.AnyKept{plot.WorkRows}, Jobs: jobs}
}
