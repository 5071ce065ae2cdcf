package server

import (
	"errors"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/say"
)

// asks marks a fault that is a question: what was sent is noted once it is said yes to. The page knows it by this mark
// alone, so that a new question needs nothing there.
const asks = "asks: "

// asProblem turns the garden's errors into RFC 9457 problems: faults at their
// fields, unknown ids and conflicts with their reason. Anything else is ours,
// and its text stays in the log.
func asProblem(err error) error {
	var faults say.Faults
	var missing say.NotFoundError
	var conflict say.ConflictError
	var stale say.StaleError
	switch {
	case err == nil:
		return nil
	case errors.As(err, &faults):
		details := make([]error, len(faults))
		for i, fault := range faults {
			detail := &huma.ErrorDetail{Location: "body." + fault.Field, Message: fault.Message}
			if fault.Code != "" {
				detail.Value = asks + fault.Code
			}
			details[i] = detail
		}
		return huma.Error422UnprocessableEntity("Something entered cannot be. Nothing was changed.", details...)
	case errors.As(err, &missing):
		return huma.Error404NotFound(missing.Error())
	case errors.As(err, &stale):
		return huma.Error412PreconditionFailed(stale.Error())
	case errors.As(err, &conflict):
		return huma.Error409Conflict(conflict.Error())
	}
	if why, is := journal.DiskFault(err); is {
		return huma.NewError(http.StatusInsufficientStorage, why)
	}
	return err
}
