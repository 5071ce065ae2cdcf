package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/roots"
)

// ByStand names a kind in a bed.
type ByStand struct {
	Species string `path:"species" maxLength:"80"`
	Bed     int64  `path:"bed"`
}

// registerRoots is stands of which the roots are lifted.
func (o operations) registerRoots(api huma.API) {
	operation(api, http.MethodGet, "/api/roots", "getRoots", "The stands whose roots are lifted",
		func(ctx context.Context, _ *nothing) (roots.RootsView, error) { return o.garden.Roots.Roots(ctx) })
	operation(
		api,
		http.MethodGet,
		"/api/roots/{species}/{bed}",
		"getRoot",
		"How many of a stand's roots may go, and which",
		func(ctx context.Context, in *struct {
			ByStand
			School    string  `query:"school" maxLength:"10" doc:"whole or part; empty for what is settled"`
			Survival  float64 `query:"survival" default:"-1" doc:"Tried instead of what is known; below 0 for that"`
			Offspring float64 `query:"offspring" default:"-1" doc:"The same"`
			Crowns    float64 `query:"crowns" default:"-1" doc:"The same"`
			Take      int     `query:"take" default:"-1" doc:"How many a year are tried; below 0 for what is settled"`
		}) (roots.RootView, error) {
			ask := roots.RootAsk{School: in.School}
			for _, given := range []struct {
				value float64
				into  **float64
			}{{in.Survival, &ask.Survival}, {in.Offspring, &ask.Offspring}, {in.Crowns, &ask.Crowns}} {
				if given.value != -1 {
					*given.into = &given.value
				}
			}
			if in.Take >= 0 {
				ask.Take = &in.Take
			}
			return o.garden.Roots.Root(ctx, in.Species, in.Bed, ask)
		},
	)
	operation(api, http.MethodPut, "/api/roots/{species}/{bed}", "settleRoots", "Note how a stand's roots are taken",
		func(ctx context.Context, in *struct {
			ByStand
			Seen
			Body roots.RootInput
		}) (journal.Entry, error) {
			return o.garden.Roots.Settle(ctx, in.Species, in.Bed, in.version(), in.Body)
		})
}
