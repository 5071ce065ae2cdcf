package plot

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

	"bramblyacre/core/unit"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// newSite is the plot that a new garden begins with, until its grower says
// where it lies.
var newSite = store.PutSiteParams{
	ID: 1, Name: "My plot", Latitude: 46.6, AltitudeM: 640, ClimateID: "hill-valley",
	WidthM: 30, DepthM: 20, Units: string(unit.Metric), WeatherSeed: 14, Boundary: "[]", CopiesKept: 7,
}

// ensureSite lays down the first site.
func (g *Plot) ensureSite(ctx context.Context) error {
	if _, err := g.Store.GetSite(ctx); !errors.Is(err, sql.ErrNoRows) {
		return err
	}
	return g.Store.InTransaction(ctx, func(q *store.Queries) error {
		_, err := q.GetSite(ctx)
		if errors.Is(err, sql.ErrNoRows) {
			_, err = q.PutSite(ctx, newSite)
		}
		if err != nil {
			return fmt.Errorf("lay down the site: %w", err)
		}
		return nil
	})
}

// PlaceVersion is the version of what the forms of the plot's place and boundary show.
func PlaceVersion(site store.Site) say.Version {
	site.Customs, site.CopiesKept = 0, 0
	return say.VersionOf(site)
}
