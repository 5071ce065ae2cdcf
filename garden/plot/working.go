package plot

import (
	"context"
	"fmt"
	"log/slog"
	"runtime/debug"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// flight is a state that is being worked out, for all who ask for it meanwhile.
type flight struct {
	done  chan struct{}
	state *State
	err   error
	// waiting counts who waits for it; the last one to leave ends it. Plot.mu guards it.
	waiting int
	leave   context.CancelFunc
}

// State returns the plot as it stands, worked out anew only after a change or at midnight,
// and then only what the change touches. The caller may hold on to it: it does not change.
// Nobody waits for a lock while it is worked out; who leaves meanwhile is answered at once.
func (g *Plot) State(ctx context.Context) (*State, error) {
	last, today := g.lastEntry.Load(), g.Today()
	if s := g.current.Load(); s != nil && s.LastEntry == last && s.Today == today {
		return s, nil
	}
	g.mu.Lock()
	if s := g.current.Load(); s != nil && s.LastEntry == g.lastEntry.Load() && s.Today == today {
		g.mu.Unlock()
		return s, nil
	}
	f := g.flying
	if f == nil {
		work, leave := context.WithCancel(context.WithoutCancel(ctx))
		f = &flight{done: make(chan struct{}), leave: leave}
		g.flying = f
		go g.fly(work, f, today)
	}
	f.waiting++
	g.mu.Unlock()
	select {
	case <-f.done:
	case <-ctx.Done():
		g.mu.Lock()
		if f.waiting--; f.waiting == 0 {
			f.leave()
			if g.flying == f {
				g.flying = nil
			}
		}
		g.mu.Unlock()
		return nil, ctx.Err()
	}
	if f.err != nil {
		return nil, f.err
	}
	if f.state.LastEntry < last || f.state.Today != today { // it was begun before what the caller noted
		return g.State(ctx)
	}
	return f.state, nil
}

// fly works the state out, and hands it to all who wait.
func (g *Plot) fly(ctx context.Context, f *flight, today calendar.Date) {
	defer f.leave()
	defer close(f.done)
	g.mu.Lock()
	before, moved := g.current.Load(), g.moved
	g.mu.Unlock()
	f.state, f.err = g.workOutSafely(ctx, before, moved, today)
	g.mu.Lock()
	defer g.mu.Unlock()
	if g.flying == f {
		g.flying = nil
	}
	if f.err != nil {
		return
	}
	if s := g.current.Load(); s == nil || s.LastEntry <= f.state.LastEntry {
		g.current.Store(f.state)
	}
	kept := g.moved[:0:0]
	for _, m := range g.moved {
		if m.entry > f.state.LastEntry {
			kept = append(kept, m)
		}
	}
	g.moved = kept
}

// workOutSafely works a state out, and answers a fault in it as an error: it runs for many at
// once, in nobody's request, where a fault would end the program.
func (g *Plot) workOutSafely(
	ctx context.Context,
	before *State,
	moved []movedBy,
	today calendar.Date,
) (s *State, err error) {
	defer func() {
		if fault := recover(); fault != nil {
			slog.Error("the plot cannot be worked out", "fault", fault, "stack", string(debug.Stack()))
			s, err = nil, fmt.Errorf("the plot cannot be worked out: %v", fault)
		}
	}()
	return g.workOut(ctx, before, moved, today)
}

// movedBy is what an entry moved.
type movedBy struct {
	entry   int64
	changes []journal.RowChange
}

// note takes in that an entry was written, with what it moved; nil where that is not known.
func (g *Plot) note(entry int64, changes []journal.RowChange) {
	g.mu.Lock()
	defer g.mu.Unlock()
	g.moved = append(g.moved, movedBy{entry, changes})
	g.lastEntry.Store(entry)
}

// rowsAfter are the rows of now: those before with what moved since, or read anew where
// that is not known.
func (g *Plot) rowsAfter(ctx context.Context, before *State, moved []movedBy) (*rows, int64, error) {
	if before == nil {
		return g.readRows(ctx)
	}
	r, last := before.rows, before.LastEntry
	for _, m := range moved {
		if m.entry <= last {
			continue
		}
		next, err := r.with(g.tables, m.changes)
		if err != nil || m.entry != last+1 || m.changes == nil {
			return g.readRows(ctx)
		}
		r, last = next, m.entry
	}
	return r, last, nil
}

// workOut works a state out from the rows of now, and from the state before it what is the
// same.
func (g *Plot) workOut(ctx context.Context, before *State, moved []movedBy, today calendar.Date) (*State, error) {
	rows, last, err := g.rowsAfter(ctx, before, moved)
	if err != nil {
		return nil, err
	}
	s := &State{LastEntry: last, Today: today, BedByID: map[int64]store.Bed{}, ByID: map[int64]*Planting{}, rows: rows}
	if before == nil || !same(before.rows.ownPlants, rows.ownPlants) || !same(before.rows.ownFigures, rows.ownFigures) ||
		!same(before.rows.ownClimates, rows.ownClimates) ||
		(before.Site.Latitude < 0) != (rows.site.Latitude < 0) {
		if err := g.useOwn(rows.ownPlants, rows.ownFigures, rows.ownClimates, rows.site.Latitude < 0); err != nil {
			return nil, err
		}
	}
	s.Lib = g.Lib()
	s.Finds, s.People, s.Notes, s.Own, s.Needs = rows.finds, rows.people, rows.notes, rows.ownPlants, rows.needs
	s.Readings, s.Fates, s.Sortings, s.Makings = rows.readings, rows.fates, rows.sortings, rows.makings
	s.Site, s.Units = rows.site, unit.System(rows.site.Units)
	s.Season = calendar.SeasonOf(s.Site.Latitude, today)
	s.Next = s.Season.Next(s.Site.Latitude)
	s.Days = s.Lib.Ground().Days
	if err := s.addEvidence(before); err != nil {
		return nil, err
	}
	if s.Sky, err = g.sky(
		s.skyKey(today),
		rows.weather,
		s.Season,
	); err != nil {
		return nil, err
	}
	if s.usual = (&sync.Map{}); before != nil && before.Sky == s.Sky && before.Lib == s.Lib {
		s.usual = before.usual
	}
	s.water, s.gone, s.others = &sync.Map{}, &sync.Map{}, newOthers()
	if before != nil {
		s.waterBefore = before.water
	}
	if err := s.addPlan(before); err != nil {
		return nil, err
	}
	if err := s.addSun(ctx, before); err != nil {
		return nil, err
	}
	s.addPlantings(before)
	if err := s.forecastAll(ctx, before); err != nil {
		return nil, err
	}
	if err := s.addPlace(before); err != nil {
		return nil, err
	}
	for _, p := range s.Plantings {
		g.TryOut(s, p)
	}
	if err := ctx.Err(); err != nil {
		return nil, fmt.Errorf("work the plot out: %w", err)
	}
	return s, nil
}
