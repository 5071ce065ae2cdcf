// Package garden is what the household does with its plot: each file is one use.
// It gathers from the store, asks core, and writes back; it owns the
// transactions and the clock.
package garden

import (
	"context"
	"fmt"
	"sync"
	"sync/atomic"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/library"
	"bramblyacre/station"
	"bramblyacre/store"
)

// Options are what a Garden is opened with.
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

// Garden is one household's plot.
type Garden struct {
	Options

	mu     sync.Mutex
	cached *state
	skies  map[skyKey]*sky
	// sunHours are the beds' hours of sun, worked out for the plan sunFor.
	sunFor   string
	sunHours map[int64][]float64
	// lore is the library in force with its index of names.
	lore atomic.Pointer[lore]
	// dragging keeps the light without the thing that is being dragged.
	dragging dragging
	// tries are asked of every planting of an own plant before it is shown.
	tries []tryout
	// jobSources are where jobs come from.
	jobSources []jobSource
	// journal notes every change.
	journal *Journal
	// picturing keeps one photograph at a time in memory, decoded.
	picturing sync.Mutex
	// plotID is what the plot is known by, wherever it is served.
	plotID string
	// damage is what is wrong with the plot's file.
	damage atomic.Pointer[string]
	// copyTrouble is why the last night's copy could not be kept.
	copyTrouble atomic.Pointer[string]
}

// PlotID is what the plot is known by, wherever it is served.
func (g *Garden) PlotID() string { return g.plotID }

// Open returns the garden of a store, laying down a site where it has none yet.
func Open(ctx context.Context, options Options) (*Garden, error) {
	if options.OpenStation == nil {
		options.OpenStation = station.NewSimulated
	}
	if options.Seasons == 0 {
		options.Seasons = EnsembleSize
	}
	if options.Clock == nil {
		options.Clock = time.Now
	}
	g := &Garden{Options: options, skies: map[skyKey]*sky{}}
	g.lore.Store(&lore{lib: options.Library})
	plants := plantsTold
	plants.Rules = []Rule{g.leavesNoPlanting}
	g.jobSources = []jobSource{gatherJobs, nowJobs, identityJobs}
	for _, source := range g.jobSources {
		g.tries = append(g.tries, func(s *state, p *planting, on calendar.Date) { source.of(s, p, on) })
	}
	g.tries = append(g.tries, tryPlanting, tryCheck)
	var err error
	g.journal, err = NewJournal(g.Store, g.Clock, func() string { return g.Today().String() },
		nowTold, gatherTold, placeTold, identityTold, householdTold, plants, practiceTold, plotTold)
	if err != nil {
		return nil, err
	}
	if err := g.ensureSite(ctx); err != nil {
		return nil, err
	}
	if g.plotID, err = g.Store.PlotID(ctx); err != nil {
		return nil, fmt.Errorf("read the plot's id: %w", err)
	}
	return g, nil
}

// Today returns the day that the plot is looked at.
func (g *Garden) Today() calendar.Date {
	if g.PinnedTo != nil {
		return *g.PinnedTo
	}
	return calendar.OfTime(g.Clock())
}
