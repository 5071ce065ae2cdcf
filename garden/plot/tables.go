package plot

import (
	"context"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// SiteTable holds the plot's one site, which always stands.
var SiteTable = journal.NewTable("site",
	func(q *store.Queries, ctx context.Context, _ int64) (store.Site, error) { return q.GetSite(ctx) },
	(*store.Queries).PutSite, nil)

// PlantingsTable holds the plantings.
var PlantingsTable = journal.NewTable(
	"plantings",
	(*store.Queries).GetPlanting,
	(*store.Queries).PutPlanting,
	(*store.Queries).DropPlanting,
)

// registration is what the journal has to know of plot.
var registration = journal.Registration{
	Tables: []journal.AnyTable{SiteTable, PlantingsTable, WeatherTable, OwnClimateTable},
}

// ObservationsTable holds what was seen of plantings on rounds.
var ObservationsTable = journal.NewTable(
	"observations",
	(*store.Queries).GetObservation,
	(*store.Queries).PutObservation,
	(*store.Queries).DropObservation,
)

// OwnClimateTable holds the grower's own monthly means, one row at most.
var OwnClimateTable = journal.NewTable(
	"own_climates",
	(*store.Queries).GetOwnClimate,
	(*store.Queries).PutOwnClimate,
	(*store.Queries).DropOwnClimate,
)

// WeatherTable holds what was read of the weather by people.
var WeatherTable = journal.NewTable(
	"weather_readings",
	(*store.Queries).GetWeatherReading,
	(*store.Queries).PutWeatherReading,
	(*store.Queries).DropWeatherReading,
)

// PlantingParams is a planting as it is written whole.
func PlantingParams(p store.Planting) store.PutPlantingParams {
	return store.PutPlantingParams{
		ID:           &p.ID,
		BedID:        p.BedID,
		SpeciesID:    p.SpeciesID,
		Plants:       p.Plants,
		AreaM2:       p.AreaM2,
		CountedOn:    p.CountedOn,
		StartedOn:    p.StartedOn,
		CountedAfter: p.CountedAfter,
		StartYear:    p.StartYear,
		Origin:       p.Origin,
		Identity:     p.Identity,
		IdentityNote: p.IdentityNote,
		Note:         p.Note,
		RemovedOn:    p.RemovedOn,
	}
}
