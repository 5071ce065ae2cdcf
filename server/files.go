package server

import (
	"bytes"
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/format"
)

type fileAnswer struct {
	ContentType        string `header:"Content-Type"`
	ContentDisposition string `header:"Content-Disposition"`
	Body               []byte
}

func (o operations) registerFiles(api huma.API) {
	huma.Register(
		api,
		huma.Operation{
			OperationID: "getArchive",
			Method:      http.MethodGet,
			Path:        "/api/files/archive",
			Summary:     "The whole plot in open files",
		},
		o.archive,
	)
	huma.Register(
		api,
		huma.Operation{
			OperationID: "getFile",
			Method:      http.MethodGet,
			Path:        "/api/files/{name}",
			Summary:     "The windows as a calendar, or the notes as a table",
		},
		func(ctx context.Context, in *struct {
			Name string `path:"name" enum:"calendar,pickings,observations,plan,plan-print,season,seeds,batches,weather"`
		}) (*fileAnswer, error) {
			file := format.Files[in.Name]
			var text bytes.Buffer
			if err := file.Write(ctx, o.garden, &text); err != nil {
				return nil, asProblem(err)
			}
			return &fileAnswer{file.Type, `attachment; filename="` + file.Name + `"`, text.Bytes()}, nil
		},
	)
}
