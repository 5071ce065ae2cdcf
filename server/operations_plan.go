package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
)

func (o operations) registerPlan(api huma.API) {
	operation(api, http.MethodPost, "/api/plan/items", "addItem", "Set a thing on the plan",
		func(ctx context.Context, in *struct{ Body place.ItemInput }) (journal.Entry, error) {
			return o.garden.Place.AddItem(ctx, in.Body)
		})
	operation(api, http.MethodPut, "/api/plan/items/{id}", "changeItem", "Change a thing on the plan",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body place.ItemInput
		}) (journal.Entry, error) {
			return o.garden.Place.ChangeItem(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/plan/items/{id}", "removeItem", "Take a thing off the plan",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Place.RemoveItem(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/plan/arrange", "arrange", "Move, turn or copy things on the plan",
		func(ctx context.Context, in *struct{ Body place.ArrangeInput }) (journal.Entry, error) {
			return o.garden.Place.Arrange(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/plan/reshape", "reshape", "Give a thing a new place and shape",
		func(ctx context.Context, in *struct{ Body place.ReshapeInput }) (journal.Entry, error) {
			return o.garden.Place.Reshape(ctx, in.Body)
		})
	operation(api, http.MethodPut, "/api/plan/boundary", "setBoundary", "Draw the plot's boundary and set its bearing",
		func(ctx context.Context, in *struct {
			Seen
			Body place.BoundaryInput
		}) (journal.Entry, error) {
			return o.garden.Place.SetBoundary(ctx, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/plan/import", "importPlan", "Read a plan from GeoJSON",
		func(ctx context.Context, in *struct {
			Body struct {
				Text string `json:"text" doc:"The file's text"`
			}
		}) (journal.Entry, error) {
			return o.importPlan(ctx, in.Body.Text)
		})
}

func (o operations) registerSun(api huma.API) {
	show(
		api,
		"/api/plan/light",
		"getLight",
		"Hours of direct sun on a day",
		func(ctx context.Context, on calendar.Date) (place.LightView, error) {
			return o.garden.Place.Light(ctx, on)
		},
	)
	operation(api, http.MethodGet, "/api/plan/shadows", "getShadows", "The shadows at an hour of a day",
		func(ctx context.Context, in *struct {
			ShownDay
			Hour float64 `query:"hour" minimum:"0" maximum:"24" default:"12" doc:"Solar time"`
		}) (place.ShadowsView, error) {
			day, err := in.date()
			if err != nil {
				return place.ShadowsView{}, err
			}
			return o.garden.Place.Shadows(ctx, day, in.Hour)
		})
	operation(api, http.MethodPost, "/api/plan/drag", "drag", "The sun with one thing elsewhere; nothing is noted",
		func(ctx context.Context, in *struct{ Body place.DragInput }) (place.DragView, error) {
			return o.garden.Place.Drag(ctx, in.Body)
		})
}

func (o operations) registerGround(api huma.API) {
	operation(api, http.MethodGet, "/api/beds/{id}/ground", "getGround", "Everything known of a bed's place",
		func(ctx context.Context, in *ByID) (place.GroundView, error) {
			return o.garden.Place.BedGround(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/beds/{id}/readings", "noteReading", "Note a sign or a test of a bed's ground",
		func(ctx context.Context, in *struct {
			ByID
			Body place.ReadingInput
		}) (journal.Entry, error) {
			return o.garden.Place.NoteReading(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodDelete, "/api/readings/{id}", "removeReading", "Take a reading away",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Place.RemoveReading(ctx, in.ID)
		})
}

func (o operations) registerSuitability(api huma.API) {
	operation(api, http.MethodGet, "/api/species/{id}/where", "getWhere", "Where a plant would go best",
		func(ctx context.Context, in *struct {
			ID string `path:"id"`
		}) (place.WhereView, error) {
			return o.garden.Place.Where(ctx, in.ID)
		})
	operation(api, http.MethodGet, "/api/beds/{id}/what", "getWhat", "What would suit a bed",
		func(ctx context.Context, in *struct {
			ByID
			Use    string `query:"use"`
			Spread string `query:"spread"`
		}) (place.WhatView, error) {
			return o.garden.Place.What(ctx, in.ID, place.WhatFilter{Use: in.Use, Spread: in.Spread})
		})
	operation(
		api,
		http.MethodPost,
		"/api/beds/{id}/what-if",
		"whatIf",
		"Every planting's answer under other conditions; nothing is noted",
		func(ctx context.Context, in *struct {
			ByID
			Body place.WhatIfInput
		}) (place.WhatIfView, error) {
			return o.garden.Place.WhatIf(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodGet, "/api/beds/{id}/mates", "getMates", "How a bed's plantings go together",
		func(ctx context.Context, in *ByID) (place.MatesView, error) { return o.garden.Place.Mates(ctx, in.ID) })
	operation(
		api,
		http.MethodPost,
		"/api/plantings/{id}/fate",
		"noteFate",
		"Note that a planting throve or failed, and why",
		func(ctx context.Context, in *struct {
			ByID
			Body place.FateInput
		}) (journal.Entry, error) {
			return o.garden.Place.NoteFate(ctx, in.ID, in.Body)
		},
	)
}
