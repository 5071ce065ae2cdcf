package plot

import (
	"cmp"

	"bramblyacre/core/harvest"
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// GatherSettingsTable holds the drier and the time for picking, one row.
var GatherSettingsTable = journal.NewTable(
	"gather_settings",
	(*store.Queries).GetGatherSettings,
	(*store.Queries).PutGatherSettings,
	(*store.Queries).DropGatherSettings,
)

// GatherSettingsRows hold the drier and the time for picking.
var GatherSettingsRows = Keep(
	GatherSettingsTable,
	(*store.Queries).ListGatherSettings,
	func(r store.GatherSetting) int64 { return r.ID },
	func(a, b store.GatherSetting) int { return cmp.Compare(a.ID, b.ID) },
)

// What stands for a drier until somebody says how it is: a small one with a fan, not too warm for leaf.
const (
	UnsaidTrayM2  = 0.12
	UnsaidCelsius = 35
)

// GatherSettings are the drier and the time for picking, or what stands for them until somebody says.
func (s *State) GatherSettings() store.GatherSetting {
	if rows := GatherSettingsRows.Of(s); len(rows) > 0 {
		return rows[0]
	}
	return store.GatherSetting{TrayM2: UnsaidTrayM2, Celsius: UnsaidCelsius, MovingAir: 1}
}

// GatherSettingsParams are the drier and the time for picking as they are written whole.
func GatherSettingsParams(row store.GatherSetting) store.PutGatherSettingsParams {
	params := store.PutGatherSettingsParams{
		Trays: row.Trays, TrayM2: row.TrayM2, Celsius: row.Celsius, MovingAir: row.MovingAir,
		Monday: row.Monday, Tuesday: row.Tuesday, Wednesday: row.Wednesday, Thursday: row.Thursday, Friday: row.Friday,
		Saturday: row.Saturday, Sunday: row.Sunday, Drier: row.Drier, Watts: row.Watts,
	}
	if row.ID != 0 {
		params.ID = &row.ID
	}
	return params
}

// DrierOf is the drier as the sums take it.
func DrierOf(row store.GatherSetting) harvest.Drier {
	return harvest.Drier{Celsius: row.Celsius, MovingAir: row.MovingAir != 0}
}
