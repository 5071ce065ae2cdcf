package server

import (
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plants"
)

func (o operations) registerPlants(api huma.API) {
	o.registerOwnPlants(api)
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

func (o operations) registerOwnPlants(api huma.API) {
	operation(api, http.MethodGet, "/api/plants/{id}/file", "getPlantFile", "A plant as its file",
		func(ctx context.Context, in *BySpecies) (plants.PlantFile, error) {
			return o.garden.Plants.PlantFile(ctx, in.ID)
		})
	huma.Register(
		api,
		huma.Operation{
			OperationID: "savePlantFile",
			Method:      http.MethodGet,
			Path:        "/api/files/plant/{id}",
			Summary:     "A plant's file, to save",
		},
		func(ctx context.Context, in *BySpecies) (*fileAnswer, error) {
			file, err := o.garden.Plants.PlantFile(ctx, in.ID)
			if err != nil {
				return nil, asProblem(err)
			}
			return &fileAnswer{"application/toml", `attachment; filename="` + file.ID + `.toml"`, []byte(file.Text)}, nil
		},
	)
	operation(api, http.MethodGet, "/api/plants/{id}/copy", "copyPlant", "A copy of a plant's file, to change",
		func(ctx context.Context, in *BySpecies) (plants.PlantFile, error) {
			return o.garden.Plants.CopyOf(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/own-plants", "putOwnPlant", "Put a plant of one's own from its file",
		func(ctx context.Context, in *struct {
			Seen
			Body plants.PlantFileInput
		}) (OwnPlantPut, error) {
			entry, id, err := o.garden.Plants.PutOwnPlant(ctx, in.version(), in.Body)
			return OwnPlantPut{entry, id}, err
		})
	operation(
		api,
		http.MethodPost,
		"/api/plant-files",
		"turnPlantFile",
		"Turn a plant's file into a sheet, or a sheet into a file; nothing is kept",
		func(_ context.Context, in *struct{ Body plants.PlantFileInput }) (plants.PlantFile, error) {
			return o.garden.Plants.TurnPlantFile(in.Body)
		},
	)
	operation(
		api,
		http.MethodGet,
		"/api/plant-words",
		"listPlantWords",
		"The words that a plant's sheet is filled in with",
		func(context.Context, *struct{}) (plants.PlantWords, error) {
			return o.garden.Plants.PlantWords(), nil
		},
	)
	operation(
		api,
		http.MethodDelete,
		"/api/own-plants/{id}",
		"removeOwnPlant",
		"Take a plant of one's own out of the library",
		func(ctx context.Context, in *BySpecies) (journal.Entry, error) {
			return o.garden.Plants.RemoveOwnPlant(ctx, in.ID)
		},
	)
	operation(
		api,
		http.MethodPut,
		"/api/plants/{id}/figures",
		"putOwnFigure",
		"Put one's own figure in place of the library's",
		func(ctx context.Context, in *struct {
			BySpecies
			Seen
			Body plants.OwnFigureInput
		}) (journal.Entry, error) {
			return o.garden.Plants.PutOwnFigure(ctx, in.ID, in.version(), in.Body)
		},
	)
	operation(api, http.MethodPost, "/api/plants/{id}/notes", "addPlantNote", "Note something of one's own on a plant",
		func(ctx context.Context, in *struct {
			BySpecies
			Body plants.PlantNoteInput
		}) (journal.Entry, error) {
			return o.garden.Plants.AddPlantNote(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodDelete, "/api/plant-notes/{id}", "removePlantNote", "Take a note off a plant",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Plants.RemovePlantNote(ctx, in.ID)
		})
}

// BySpecies is the id of a plant in an address.
type BySpecies struct {
	ID string `path:"id"`
}

// OwnPlantPut is an own plant that was put.
type OwnPlantPut struct {
	Entry journal.Entry `json:"entry"`
	ID    string        `json:"id"`
}
