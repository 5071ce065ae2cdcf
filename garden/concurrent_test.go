package garden

import (
	"context"
	"sync"
	"testing"

	"bramblyacre/garden/now"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
)

// Pages are read while looks are noted, some of seasons that nobody asked for before. Run
// with the detector of data races (make race) it tells whether anything is shared unguarded.
func TestPagesAreReadWhileOldLooksAreNoted(t *testing.T) {
	for _, station := range []bool{true, false} {
		p := newPlot(t)
		if station {
			p.switchStationOn()
		}
		sage := sureSage(p)
		ctx := t.Context()
		done := make(chan struct{})
		var readers sync.WaitGroup
		read := func(ask func(context.Context) error) {
			readers.Go(func() {
				for {
					if err := ask(ctx); err != nil {
						t.Errorf("a page: %v", err)
						return
					}
					select {
					case <-done:
						return
					default:
					}
				}
			})
		}
		read(func(ctx context.Context) error { _, err := p.Now.Now(ctx, plot.NoDay); return err })
		read(func(ctx context.Context) error { _, err := p.Place.Planting(ctx, sage, plot.NoDay); return err })
		read(func(ctx context.Context) error {
			_, err := p.Plants.Plants(ctx, plot.NoDay, plants.PlantsFilter{})
			return err
		})
		for _, seen := range []now.ObservationInput{
			{Day: "2029-06-02", Stage: "in bud", Share: "half"}, {Day: "2030-06-02", Stage: "in bud", Share: "half"}, {Day: "2028-07-02", Stage: "full leaf", Share: "most"}, {Day: "2031-05-20", Stage: "leafing", Share: "most"},
		} {
			_, err := p.seenSo(sage, seen)
			check(t, err)
		}
		close(done)
		readers.Wait()
		p.sameAnew("looks noted while pages were read")
	}
}

// What is asked for while a change is worked out is answered with the plot from before it or
// after it, and whoever noted it reads it at once.
func TestWhoeverNotesReadsItAtOnce(t *testing.T) {
	p := newPlot(t)
	var all sync.WaitGroup
	for range 4 {
		all.Go(func() {
			for range 10 {
				entry, err := p.Plants.AddPlantNote(t.Context(), "hop", plants.PlantNoteInput{Kind: "note", Text: "It climbs."})
				if err != nil {
					t.Error(err)
					return
				}
				s, err := p.State(t.Context())
				if err != nil || s.LastEntry < entry.ID {
					t.Errorf("entry %d was noted, and the plot is as of %d, %v", entry.ID, s.LastEntry, err)
				}
			}
		})
	}
	all.Wait()
	s, err := p.State(t.Context())
	check(t, err)
	if len(s.Notes) != 40 {
		t.Errorf("%d notes stand", len(s.Notes))
	}
	replayed, err := p.ReplayLedger(t.Context())
	if check(t, err); len(replayed.Apart) > 0 {
		t.Errorf("the ledger and the rows are apart: %v", replayed.Apart)
	}
}
