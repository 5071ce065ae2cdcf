package server

import (
	"context"
	"errors"
	"io"
	"log/slog"
	"os"
	"strconv"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/format"
)

// archive answers the whole plot as an archive. It is made whole in a file of its own before
// its status is sent, and is not held in memory: it may hold years of photographs.
func (o operations) archive(ctx context.Context, _ *nothing) (*huma.StreamResponse, error) {
	file, err := os.CreateTemp("", "brambly-acre-*.zip")
	if err != nil {
		return nil, asProblem(err)
	}
	if err := os.Remove(file.Name()); err != nil { // it lives as long as it is open
		return nil, errors.Join(asProblem(err), file.Close())
	}
	if err := format.Files["archive"].Write(ctx, o.garden, file); err != nil {
		return nil, errors.Join(asProblem(err), file.Close())
	}
	size, err := file.Seek(0, io.SeekCurrent)
	if err == nil {
		_, err = file.Seek(0, io.SeekStart)
	}
	if err != nil {
		return nil, errors.Join(asProblem(err), file.Close())
	}
	return &huma.StreamResponse{Body: func(answer huma.Context) {
		answer.SetHeader("Content-Type", format.Files["archive"].Type)
		answer.SetHeader("Content-Disposition", `attachment; filename="`+format.Files["archive"].Name+`"`)
		answer.SetHeader("Content-Length", strconv.FormatInt(size, 10))
		if _, err := io.Copy(answer.BodyWriter(), file); err != nil {
			slog.Warn("an archive was not fetched to its end", "error", err)
		}
		if err := file.Close(); err != nil {
			slog.Warn("close the archive", "error", err)
		}
	}}, nil
}
