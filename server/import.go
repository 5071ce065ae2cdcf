package server

import (
	"context"

	"bramblyacre/format"
	"bramblyacre/garden"
)

// importPlan reads a plan's file into the plot. What is wrong with the file is told
// at the field of its text.
func (o operations) importPlan(ctx context.Context, text string) (garden.Entry, error) {
	data, err := format.ReadPlan([]byte(text))
	if err != nil {
		return garden.Entry{}, garden.Faults{{Field: "text", Message: err.Error()}}
	}
	return o.garden.ImportPlan(ctx, data)
}
