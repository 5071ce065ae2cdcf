package server

import (
	"context"
	"log/slog"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/garden"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// operations are what the browser can ask for.
type operations struct {
	garden *garden.Garden
	shared *Sharing
	// address is where this machine itself reaches them.
	address string
}

// answer is a JSON body.
type answer[T any] struct{ Body T }

// ShownDay is the day to show.
type ShownDay struct {
	On string `query:"on" doc:"The day to show, 2031-05-27; today where it is left out"`
}

func (d ShownDay) date() (calendar.Date, error) {
	if d.On == "" {
		return plot.NoDay, nil
	}
	day, err := calendar.Parse(d.On)
	if err != nil {
		return 0, say.Faults{{Field: "on", Message: err.Error()}}
	}
	return day, nil
}

// ByID is the id in an address.
type ByID struct {
	ID int64 `path:"id"`
}

// Seen is the version of what the page showed when a change was typed.
type Seen struct {
	Version string `header:"If-Match" required:"true" minLength:"3" doc:"The version that was shown, in quotes"`
}

// version is the version that was shown. "*" is refused: a page that says so would write
// over what it never saw.
func (s Seen) version() say.Version {
	version := say.Version(strings.Trim(s.Version, `"`))
	if version == say.AsItStands {
		return ""
	}
	return version
}

// nothing is asked.
type nothing struct{}

// operation registers one operation whose answer is a JSON body.
func operation[In, Out any](
	api huma.API,
	method, path, id, summary string,
	act func(context.Context, *In) (Out, error),
) {
	huma.Register(
		api,
		huma.Operation{OperationID: id, Method: method, Path: path, Summary: summary, MaxBodyBytes: mostBody},
		func(ctx context.Context, in *In) (*answer[Out], error) {
			out, err := act(ctx, in)
			if err != nil {
				told := asProblem(err)
				if _, known := told.(huma.StatusError); !known {
					slog.ErrorContext(ctx, "an operation failed", "operation", id, "error", err)
					told = huma.Error500InternalServerError(failed(method))
				}
				return nil, told
			}
			return &answer[Out]{out}, nil
		},
	)
}

// show registers an operation that shows something on a day.
func show[Out any](api huma.API, path, id, summary string, act func(context.Context, calendar.Date) (Out, error)) {
	operation(api, http.MethodGet, path, id, summary, func(ctx context.Context, in *ShownDay) (Out, error) {
		day, err := in.date()
		if err != nil {
			var none Out
			return none, err
		}
		return act(ctx, day)
	})
}

func (o operations) registerLedger(api huma.API) {
	operation(api, http.MethodGet, "/api/ledger", "getLedger", "Everything noted, the newest first",
		func(ctx context.Context, in *struct {
			Kind     string `query:"kind"`
			Planting int64  `query:"planting"`
			Words    string `query:"words" maxLength:"200"`
			Before   int64  `query:"before"`
			Most     int    `query:"most" minimum:"1" maximum:"200" default:"60"`
		}) (journal.LedgerView, error) {
			return o.garden.Ledger(
				ctx,
				journal.LedgerFilter{
					Kind:       in.Kind,
					PlantingID: in.Planting,
					Containing: in.Words,
					Before:     in.Before,
					Most:       in.Most,
				},
			)
		})
	operation(api, http.MethodPost, "/api/ledger/{id}/take-back", "takeBack", "Take an entry back",
		func(ctx context.Context, in *ByID) (journal.Entry, error) { return o.garden.TakeBack(ctx, in.ID) })
}
