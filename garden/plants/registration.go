package plants

import (
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

var ownPlantsTable = journal.NewTable(
	"own_plants",
	(*store.Queries).GetOwnPlant,
	(*store.Queries).PutOwnPlant,
	(*store.Queries).DropOwnPlant,
)

var ownFiguresTable = journal.NewTable(
	"own_figures",
	(*store.Queries).GetOwnFigure,
	(*store.Queries).PutOwnFigure,
	(*store.Queries).DropOwnFigure,
)

var plantNotesTable = journal.NewTable(
	"plant_notes",
	(*store.Queries).GetPlantNote,
	(*store.Queries).PutPlantNote,
	(*store.Queries).DropPlantNote,
)

// registration is what the journal has to know of plants.
var registration = journal.Registration{
	Tables: []journal.AnyTable{ownPlantsTable, ownFiguresTable, plantNotesTable},
	Kinds:  []string{"own plant", "own figure", "plant note"},
}
