package garden

import "bramblyacre/store"

var ownPlantsTable = NewTable("own_plants", (*store.Queries).GetOwnPlant, (*store.Queries).PutOwnPlant, (*store.Queries).DropOwnPlant)

var ownFiguresTable = NewTable("own_figures", (*store.Queries).GetOwnFigure, (*store.Queries).PutOwnFigure, (*store.Queries).DropOwnFigure)

var plantNotesTable = NewTable("plant_notes", (*store.Queries).GetPlantNote, (*store.Queries).PutPlantNote, (*store.Queries).DropPlantNote)

// plantsTold is what the journal has to know of plants.
var plantsTold = Told{
	Tables: []AnyTable{ownPlantsTable, ownFiguresTable, plantNotesTable},
	Kinds:  []string{"own plant", "own figure", "plant note"},
}
