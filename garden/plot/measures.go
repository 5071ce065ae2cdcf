package plot

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// MeasuresTable holds what the grower's own measures weigh.
var MeasuresTable = journal.NewTable(
	"measures",
	(*store.Queries).GetMeasure,
	(*store.Queries).PutMeasure,
	(*store.Queries).DropMeasure,
)

// Measures are what the grower's own measures weigh.
var Measures = Keep(
	MeasuresTable,
	(*store.Queries).ListMeasures,
	func(r store.Measure) int64 { return r.ID },
	func(a, b store.Measure) int {
		return cmp.Or(cmp.Compare(a.Name, b.Name), cmp.Compare(a.SpeciesID, b.SpeciesID), cmp.Compare(a.Part, b.Part))
	},
)
