package place

import (
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

var bedsTable = journal.NewTable("beds", (*store.Queries).GetBed, (*store.Queries).PutBed, (*store.Queries).DropBed)

var planItemsTable = journal.NewTable(
	"plan_items",
	(*store.Queries).GetPlanItem,
	(*store.Queries).PutPlanItem,
	(*store.Queries).DropPlanItem,
)

var fatesTable = journal.NewTable(
	"fates",
	(*store.Queries).GetFate,
	(*store.Queries).PutFate,
	(*store.Queries).DropFate,
)

var readingsTable = journal.NewTable(
	"readings",
	(*store.Queries).GetReading,
	(*store.Queries).PutReading,
	(*store.Queries).DropReading,
)

// registration is what the journal has to know of place.
var registration = journal.Registration{
	Tables: []journal.AnyTable{bedsTable, planItemsTable, fatesTable, readingsTable},
	Kinds:  []string{"planting", "bed", "site", "plan", "ground"},
	Rules:  []journal.Rule{keepWithinLimits},
}
