// Package plot is the plot as it stands on a day: its rows, and what is worked out of them.
// It holds no views and says no sentences: areas ask it, and tell people.
package plot

import (
	"context"
	"fmt"
	"slices"
	"sync"
	"sync/atomic"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/journal"
	"bramblyacre/library"
	"bramblyacre/station"
	"bramblyacre/store"
)

// Options are what a plot is kept with.
type Options struct {
	Store   *store.Store
	Library *library.Library
	// Clock tells the time; time.Now where it is nil.
	Clock func() time.Time
	// PinnedTo fixes today, for the sample plot and for tests; nil follows the clock.
	PinnedTo *calendar.Date
	// Sample is true for the sample plot.
	Sample bool
	// Seasons is how many seasons forecasts are drawn from; EnsembleSize where
	// it is 0.
	Seasons int
	// OpenStation makes the plot's weather station from its normals and seed.
	OpenStation func(normals climate.Normals, seed uint64) (station.Station, error)
}

// Plot keeps one household's plot.
type Plot struct {
	Options
	// Journal notes every change.
	Journal *journal.Journal

	// current is the newest state that was worked out, lastSky its weather, and lastEntry the
	// newest entry of the ledger: all writing goes through the journal, and no other program
	// writes to a plot that is open.
	current   atomic.Pointer[State]
	lastSky   atomic.Pointer[Sky]
	lastEntry atomic.Int64

	mu sync.Mutex // guards what follows; nothing is worked out under it
	// flying is the state that is being worked out, nil for none.
	flying *flight
	// moved is what entries moved since the current state.
	moved []movedBy

	// lore is the library in force with its index of names.
	lore atomic.Pointer[lore]
	// tables are how the rows of each table are held.
	tables []held
	// tries are asked of every planting of an own plant before it is shown.
	tries []Tryout
	// plotID is what the plot is known by, wherever it is served.
	plotID string
	// damage is what is wrong with the plot's file.
	damage atomic.Pointer[string]
	// health counts how often what is told of the file changed.
	health atomic.Int64
	// copyTrouble is why the last night's copy could not be kept.
	copyTrouble atomic.Pointer[string]
}

// PlotID is what the plot is known by, wherever it is served.
func (g *Plot) PlotID() string { return g.plotID }

// Entry is the newest entry of the ledger.
func (g *Plot) Entry() int64 { return g.lastEntry.Load() }

// Health changes with what is told of the plot's file and its copies.
func (g *Plot) Health() int64 { return g.health.Load() }

// New returns the plot of a store. It is ready once it was begun.
func New(options Options) *Plot {
	if options.OpenStation == nil {
		options.OpenStation = station.NewSimulated
	}
	if options.Seasons == 0 {
		options.Seasons = EnsembleSize
	}
	if options.Clock == nil {
		options.Clock = time.Now
	}
	g := &Plot{Options: options}
	g.lore.Store(&lore{lib: options.Library})
	return g
}

// Begin makes the plot ready with what its areas tell of themselves, laying down a site
// where the store has none yet.
func (g *Plot) Begin(ctx context.Context, areas []journal.Registration, kept []AnyKept, tries []Tryout) (err error) {
	g.tries, g.tables = tries, slices.Clone(heldTables)
	for _, k := range kept {
		g.tables = append(g.tables, k.held())
	}
	g.Journal, err = journal.NewJournal(
		g.Store,
		g.Clock,
		func() string { return g.Today().String() },
		append(areas, registration)...)
	if err != nil {
		return err
	}
	if err := g.ensureSite(ctx); err != nil {
		return err
	}
	g.Journal.Noted = g.note
	last, err := g.Store.LastLedgerID(ctx)
	if err != nil {
		return fmt.Errorf("read the ledger: %w", err)
	}
	g.lastEntry.Store(last)
	if g.plotID, err = g.Store.PlotID(ctx); err != nil {
		return fmt.Errorf("read the plot's id: %w", err)
	}
	return nil
}

// Today returns the day that the plot is looked at.
func (g *Plot) Today() calendar.Date {
	if g.PinnedTo != nil {
		return *g.PinnedTo
	}
	return calendar.OfTime(g.Clock())
}
