package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/spread"
)

// registerSpread is how far plants get by themselves, what holds them, and what to do with what comes up.
func (o operations) registerSpread(api huma.API) {
	operation(api, http.MethodGet, "/api/spread", "getSpread", "How far the plot's plants may get in the years to come",
		func(ctx context.Context, in *struct {
			Year int  `query:"year" default:"-1" minimum:"-1" maximum:"10" doc:"The one year whose maps are wanted; -1 for all"`
			Free bool `query:"free" doc:"As if nothing were done"`
		}) (spread.SpreadView, error) {
			return o.garden.Spread.Spread(ctx, in.Year, in.Free)
		})
	operation(api, http.MethodGet, "/api/plantings/{id}/hold", "getHold", "The ways of holding a stand side by side",
		func(ctx context.Context, in *struct {
			ByID
			Target   string   `query:"target" maxLength:"40" doc:"What it is not to reach; empty for what its policy says"`
			Line     float64  `query:"line" doc:"The chance within ten years; 0 for what its policy says"`
			With     []string `query:"with,explode" maxItems:"10" doc:"Ways to be tried together"`
			BeheadOn string   `query:"beheadOn" maxLength:"20" doc:"The day on which the heads come off; empty for the last one"`
		}) (spread.HoldView, error) {
			return o.garden.Spread.Hold(ctx, in.ID, spread.HoldAsk{
				Target: in.Target, Line: in.Line, With: in.With, BeheadOn: in.BeheadOn,
			})
		})
	operation(api, http.MethodPut, "/api/plantings/{id}/hold", "setHold", "Make ways of holding a stand its policy",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body spread.HoldInput
		}) (journal.Entry, error) {
			return o.garden.Spread.SetHold(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/plantings/{id}/hold", "dropHold", "Say nothing of holding a stand any more",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Spread.DropHold(ctx, in.ID)
		})
	operation(
		api,
		http.MethodPost,
		"/api/plantings/{id}/sightings",
		"noteSighting",
		"Note how far a stand was seen to have come",
		func(ctx context.Context, in *struct {
			ByID
			Body spread.FrontSightingInput
		}) (journal.Entry, error) {
			return o.garden.Spread.NoteSighting(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodDelete, "/api/sightings/{id}", "dropSighting", "Take a sighting away that was an error",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Spread.DropSighting(ctx, in.ID)
		})
	operation(api, http.MethodGet, "/api/spread/settings", "getSpreadSettings", "What holding costs here",
		func(ctx context.Context, _ *nothing) (spread.SpreadSettings, error) {
			return o.garden.Spread.Settings(ctx)
		})
	operation(
		api,
		http.MethodPut,
		"/api/spread/settings",
		"setSpreadSettings",
		"Change what holding costs, and which animals are kept",
		func(ctx context.Context, in *struct {
			Seen
			Body spread.SpreadSettingsInput
		}) (journal.Entry, error) {
			return o.garden.Spread.SetSettings(ctx, in.version(), in.Body)
		},
	)
	operation(api, http.MethodGet, "/api/spread/came-up", "getCameUp", "What came up by itself, with what to do with it",
		func(ctx context.Context, _ *nothing) (spread.CameUpView, error) { return o.garden.Spread.CameUp(ctx) })
	operation(
		api,
		http.MethodPost,
		"/api/volunteers/{id}/deed",
		"doWithVolunteers",
		"Note what was done with a group that came up",
		func(ctx context.Context, in *struct {
			ByID
			Body spread.DeedInput
		}) (journal.Entry, error) {
			return o.garden.Spread.DoWith(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodGet, "/api/spread/balance", "getBalance", "Worth and harm of the kinds that spread here",
		func(ctx context.Context, in *struct {
			Species string `query:"species" maxLength:"80" doc:"One more kind to weigh"`
		}) (spread.BalanceView, error) {
			return o.garden.Spread.Balance(ctx, in.Species)
		})
	operation(
		api,
		http.MethodPut,
		"/api/species/{id}/law",
		"noteLaw",
		"Note what was found of a kind on the household's own list",
		func(ctx context.Context, in *struct {
			ID string `path:"id" maxLength:"80"`
			Seen
			Body spread.LawInput
		}) (journal.Entry, error) {
			return o.garden.Spread.NoteLaw(ctx, in.ID, in.version(), in.Body)
		},
	)
	operation(api, http.MethodGet, "/api/spread/overtaken", "getOvertaken", "Crops against the weeds in them",
		func(ctx context.Context, in *struct {
			Planting int64  `query:"planting" doc:"A crop to ask about; 0 for none"`
			Weed     string `query:"weed" maxLength:"80" doc:"And the weed in it"`
		}) (spread.OvertakenView, error) {
			return o.garden.Spread.Overtaken(ctx, in.Planting, in.Weed)
		})
	operation(
		api,
		http.MethodGet,
		"/api/spread/after",
		"getAfterCrop",
		"Each bed after its crop, and what animals may clear",
		func(ctx context.Context, _ *nothing) (spread.AfterView, error) { return o.garden.Spread.AfterCrop(ctx) },
	)
	operation(api, http.MethodPost, "/api/clearings", "planClearing", "Plan animals that clear a bed after its crop",
		func(ctx context.Context, in *struct{ Body spread.ClearingInput }) (journal.Entry, error) {
			return o.garden.Spread.PlanClearing(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/clearings/{id}/end", "endClearing", "Take a clearing off the plan",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Spread.EndClearing(ctx, in.ID)
		})
}
