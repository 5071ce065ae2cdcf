package household

import (
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

var peopleTable = journal.NewTable(
	"people",
	(*store.Queries).GetPerson,
	(*store.Queries).PutPerson,
	(*store.Queries).DropPerson,
)

// registration is what the journal has to know of household.
var registration = journal.Registration{
	Tables: []journal.AnyTable{peopleTable},
	Kinds:  []string{"household"},
}
