package format

import (
	"context"
	"io"

	"bramblyacre/garden"
)

// File is an open format that the plot can be written in.
type File struct {
	Name, Type string
	Write      func(context.Context, *garden.Garden, io.Writer) error
}

// Files are the formats by the name they are asked for.
var Files = map[string]File{
	"calendar": {
		"brambly-acre.ics",
		"text/calendar; charset=utf-8",
		func(ctx context.Context, g *garden.Garden, w io.Writer) error {
			data, err := g.Now.Calendar(ctx)
			if err != nil {
				return err
			}
			return WriteCalendar(w, data)
		},
	},
	"archive":    {"brambly-acre.zip", "application/zip", WriteArchive},
	"plan":       {"plan.geojson", "application/geo+json", writePlanFile},
	"plan-print": {"plan.pdf", "application/pdf", writePlanPDF},
	"season":     {"season.pdf", "application/pdf", writeSeasonPDF},
	"seeds":      benchFiles["seeds"],
	"batches":    benchFiles["batches"],
	"weather": {
		"weather.csv",
		csvType,
		func(ctx context.Context, g *garden.Garden, w io.Writer) error {
			days, err := g.Weather.Daily(ctx)
			if err != nil {
				return err
			}
			return WriteDailyWeather(w, days)
		},
	},
	"pickings": {
		"pickings.csv",
		csvType,
		func(ctx context.Context, g *garden.Garden, w io.Writer) error {
			rows, err := g.Now.Pickings(ctx)
			if err != nil {
				return err
			}
			return WritePickings(w, rows)
		},
	},
	"observations": {
		"observations.csv",
		csvType,
		func(ctx context.Context, g *garden.Garden, w io.Writer) error {
			rows, err := g.Now.Observations(ctx)
			if err != nil {
				return err
			}
			return WriteObservations(w, rows)
		},
	},
}
