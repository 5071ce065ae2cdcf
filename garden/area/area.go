// Package area is what an area tells the rest of the house, by one value: what it has noted,
// and what it would have done.
package area

import (
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
)

// Part is an area as the rest of the house knows it.
type Part struct {
	// Registration is what the journal has to know: tables, kinds of entry, rules.
	Registration journal.Registration
	// Kept are the rows that this area alone reads.
	Kept []plot.AnyKept
	// Jobs are what the area would have done.
	Jobs Source
	// Tries are asked of plantings of own plants before they are shown.
	Tries []plot.Tryout
}
