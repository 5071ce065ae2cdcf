package server

import (
	"context"
	"log/slog"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/core/unit"
	"bramblyacre/garden"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// operations are what the browser can ask for.
type operations struct{ garden *garden.Garden }

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

func (o operations) registerSite(api huma.API) {
	operation(api, http.MethodGet, "/api/site", "getSite", "The plot's place and the choices that forms offer",
		func(ctx context.Context, _ *nothing) (place.SiteView, error) { return o.garden.Place.Site(ctx) })
	operation(api, http.MethodPut, "/api/site", "setSite", "Change the plot's place and units",
		func(ctx context.Context, in *struct {
			Seen
			Body place.SiteInput
		}) (journal.Entry, error) {
			return o.garden.Place.SetSite(ctx, in.version(), in.Body)
		})
	operation(
		api,
		http.MethodGet,
		"/api/climates",
		"listClimates",
		"The climates for a latitude, the likeliest first, each with what it means",
		func(ctx context.Context, in *struct {
			Latitude float64 `query:"latitude" required:"true" minimum:"-90" maximum:"90"`
			Units    string  `query:"units" enum:"metric,us" doc:"Left out: as the plot is shown"`
		}) ([]place.ClimateChoice, error) {
			return o.garden.Place.Climates(ctx, in.Latitude, unit.System(in.Units))
		},
	)
	show(
		api,
		"/api/ribbon",
		"getRibbon",
		"The plot's year",
		func(ctx context.Context, on calendar.Date) (now.RibbonView, error) {
			return o.garden.Now.Ribbon(ctx, on)
		},
	)
	operation(api, http.MethodGet, "/api/species", "listSpecies", "The library's plants",
		func(ctx context.Context, _ *nothing) ([]plants.SpeciesChoice, error) {
			return o.garden.Plants.Species(ctx)
		})
	operation(api, http.MethodGet, "/api/find", "find", "Beds and plantings by any name",
		func(ctx context.Context, in *struct {
			Words string `query:"words" maxLength:"200"`
		}) ([]now.Found, error) {
			return o.garden.Now.Find(ctx, in.Words)
		})
}

func (o operations) registerNow(api huma.API) {
	show(
		api,
		"/api/now",
		"getNow",
		"What is closing, open and coming",
		func(ctx context.Context, on calendar.Date) (now.NowView, error) {
			return o.garden.Now.Now(ctx, on)
		},
	)
	show(
		api,
		"/api/gather",
		"getGather",
		"Every window of the season",
		func(ctx context.Context, on calendar.Date) (gather.GatherView, error) {
			return o.garden.Gather.Gather(ctx, on)
		},
	)
	operation(api, http.MethodGet, "/api/round", "getRound", "Today's walk",
		func(ctx context.Context, _ *nothing) (now.RoundView, error) { return o.garden.Now.Round(ctx) })
	operation(api, http.MethodPost, "/api/jobs/answer", "answerJob", "Note that a job is done, put off or skipped",
		func(ctx context.Context, in *struct {
			Body struct {
				Key    string `json:"key"`
				Answer string `json:"answer" doc:"done, not yet or skip"`
			}
		}) (journal.Entry, error) {
			return o.garden.Now.AnswerJob(ctx, in.Body.Key, in.Body.Answer)
		})
	operation(api, http.MethodPut, "/api/needs", "setNeed", "Note what the household needs of a part in a year",
		func(ctx context.Context, in *struct {
			Seen
			Body gather.NeedInput
		}) (journal.Entry, error) {
			return o.garden.Gather.SetNeed(ctx, in.version(), in.Body)
		})
}

func (o operations) registerPlot(api huma.API) {
	show(
		api,
		"/api/plot",
		"getPlot",
		"The plan of the plot",
		func(ctx context.Context, on calendar.Date) (place.PlotView, error) {
			return o.garden.Place.Plot(ctx, on)
		},
	)
	operation(api, http.MethodPost, "/api/beds", "addBed", "Lay out a bed",
		func(ctx context.Context, in *struct{ Body place.BedInput }) (journal.Entry, error) {
			return o.garden.Place.AddBed(ctx, in.Body)
		})
	operation(api, http.MethodPut, "/api/beds/{id}", "changeBed", "Change a bed",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body place.BedInput
		}) (journal.Entry, error) {
			return o.garden.Place.ChangeBed(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/beds/{id}", "removeBed", "Take a bed off the plan",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Place.RemoveBed(ctx, in.ID)
		})
}

func (o operations) registerPlantings(api huma.API) {
	operation(api, http.MethodGet, "/api/plantings/{id}", "getPlanting", "One planting",
		func(ctx context.Context, in *struct {
			ByID
			ShownDay
		}) (place.PlantingView, error) {
			day, err := in.date()
			if err != nil {
				return place.PlantingView{}, err
			}
			return o.garden.Place.Planting(ctx, in.ID, day)
		})
	operation(api, http.MethodPost, "/api/plantings", "addPlanting", "Set a planting",
		func(ctx context.Context, in *struct{ Body input.PlantingInput }) (journal.Entry, error) {
			return o.garden.Place.AddPlanting(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/plantings/read", "readListing", "Understand a list of plants; nothing is noted",
		func(ctx context.Context, in *struct{ Body place.ListingInput }) (place.ListingView, error) {
			return o.garden.Place.ReadListing(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/plantings/many", "setMany", "Set several plantings in one act: all or none",
		func(ctx context.Context, in *struct {
			Body struct {
				Plantings []input.PlantingInput `json:"plantings" maxItems:"400"`
			}
		}) (journal.Entry, error) {
			return o.garden.Place.SetMany(ctx, in.Body.Plantings)
		})
	operation(api, http.MethodPut, "/api/plantings/{id}", "changePlanting", "Change a planting",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body input.PlantingInput
		}) (journal.Entry, error) {
			return o.garden.Place.ChangePlanting(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/plantings/{id}", "removePlanting", "Note that a planting is gone",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Place.RemovePlanting(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/plantings/{id}/observations", "noteObservation", "Note what was seen",
		func(ctx context.Context, in *struct {
			ByID
			Body now.ObservationInput
		}) (now.Observed, error) {
			return o.garden.Now.NoteObservation(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/plantings/{id}/pickings", "notePicking", "Note what was taken",
		func(ctx context.Context, in *struct {
			ByID
			Body gather.PickingInput
		}) (gather.Picked, error) {
			return o.garden.Gather.NotePicking(ctx, in.ID, in.Body)
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
