// Package season is the plan of the season: what the household needs, what it has to make do with, which stand is
// picked on which day and how much, and what that covers. Each file is one use.
package season

import (
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct {
	plot *plot.Plot
	made plans
}

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{plot: p} }

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	return area.Part{Registration: registration, Kept: keptRows, Jobs: area.Source{Planting: u.pickJobs, Dated: u.planned}}
}
