package garden

import "bramblyacre/store"

var makingsTable = NewTable("makings", (*store.Queries).GetMaking, (*store.Queries).PutMaking, (*store.Queries).DropMaking)

var measuresTable = NewTable("measures", (*store.Queries).GetMeasure, (*store.Queries).PutMeasure, (*store.Queries).DropMeasure)

var needsTable = NewTable("needs", (*store.Queries).GetNeed, (*store.Queries).PutNeed, (*store.Queries).DropNeed)

var pickingsTable = NewTable("pickings", (*store.Queries).GetPicking, (*store.Queries).PutPicking, (*store.Queries).DropPicking)

var sortingsTable = NewTable("sortings", (*store.Queries).GetSorting, (*store.Queries).PutSorting, (*store.Queries).DropSorting)

// gatherTold is what the journal has to know of gather.
var gatherTold = Told{
	Tables: []AnyTable{makingsTable, measuresTable, needsTable, pickingsTable, sortingsTable},
	Kinds:  []string{"picking", "need", "sorting", "making", "measure"},
}
