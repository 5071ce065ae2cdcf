// Package larder is the store: the drier and its trays, what is made of what was picked, jars with what is in them and
// where that came from, what is held back, and when a jar runs out. Each file is one use.
package larder

import (
	"bramblyacre/garden/area"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// Uses are what the household does here.
type Uses struct {
	plot *plot.Plot
	used uses
}

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{plot: p} }

// Part is what the area tells the rest of the house.
func (u *Uses) Part() area.Part {
	return area.Part{Registration: registration, Kept: keptRows, Jobs: area.Source{Plot: u.jobs, Find: findJars}}
}

// kindStore is the kind of the area's entries.
const kindStore = "store"

var recipesTable = journal.NewTable(
	"own_recipes",
	(*store.Queries).GetOwnRecipe,
	(*store.Queries).PutOwnRecipe,
	(*store.Queries).DropOwnRecipe,
)

var settingsTable = journal.NewTable(
	"larder_settings",
	(*store.Queries).GetLarderSettings,
	(*store.Queries).PutLarderSettings,
	(*store.Queries).DropLarderSettings,
)

// ownRecipes are the household's own recipes.
var ownRecipes = plot.Keep(
	recipesTable,
	(*store.Queries).ListOwnRecipes,
	func(r store.OwnRecipe) int64 { return r.ID },
	func(a, b store.OwnRecipe) int { return int(a.ID - b.ID) },
)

// settingsRows hold the larder's one row.
var settingsRows = plot.Keep(
	settingsTable,
	(*store.Queries).ListLarderSettings,
	func(r store.LarderSetting) int64 { return r.ID },
	func(a, b store.LarderSetting) int { return int(a.ID - b.ID) },
)

var registration = journal.Registration{
	Tables: []journal.AnyTable{
		plot.ShelvesTable, plot.LotsTable, plot.LotFlowsTable, plot.TrayWeightsTable, plot.LotStepsTable,
		plot.JarsTable, plot.JarFlowsTable, plot.RecallsTable, recipesTable, settingsTable,
	},
	Kinds: []string{kindStore},
}

var keptRows = []plot.AnyKept{
	plot.Shelves, plot.Lots, plot.LotFlows, plot.TrayWeights, plot.LotSteps, plot.Jars, plot.JarFlows, plot.Recalls,
	ownRecipes, settingsRows,
}
