package server

import (
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden"
)

func (o operations) registerPlants(api huma.API) {
	operation(api, http.MethodGet, "/api/plants", "listPlants", "The library's plants, by name however spelt, use, spread, stage, bed and ease",
		func(ctx context.Context, in *struct {
			ShownDay
			Words    string `query:"words" maxLength:"200"`
			Use      string `query:"use"`
			Spread   string `query:"spread"`
			Stage    string `query:"stage"`
			Beginner bool   `query:"beginner"`
			Bed      int64  `query:"bed"`
		}) (garden.PlantsView, error) {
			day, err := in.date()
			if err != nil {
				return garden.PlantsView{}, err
			}
			return o.garden.Plants(ctx, day, garden.PlantsFilter{Words: in.Words, Use: in.Use, Spread: in.Spread, Stage: in.Stage, Beginner: in.Beginner, Bed: in.Bed})
		})
	operation(api, http.MethodGet, "/api/plants/{id}", "getPlant", "One plant of the library",
		func(ctx context.Context, in *struct {
			ID string `path:"id"`
			ShownDay
		}) (garden.PlantView, error) {
			day, err := in.date()
			if err != nil {
				return garden.PlantView{}, err
			}
			return o.garden.Plant(ctx, in.ID, day)
		})
	operation(api, http.MethodGet, "/api/compare", "comparePlants", "Two to four plants side by side",
		func(ctx context.Context, in *struct {
			ShownDay
			IDs string `query:"ids" maxLength:"400" doc:"Ids with commas between"`
		}) (garden.CompareView, error) {
			day, err := in.date()
			if err != nil {
				return garden.CompareView{}, err
			}
			return o.garden.Compare(ctx, day, strings.FieldsFunc(in.IDs, func(r rune) bool { return r == ',' }))
		})
}
