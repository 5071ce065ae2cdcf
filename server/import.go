package server

import (
	"context"

	"bramblyacre/format"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/say"
)

// importPlan reads a plan's file into the plot. What is wrong with the file is told
// at the field of its text.
func (o operations) importPlan(ctx context.Context, text string) (journal.Entry, error) {
	data, err := format.ReadPlan([]byte(text))
	if err != nil {
		return journal.Entry{}, say.Faults{{Field: "text", Message: err.Error()}}
	}
	return o.garden.Place.ImportPlan(ctx, data)
}
