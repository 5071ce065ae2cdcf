package garden

import "bramblyacre/store"

var looksTable = NewTable("looks", (*store.Queries).GetLook, (*store.Queries).PutLook, (*store.Queries).DropLook)

var findsTable = NewTable("finds", (*store.Queries).GetFind, (*store.Queries).PutFind, (*store.Queries).DropFind)

// identityTold is what the journal has to know of identity.
var identityTold = Told{
	Tables: []AnyTable{looksTable, findsTable},
	Kinds:  []string{"check", "find"},
}
