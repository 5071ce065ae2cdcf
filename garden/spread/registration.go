package spread

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

var sightingsTable = journal.NewTable(
	"front_sightings",
	(*store.Queries).GetFrontSighting,
	(*store.Queries).PutFrontSighting,
	(*store.Queries).DropFrontSighting,
)

var clearingsTable = journal.NewTable(
	"clearings",
	(*store.Queries).GetClearing,
	(*store.Queries).PutClearing,
	(*store.Queries).DropClearing,
)

var settingsTable = journal.NewTable(
	"spread_settings",
	(*store.Queries).GetSpreadSetting,
	(*store.Queries).PutSpreadSetting,
	(*store.Queries).DropSpreadSetting,
)

// sightings are where fronts were seen.
var sightings = plot.Keep(
	sightingsTable,
	(*store.Queries).ListFrontSightings,
	func(r store.FrontSighting) int64 { return r.ID },
	func(a, b store.FrontSighting) int { return cmp.Compare(a.ID, b.ID) },
)

// clearings are the animals let into beds.
var clearings = plot.Keep(
	clearingsTable,
	(*store.Queries).ListClearings,
	func(r store.Clearing) int64 { return r.ID },
	func(a, b store.Clearing) int { return cmp.Compare(a.ID, b.ID) },
)

// settingsRows hold the area's one row.
var settingsRows = plot.Keep(
	settingsTable,
	(*store.Queries).ListSpreadSettings,
	func(r store.SpreadSetting) int64 { return r.ID },
	func(a, b store.SpreadSetting) int { return cmp.Compare(a.ID, b.ID) },
)

// kindSpread is the kind of the area's entries.
const kindSpread = "spread"

var registration = journal.Registration{
	Tables: []journal.AnyTable{sightingsTable, plot.StandHoldsTable, plot.LawNotesTable, clearingsTable, settingsTable},
	Kinds:  []string{kindSpread},
}

var keptRows = []plot.AnyKept{sightings, plot.StandHolds, plot.LawNotes, clearings, settingsRows}
