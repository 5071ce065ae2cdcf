package now

import (
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

var observationsTable = journal.NewTable(
	"observations",
	(*store.Queries).GetObservation,
	(*store.Queries).PutObservation,
	(*store.Queries).DropObservation,
)

var jobAnswersTable = journal.NewTable(
	"job_answers",
	(*store.Queries).GetJobAnswer,
	(*store.Queries).PutJobAnswer,
	(*store.Queries).DropJobAnswer,
)

// registration is what the journal has to know of now.
var registration = journal.Registration{
	Tables: []journal.AnyTable{observationsTable, jobAnswersTable},
	Kinds:  []string{"observation", "job"},
}
