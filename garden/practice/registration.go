package practice

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

var practiceTable = journal.NewTable(
	"practice",
	(*store.Queries).GetPractice,
	(*store.Queries).PutPractice,
	(*store.Queries).DropPractice,
)

// registration is what the journal has to know of practice.
var registration = journal.Registration{
	Tables: []journal.AnyTable{practiceTable},
	Kinds:  []string{"practice"},
}

// cards are how well each pair is told.
var cards = plot.Keep(
	practiceTable,
	(*store.Queries).ListPractice,
	func(r store.Practice) int64 { return r.ID },
	func(a, b store.Practice) int { return cmp.Compare(a.ID, b.ID) },
)
