package server

import (
	"bytes"
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/format"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/household"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/view"
)

func (o operations) registerBaskets(api huma.API) {
	operation(api, http.MethodGet, "/api/baskets", "getBaskets", "The season's pickings, and what each is fit for",
		func(ctx context.Context, _ *nothing) ([]gather.BasketView, error) {
			return o.garden.Gather.Baskets(ctx)
		})
	operation(
		api,
		http.MethodPost,
		"/api/pickings/{id}/sortings",
		"sortPicking",
		"Note that a picking was sorted again at the table",
		func(ctx context.Context, in *struct {
			ByID
			Body gather.SortingInput
		}) (journal.Entry, error) {
			return o.garden.Gather.SortPicking(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodPost, "/api/pickings/{id}/makings", "makeOf", "Note what is made of a picking",
		func(ctx context.Context, in *struct {
			ByID
			Body gather.MakingInput
		}) (journal.Entry, error) {
			return o.garden.Gather.MakeOf(ctx, in.ID, in.Body)
		})
	type made struct {
		ByID
		Preparation string `query:"preparation"`
	}
	operation(
		api,
		http.MethodGet,
		"/api/pickings/{id}/cautions",
		"getCautions",
		"The cautions of a picking made into something",
		func(ctx context.Context, in *made) (view.CautionsView, error) {
			return o.garden.Gather.CautionsFor(ctx, in.ID, in.Preparation)
		},
	)
	huma.Register(
		api,
		huma.Operation{
			OperationID: "getLabel",
			Method:      http.MethodGet,
			Path:        "/api/pickings/{id}/label",
			Summary:     "The label of a jar, to print",
		},
		func(ctx context.Context, in *made) (*fileAnswer, error) {
			label, err := o.garden.Gather.Label(ctx, in.ID, in.Preparation)
			if err != nil {
				return nil, asProblem(err)
			}
			var page bytes.Buffer
			if err := format.WriteLabelPDF(&page, label); err != nil {
				return nil, asProblem(err)
			}
			return &fileAnswer{"application/pdf", `inline; filename="label.pdf"`, page.Bytes()}, nil
		},
	)
}

func (o operations) registerHousehold(api huma.API) {
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

// BySpecies is the id of a plant in an address.
type BySpecies struct {
	ID string `path:"id"`
}

// OwnPlantPut is an own plant that was put.
type OwnPlantPut struct {
	Entry journal.Entry `json:"entry"`
	ID    string        `json:"id"`
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
