// Package garden puts the areas of the house together: what the server and the sample plot
// hold. Each area is a package of its own, and knows of no other.
package garden

import (
	"context"

	"bramblyacre/garden/area"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/household"
	"bramblyacre/garden/identity"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/practice"
	"bramblyacre/garden/roots"
	"bramblyacre/garden/season"
	"bramblyacre/garden/spread"
	"bramblyacre/garden/weather"
	"bramblyacre/garden/year"
)

// Garden is one household's plot with all that is done with it.
type Garden struct {
	*plot.Plot
	Place     *place.Uses
	Plants    *plants.Uses
	Identity  *identity.Uses
	Now       *now.Uses
	Gather    *gather.Uses
	Household *household.Uses
	Practice  *practice.Uses
	Bench     *bench.Uses
	Weather   *weather.Uses
	Year      *year.Uses
	Spread    *spread.Uses
	Season    *season.Uses
	Roots     *roots.Uses
	Larder    *larder.Uses
}

// Open returns the garden of a store, laying down a site where it has none yet.
func Open(ctx context.Context, options plot.Options) (*Garden, error) {
	p := plot.New(options)
	g := &Garden{
		Plot: p, Place: place.New(p), Plants: plants.New(p), Identity: identity.New(p), Gather: gather.New(p),
		Household: household.New(p), Practice: practice.New(p), Bench: bench.New(p),
		Weather: weather.New(p), Year: year.New(p), Spread: spread.New(p), Season: season.New(p), Roots: roots.New(p),
		Larder: larder.New(p),
	}
	parts := []area.Part{
		g.Gather.Part(),
		g.Place.Part(),
		g.Identity.Part(),
		g.Plants.Part(),
		g.Household.Part(),
		g.Practice.Part(),
		g.Bench.Part(),
		g.Weather.Part(),
		g.Spread.Part(),
		g.Season.Part(),
		g.Roots.Part(),
		g.Larder.Part(),
	}
	var jobs []area.Source
	for _, part := range parts {
		jobs = append(jobs, part.Jobs)
	}
	g.Now = now.New(p, jobs...)
	parts = append([]area.Part{g.Now.Part()}, parts...)
	var registrations []journal.Registration
	var kept []plot.AnyKept
	var tries []plot.Tryout
	for _, part := range parts {
		registrations = append(registrations, part.Registration)
		kept = append(kept, part.Kept...)
		tries = append(tries, part.Jobs.Try)
		tries = append(tries, part.Tries...)
	}
	return g, p.Begin(ctx, registrations, kept, tries)
}

// Ledger returns a page of the ledger.
func (g *Garden) Ledger(ctx context.Context, filter journal.LedgerFilter) (journal.LedgerView, error) {
	return g.Journal.Ledger(ctx, filter)
}

// TakeBack undoes a ledger entry. It is itself an entry, and can be taken back.
func (g *Garden) TakeBack(ctx context.Context, id int64) (journal.Entry, error) {
	return g.Journal.TakeBack(ctx, id)
}

// ReplayLedger goes through the whole ledger and compares what comes of it with what stands.
func (g *Garden) ReplayLedger(ctx context.Context) (journal.Replayed, error) {
	return g.Journal.ReplayLedger(ctx)
}
