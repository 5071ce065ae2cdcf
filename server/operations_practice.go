package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/practice"
)

func (o operations) registerPractice(api huma.API) {
	operation(api, http.MethodGet, "/api/practice", "getPractice", "The pairs to tell apart",
		func(ctx context.Context, _ *nothing) (practice.PracticeView, error) {
			return o.garden.Practice.Practice(ctx)
		})
	operation(api, http.MethodGet, "/api/practice/specimen", "getSpecimen", "A specimen to be told",
		func(ctx context.Context, in *BySpecimen) (practice.SpecimenView, error) {
			return o.garden.Practice.PracticeRound(ctx, in.Species, in.Other, in.Seed)
		})
	operation(api, http.MethodGet, "/api/practice/look", "lookAtSpecimen", "One character of a specimen",
		func(ctx context.Context, in *struct {
			BySpecimen
			Character string `query:"character"`
		}) (practice.LookAtView, error) {
			return o.garden.Practice.PracticeLook(ctx, in.Species, in.Other, in.Seed, in.Character)
		})
	operation(api, http.MethodPost, "/api/practice/decisions", "decide", "Decide what a specimen is",
		func(ctx context.Context, in *struct{ Body practice.DecisionInput }) (practice.DecisionView, error) {
			return o.garden.Practice.Decide(ctx, in.Body)
		})
}
