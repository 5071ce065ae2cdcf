package now

import (
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

var jobAnswersTable = journal.NewTable(
	"job_answers",
	(*store.Queries).GetJobAnswer,
	(*store.Queries).PutJobAnswer,
	(*store.Queries).DropJobAnswer,
)

// registration is what the journal has to know of now.
var registration = journal.Registration{
	Tables: []journal.AnyTable{plot.ObservationsTable, jobAnswersTable, plot.WorkTable},
	Kinds:  []string{"observation", "job", kindWork},
}
