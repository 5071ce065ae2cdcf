package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/garden"
)

func (o operations) registerPlan(api huma.API) {
	operation(api, http.MethodPost, "/api/plan/items", "addItem", "Set a thing on the plan",
		func(ctx context.Context, in *struct{ Body garden.ItemInput }) (garden.Entry, error) {
			return o.garden.AddItem(ctx, in.Body)
		})
	operation(api, http.MethodPut, "/api/plan/items/{id}", "changeItem", "Change a thing on the plan",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body garden.ItemInput
		}) (garden.Entry, error) {
			return o.garden.ChangeItem(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/plan/items/{id}", "removeItem", "Take a thing off the plan",
		func(ctx context.Context, in *ByID) (garden.Entry, error) { return o.garden.RemoveItem(ctx, in.ID) })
	operation(api, http.MethodPost, "/api/plan/arrange", "arrange", "Move, turn or copy things on the plan",
		func(ctx context.Context, in *struct{ Body garden.ArrangeInput }) (garden.Entry, error) {
			return o.garden.Arrange(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/plan/reshape", "reshape", "Give a thing a new place and shape",
		func(ctx context.Context, in *struct{ Body garden.ReshapeInput }) (garden.Entry, error) {
			return o.garden.Reshape(ctx, in.Body)
		})
	operation(api, http.MethodPut, "/api/plan/boundary", "setBoundary", "Draw the plot's boundary and set its bearing",
		func(ctx context.Context, in *struct {
			Seen
			Body garden.BoundaryInput
		}) (garden.Entry, error) {
			return o.garden.SetBoundary(ctx, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/plan/import", "importPlan", "Read a plan from GeoJSON",
		func(ctx context.Context, in *struct {
			Body struct {
				Text string `json:"text" doc:"The file's text"`
			}
		}) (garden.Entry, error) {
			return o.importPlan(ctx, in.Body.Text)
		})
}

func (o operations) registerSun(api huma.API) {
	show(api, "/api/plan/light", "getLight", "Hours of direct sun on a day", func(ctx context.Context, on calendar.Date) (garden.LightView, error) {
		return o.garden.Light(ctx, on)
	})
	operation(api, http.MethodGet, "/api/plan/shadows", "getShadows", "The shadows at an hour of a day",
		func(ctx context.Context, in *struct {
			ShownDay
			Hour float64 `query:"hour" minimum:"0" maximum:"24" default:"12" doc:"Solar time"`
		}) (garden.ShadowsView, error) {
			day, err := in.date()
			if err != nil {
				return garden.ShadowsView{}, err
			}
			return o.garden.Shadows(ctx, day, in.Hour)
		})
	operation(api, http.MethodPost, "/api/plan/drag", "drag", "The sun with one thing elsewhere; nothing is noted",
		func(ctx context.Context, in *struct{ Body garden.DragInput }) (garden.DragView, error) {
			return o.garden.Drag(ctx, in.Body)
		})
}

func (o operations) registerGround(api huma.API) {
	operation(api, http.MethodGet, "/api/beds/{id}/ground", "getGround", "Everything known of a bed's place",
		func(ctx context.Context, in *ByID) (garden.GroundView, error) { return o.garden.BedGround(ctx, in.ID) })
	operation(api, http.MethodPost, "/api/beds/{id}/readings", "noteReading", "Note a sign or a test of a bed's ground",
		func(ctx context.Context, in *struct {
			ByID
			Body garden.ReadingInput
		}) (garden.Entry, error) {
			return o.garden.NoteReading(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodDelete, "/api/readings/{id}", "removeReading", "Take a reading away",
		func(ctx context.Context, in *ByID) (garden.Entry, error) { return o.garden.RemoveReading(ctx, in.ID) })
}

func (o operations) registerSuitability(api huma.API) {
	operation(api, http.MethodGet, "/api/species/{id}/where", "getWhere", "Where a plant would go best",
		func(ctx context.Context, in *struct {
			ID string `path:"id"`
		}) (garden.WhereView, error) {
			return o.garden.Where(ctx, in.ID)
		})
	operation(api, http.MethodGet, "/api/beds/{id}/what", "getWhat", "What would suit a bed",
		func(ctx context.Context, in *struct {
			ByID
			Use    string `query:"use"`
			Spread string `query:"spread"`
		}) (garden.WhatView, error) {
			return o.garden.What(ctx, in.ID, garden.WhatFilter{Use: in.Use, Spread: in.Spread})
		})
	operation(api, http.MethodPost, "/api/beds/{id}/what-if", "whatIf", "Every planting's answer under other conditions; nothing is noted",
		func(ctx context.Context, in *struct {
			ByID
			Body garden.WhatIfInput
		}) (garden.WhatIfView, error) {
			return o.garden.WhatIf(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodGet, "/api/beds/{id}/mates", "getMates", "How a bed's plantings go together",
		func(ctx context.Context, in *ByID) (garden.MatesView, error) { return o.garden.Mates(ctx, in.ID) })
	operation(api, http.MethodPost, "/api/plantings/{id}/fate", "noteFate", "Note that a planting throve or failed, and why",
		func(ctx context.Context, in *struct {
			ByID
			Body garden.FateInput
		}) (garden.Entry, error) {
			return o.garden.NoteFate(ctx, in.ID, in.Body)
		})
}
