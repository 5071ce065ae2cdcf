package practice

import (
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

var practiceTable = journal.NewTable("practice", (*store.Queries).GetPractice, (*store.Queries).PutPractice, (*store.Queries).DropPractice)

// registration is what the journal has to know of practice.
var registration = journal.Registration{
	Tables: []journal.AnyTable{practiceTable},
	Kinds:  []string{"practice"},
}
