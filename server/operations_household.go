package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/household"
	"bramblyacre/garden/journal"
)

func (o operations) registerHousehold(api huma.API) {
	o.registerCopies(api)
	operation(api, http.MethodGet, "/api/household", "getHousehold", "Who lives here, and what cautions are for",
		func(ctx context.Context, _ *nothing) (household.HouseholdView, error) {
			return o.garden.Household.Household(ctx)
		})
	operation(api, http.MethodPost, "/api/people", "addPerson", "Add someone to the household",
		func(ctx context.Context, in *struct{ Body household.PersonInput }) (journal.Entry, error) {
			return o.garden.Household.PutPerson(ctx, 0, "", in.Body)
		})
	operation(api, http.MethodPut, "/api/people/{id}", "changePerson", "Change what is noted of someone",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body household.PersonInput
		}) (journal.Entry, error) {
			return o.garden.Household.PutPerson(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/people/{id}", "removePerson", "Take someone off the household",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Household.RemovePerson(ctx, in.ID)
		})
	operation(api, http.MethodPut, "/api/customs", "setCustoms", "Switch customs on or off",
		func(ctx context.Context, in *struct {
			Body struct {
				On bool `json:"on"`
			}
		}) (journal.Entry, error) {
			return o.garden.Place.SetCustoms(ctx, in.Body.On)
		})
}

func (o operations) registerCopies(api huma.API) {
	operation(api, http.MethodGet, "/api/copies", "getCopies", "How the plot's file is looked after",
		func(ctx context.Context, _ *nothing) (household.CopiesView, error) {
			return o.garden.Household.Copies(ctx)
		})
	operation(api, http.MethodPost, "/api/copies", "keepCopy", "Keep a copy of the plot as it stands",
		func(ctx context.Context, _ *nothing) (household.CopiesView, error) {
			return o.garden.Household.KeepCopy(ctx)
		})
	operation(api, http.MethodPut, "/api/copies/kept", "setCopiesKept", "Change how many nights' copies are kept",
		func(ctx context.Context, in *struct {
			Body struct {
				Kept int `json:"kept"`
			}
		}) (journal.Entry, error) {
			return o.garden.Household.SetCopiesKept(ctx, in.Body.Kept)
		})
}
