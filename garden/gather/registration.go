package gather

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

var makingsTable = journal.NewTable(
	"makings",
	(*store.Queries).GetMaking,
	(*store.Queries).PutMaking,
	(*store.Queries).DropMaking,
)

var measuresTable = journal.NewTable(
	"measures",
	(*store.Queries).GetMeasure,
	(*store.Queries).PutMeasure,
	(*store.Queries).DropMeasure,
)

var needsTable = journal.NewTable(
	"needs",
	(*store.Queries).GetNeed,
	(*store.Queries).PutNeed,
	(*store.Queries).DropNeed,
)

var pickingsTable = journal.NewTable(
	"pickings",
	(*store.Queries).GetPicking,
	(*store.Queries).PutPicking,
	(*store.Queries).DropPicking,
)

var sortingsTable = journal.NewTable(
	"sortings",
	(*store.Queries).GetSorting,
	(*store.Queries).PutSorting,
	(*store.Queries).DropSorting,
)

// registration is what the journal has to know of gather.
var registration = journal.Registration{
	Tables: []journal.AnyTable{makingsTable, measuresTable, needsTable, pickingsTable, sortingsTable},
	Kinds:  []string{"picking", "need", "sorting", "making", "measure"},
}

// measures are what the grower's own measures weigh.
var measures = plot.Keep(
	measuresTable,
	(*store.Queries).ListMeasures,
	func(r store.Measure) int64 { return r.ID },
	func(a, b store.Measure) int {
		return cmp.Or(cmp.Compare(a.Name, b.Name), cmp.Compare(a.SpeciesID, b.SpeciesID), cmp.Compare(a.Part, b.Part))
	},
)
