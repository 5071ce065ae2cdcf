package garden

import "bramblyacre/store"

var practiceTable = NewTable("practice", (*store.Queries).GetPractice, (*store.Queries).PutPractice, (*store.Queries).DropPractice)

// practiceTold is what the journal has to know of practice.
var practiceTold = Told{
	Tables: []AnyTable{practiceTable},
	Kinds:  []string{"practice"},
}
