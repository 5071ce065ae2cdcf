package server

import (
	"errors"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden"
)

// asProblem turns the garden's errors into RFC 9457 problems: faults at their
// fields, unknown ids and conflicts with their reason. Anything else is ours,
// and its text stays in the log.
func asProblem(err error) error {
	var faults garden.Faults
	var missing garden.NotFoundError
	var conflict garden.ConflictError
	switch {
	case err == nil:
		return nil
	case errors.As(err, &faults):
		details := make([]error, len(faults))
		for i, fault := range faults {
			details[i] = &huma.ErrorDetail{Location: "body." + fault.Field, Message: fault.Message}
		}
		return huma.Error422UnprocessableEntity("Something entered cannot be. Nothing was changed.", details...)
	case errors.As(err, &missing):
		return huma.Error404NotFound(missing.Error())
	case errors.As(err, &conflict):
		return huma.Error409Conflict(conflict.Error())
	}
	return err
}
