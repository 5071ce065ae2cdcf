package gather

import (
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
	Tables: []journal.AnyTable{
		makingsTable,
		plot.MeasuresTable,
		needsTable,
		pickingsTable,
		sortingsTable,
		firstTastesTable,
	},
	Kinds: []string{"picking", "need", "sorting", "making", "measure", "first taste"},
}
