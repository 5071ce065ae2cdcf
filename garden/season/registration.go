package season

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

var feastsTable = journal.NewTable(
	"feasts",
	(*store.Queries).GetFeast,
	(*store.Queries).PutFeast,
	(*store.Queries).DropFeast,
)

var daysAwayTable = journal.NewTable(
	"days_away",
	(*store.Queries).GetDaysAway,
	(*store.Queries).PutDaysAway,
	(*store.Queries).DropDaysAway,
)

var customDaysTable = journal.NewTable(
	"custom_days",
	(*store.Queries).GetCustomDay,
	(*store.Queries).PutCustomDay,
	(*store.Queries).DropCustomDay,
)

var plansTable = journal.NewTable(
	"season_plans",
	(*store.Queries).GetSeasonPlan,
	(*store.Queries).PutSeasonPlan,
	(*store.Queries).DropSeasonPlan,
)

// feasts are the days on which something must be ready.
var feasts = plot.Keep(
	feastsTable,
	(*store.Queries).ListFeasts,
	func(r store.Feast) int64 { return r.ID },
	func(a, b store.Feast) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.ID, b.ID)) },
)

// daysAway are the days on which nobody is there.
var daysAway = plot.Keep(
	daysAwayTable,
	(*store.Queries).ListDaysAway,
	func(r store.DaysAway) int64 { return r.ID },
	func(a, b store.DaysAway) int {
		return cmp.Or(cmp.Compare(a.FirstDay, b.FirstDay), cmp.Compare(a.ID, b.ID))
	},
)

// customDays are the days of the year on which a custom asks for a part.
var customDays = plot.Keep(
	customDaysTable,
	(*store.Queries).ListCustomDays,
	func(r store.CustomDay) int64 { return r.ID },
	func(a, b store.CustomDay) int {
		return cmp.Or(cmp.Compare(a.Month, b.Month), cmp.Compare(a.Day, b.Day), cmp.Compare(a.ID, b.ID))
	},
)

// planRows are the plans that were kept.
var planRows = plot.Keep(
	plansTable,
	(*store.Queries).ListSeasonPlans,
	func(r store.SeasonPlan) int64 { return r.ID },
	func(a, b store.SeasonPlan) int { return cmp.Compare(a.ID, b.ID) },
)

// kindSeason is the kind of the area's entries.
const kindSeason = "season"

var registration = journal.Registration{
	Tables: []journal.AnyTable{
		feastsTable, plot.GatherSettingsTable, daysAwayTable, customDaysTable, plansTable, plot.KeptSharesTable,
	},
	Kinds: []string{kindSeason},
}

var keptRows = []plot.AnyKept{feasts, plot.GatherSettingsRows, daysAway, customDays, planRows, plot.KeptShares}
