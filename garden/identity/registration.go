package identity

import (
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// LooksTable holds the looks at plantings and finds.
var LooksTable = journal.NewTable(
	"looks",
	(*store.Queries).GetLook,
	(*store.Queries).PutLook,
	(*store.Queries).DropLook,
)

var findsTable = journal.NewTable(
	"finds",
	(*store.Queries).GetFind,
	(*store.Queries).PutFind,
	(*store.Queries).DropFind,
)

// registration is what the journal has to know of identity.
var registration = journal.Registration{
	Tables: []journal.AnyTable{LooksTable, findsTable},
	Kinds:  []string{"check", "find"},
}
