package server

import (
	"bytes"
	"context"
	"io"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/format"
	"bramblyacre/garden/area"
)

// BroughtFile is a table to bring in.
type BroughtFile struct {
	Text string `json:"text" maxLength:"900000" doc:"The file as CSV"`
	// Note is false for a preview; LeaveOut notes the lines that can be taken though others are
	// refused.
	Note     bool `json:"note,omitempty"`
	LeaveOut bool `json:"leaveOut,omitempty"`
}

func (o operations) registerBenchFiles(api huma.API) {
	bring := func(path, id, summary string, read func(io.Reader) ([]area.FileLine, error),
		take func(context.Context, []area.FileLine, bool, bool) (area.BroughtFileView, error)) {
		operation(api, http.MethodPost, path, id, summary,
			func(ctx context.Context, in *struct{ Body BroughtFile }) (area.BroughtFileView, error) {
				lines, err := read(strings.NewReader(in.Body.Text))
				if err != nil {
					return area.BroughtFileView{}, err
				}
				return take(ctx, lines, in.Body.Note, in.Body.LeaveOut)
			})
	}
	bring(
		"/api/seeds/file",
		"bringSeeds",
		"Bring seed lots in from a file, or show what it would bring",
		format.ReadLots,
		o.bringLots,
	)
	bring(
		"/api/batches/file",
		"bringBatches",
		"Bring batches in from a file, or show what it would bring",
		format.ReadBatches,
		o.bringBatches,
	)
	page := func(path, id, summary, name string, write func(context.Context, io.Writer, *benchPage) error) {
		huma.Register(
			api,
			huma.Operation{OperationID: id, Method: http.MethodGet, Path: path, Summary: summary},
			func(ctx context.Context, in *benchPage) (*fileAnswer, error) {
				var text bytes.Buffer
				if err := write(ctx, &text, in); err != nil {
					return nil, asProblem(err)
				}
				return &fileAnswer{"application/pdf", `inline; filename="` + name + `"`, text.Bytes()}, nil
			},
		)
	}
	page("/api/files/bench-labels", "getBenchLabels", "Labels for trays and pots, to print", "labels.pdf",
		func(ctx context.Context, w io.Writer, in *benchPage) error {
			labels, err := o.garden.Bench.Labels(ctx, in.Batch, in.Each)
			if err != nil {
				return err
			}
			return format.WriteBenchLabels(w, labels)
		})
	page("/api/files/setting-out", "printSettingOut", "Where plants stand, to print", "setting-out.pdf",
		func(ctx context.Context, w io.Writer, in *benchPage) error {
			v, err := o.garden.Bench.SetOut(ctx, in.input())
			if err != nil {
				return err
			}
			return format.WriteSettingOut(w, v)
		})
}

// benchPage is what a page to print is asked for by.
type benchPage struct {
	BySettingOut
	Batch int64 `query:"batch" doc:"Whose labels; 0 for all batches"`
	Each  int   `query:"each" minimum:"0" maximum:"480" doc:"How many labels; 0 for one a tray"`
}

func (o operations) bringLots(
	ctx context.Context,
	lines []area.FileLine,
	note, leaveOut bool,
) (area.BroughtFileView, error) {
	return o.garden.Bench.BringLots(ctx, lines, note, leaveOut)
}

func (o operations) bringBatches(
	ctx context.Context,
	lines []area.FileLine,
	note, leaveOut bool,
) (area.BroughtFileView, error) {
	return o.garden.Bench.BringBatches(ctx, lines, note, leaveOut)
}
