package server

import (
	"bytes"
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/format"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/view"
)

func (o operations) registerGather(api huma.API) {
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
	operation(api, http.MethodPost, "/api/pickings/{id}/makings", "useFresh", "Note what of a picking was used fresh",
		func(ctx context.Context, in *struct {
			ByID
			Body gather.FreshUseInput
		}) (journal.Entry, error) {
			return o.garden.Gather.UseFresh(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/first-tastes", "tellFirst", "Note that someone was told to begin with a little",
		func(ctx context.Context, in *struct{ Body gather.FirstTasteInput }) (journal.Entry, error) {
			return o.garden.Gather.TellFirst(ctx, in.Body)
		})
	operation(api, http.MethodGet, "/api/worth-it", "getWorthIt", "What each stand brings for its work, ground and years",
		func(ctx context.Context, _ *nothing) (gather.WorthItView, error) { return o.garden.Gather.WorthIt(ctx) })
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
