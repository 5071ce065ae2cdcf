package server

import (
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/plants"
)

func (o operations) registerPlants(api huma.API) {
	operation(
		api,
		http.MethodGet,
		"/api/plants",
		"listPlants",
		"The library's plants, by name however spelt, use, spread, stage, bed and ease",
		func(ctx context.Context, in *struct {
			ShownDay
			Words    string `query:"words" maxLength:"200"`
			Use      string `query:"use"`
			Spread   string `query:"spread"`
			Stage    string `query:"stage"`
			Beginner bool   `query:"beginner"`
			Bed      int64  `query:"bed"`
		}) (plants.PlantsView, error) {
			day, err := in.date()
			if err != nil {
				return plants.PlantsView{}, err
			}
			return o.garden.Plants.Plants(
				ctx,
				day,
				plants.PlantsFilter{
					Words:    in.Words,
					Use:      in.Use,
					Spread:   in.Spread,
					Stage:    in.Stage,
					Beginner: in.Beginner,
					Bed:      in.Bed,
				},
			)
		},
	)
	operation(api, http.MethodGet, "/api/plants/{id}", "getPlant", "One plant of the library",
		func(ctx context.Context, in *struct {
			ID string `path:"id"`
			ShownDay
		}) (plants.PlantView, error) {
			day, err := in.date()
			if err != nil {
				return plants.PlantView{}, err
			}
			return o.garden.Plants.Plant(ctx, in.ID, day)
		})
	operation(api, http.MethodGet, "/api/compare", "comparePlants", "Two to four plants side by side",
		func(ctx context.Context, in *struct {
			ShownDay
			IDs string `query:"ids" maxLength:"400" doc:"Ids with commas between"`
		}) (plants.CompareView, error) {
			day, err := in.date()
			if err != nil {
				return plants.CompareView{}, err
			}
			return o.garden.Plants.Compare(ctx, day, strings.FieldsFunc(in.IDs, func(r rune) bool { return r == ',' }))
		})
}
