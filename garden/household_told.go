package garden

import "bramblyacre/store"

var peopleTable = NewTable("people", (*store.Queries).GetPerson, (*store.Queries).PutPerson, (*store.Queries).DropPerson)

// householdTold is what the journal has to know of household.
var householdTold = Told{
	Tables: []AnyTable{peopleTable},
	Kinds:  []string{"household"},
}
