package garden

import "bramblyacre/store"

var bedsTable = NewTable("beds", (*store.Queries).GetBed, (*store.Queries).PutBed, (*store.Queries).DropBed)

var planItemsTable = NewTable("plan_items", (*store.Queries).GetPlanItem, (*store.Queries).PutPlanItem, (*store.Queries).DropPlanItem)

var fatesTable = NewTable("fates", (*store.Queries).GetFate, (*store.Queries).PutFate, (*store.Queries).DropFate)

var readingsTable = NewTable("readings", (*store.Queries).GetReading, (*store.Queries).PutReading, (*store.Queries).DropReading)

// placeTold is what the journal has to know of place.
var placeTold = Told{
	Tables: []AnyTable{bedsTable, planItemsTable, fatesTable, readingsTable},
	Kinds:  []string{"planting", "bed", "site", "plan", "ground"},
	Rules:  []Rule{keepWithinLimits},
}
