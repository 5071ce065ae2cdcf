package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/household"
	"bramblyacre/garden/journal"
)

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
