package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/identity"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/view"
)

func (o operations) registerIdentity(api huma.API) {
	o.registerPhotographs(api)
	type onDay struct {
		ByID
		ShownDay
		Who string `query:"by" doc:"Who looks; left out for who looked first"`
	}
	operation(api, http.MethodGet, "/api/plantings/{id}/check", "getCheck", "The identity check of a planting",
		func(ctx context.Context, in *onDay) (identity.CheckView, error) {
			day, err := in.date()
			if err != nil {
				return identity.CheckView{}, err
			}
			return o.garden.Identity.Check(ctx, in.ID, day, in.Who)
		})
	type lookBody struct {
		ByID
		Body identity.LookInput
	}
	operation(api, http.MethodPost, "/api/plantings/{id}/looks", "noteLook", "Note a look at a planting's characters",
		func(ctx context.Context, in *lookBody) (journal.Entry, error) {
			return o.garden.Identity.NoteLook(ctx, in.ID, in.Body)
		})
	operation(
		api,
		http.MethodGet,
		"/api/characters",
		"getCharacters",
		"Every character a plant is known by, with its states",
		func(context.Context, *nothing) ([]view.CharacterView, error) {
			return o.garden.Identity.Characters(), nil
		},
	)
	operation(api, http.MethodPost, "/api/what-is-this", "whatIsThis", "What a plant can be, from what was seen of it",
		func(ctx context.Context, in *struct{ Body SeenInput }) (identity.WhatIsThisView, error) {
			return o.garden.Identity.WhatIsThis(ctx, in.Body.Seen, in.Body.Skipped)
		})
	operation(api, http.MethodGet, "/api/finds", "getFinds", "Plants that were found and are to be checked",
		func(ctx context.Context, _ *nothing) ([]identity.FindView, error) {
			return o.garden.Identity.Finds(ctx)
		})
	operation(api, http.MethodPost, "/api/finds", "addFind", "Note a find, to be checked as a plant",
		func(ctx context.Context, in *struct{ Body identity.FindInput }) (journal.Entry, error) {
			return o.garden.Identity.AddFind(ctx, in.Body)
		})
	operation(api, http.MethodDelete, "/api/finds/{id}", "removeFind", "Take a find off the list",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Identity.RemoveFind(ctx, in.ID)
		})
	operation(
		api,
		http.MethodPost,
		"/api/finds/{id}/planting",
		"plantFind",
		"Make a planting of a find, with every look at it",
		func(ctx context.Context, in *struct {
			ByID
			Body identity.FindPlantingInput
		}) (journal.Entry, error) {
			return o.garden.Identity.PlantFind(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodGet, "/api/finds/{id}/check", "getFindCheck", "The identity check of a find",
		func(ctx context.Context, in *onDay) (identity.CheckView, error) {
			day, err := in.date()
			if err != nil {
				return identity.CheckView{}, err
			}
			return o.garden.Identity.CheckFind(ctx, in.ID, day, in.Who)
		})
	operation(api, http.MethodPost, "/api/finds/{id}/looks", "noteFindLook", "Note a look at a find's characters",
		func(ctx context.Context, in *lookBody) (journal.Entry, error) {
			return o.garden.Identity.NoteFindLook(ctx, in.ID, in.Body)
		})
}

// SeenInput is what was seen of a plant: a state by character, and what cannot be told.
type SeenInput struct {
	Seen    map[string]string `json:"seen"`
	Skipped []string          `json:"skipped,omitempty"`
}

// Kept is the name that something is kept by.
type Kept struct {
	ID string `json:"id"`
}

func (o operations) registerPhotographs(api huma.API) {
	huma.Register(
		api,
		huma.Operation{
			OperationID:  "keepPhotograph",
			Method:       http.MethodPost,
			Path:         "/api/photographs",
			Summary:      "Keep a photograph, JPEG, PNG or WebP",
			MaxBodyBytes: identity.MostPhotographBytes + 1,
		},
		func(ctx context.Context, in *struct {
			RawBody []byte `contentType:"application/octet-stream"`
		}) (*answer[Kept], error) {
			id, err := o.garden.Identity.KeepPhotograph(ctx, in.RawBody)
			if err != nil {
				return nil, asProblem(err)
			}
			return &answer[Kept]{Kept{id}}, nil
		},
	)
	huma.Register(
		api,
		huma.Operation{
			OperationID: "getPhotograph",
			Method:      http.MethodGet,
			Path:        "/api/photographs/{id}",
			Summary:     "A photograph that was kept",
		},
		func(ctx context.Context, in *struct {
			ID string `path:"id" pattern:"^[0-9a-f]{64}$"`
		}) (*pictureAnswer, error) {
			photo, err := o.garden.Identity.Photograph(ctx, in.ID)
			if err != nil {
				return nil, asProblem(err)
			}
			return &pictureAnswer{photo.Kind, "inline", neverChanges, photo.Bytes}, nil
		},
	)
	huma.Register(
		api,
		huma.Operation{
			OperationID: "getThumbnail",
			Method:      http.MethodGet,
			Path:        "/api/photographs/{id}/small",
			Summary:     "A photograph that was kept, made small",
		},
		func(ctx context.Context, in *struct {
			ID string `path:"id" pattern:"^[0-9a-f]{64}$"`
		}) (*pictureAnswer, error) {
			small, err := o.garden.Identity.Thumbnail(ctx, in.ID)
			if err != nil {
				return nil, asProblem(err)
			}
			return &pictureAnswer{"image/jpeg", "inline", neverChanges, small}, nil
		},
	)
}

// pictureAnswer is a picture, which is known by what it holds: under one name it never changes.
type pictureAnswer struct {
	ContentType        string `header:"Content-Type"`
	ContentDisposition string `header:"Content-Disposition"`
	CacheControl       string `header:"Cache-Control"`
	Body               []byte
}

const neverChanges = "private, max-age=31536000, immutable"

// BySpecimen is a specimen in an address: its pair, and the seed it is made from.
type BySpecimen struct {
	Species string `query:"species"`
	Other   string `query:"other"`
	Seed    uint64 `query:"seed"`
}
