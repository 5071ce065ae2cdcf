package garden

import "bramblyacre/store"

var observationsTable = NewTable("observations", (*store.Queries).GetObservation, (*store.Queries).PutObservation, (*store.Queries).DropObservation)

var jobAnswersTable = NewTable("job_answers", (*store.Queries).GetJobAnswer, (*store.Queries).PutJobAnswer, (*store.Queries).DropJobAnswer)

// nowTold is what the journal has to know of now.
var nowTold = Told{
	Tables: []AnyTable{observationsTable, jobAnswersTable},
	Kinds:  []string{"observation", "job"},
}
