package garden

import (
	"context"
	"errors"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/library"
	"bramblyacre/store"
)

// day is the day that these tests' plot is looked at.
var day = calendar.Must(2031, time.May, 27)

// fewSeasons is enough for tests that ask for no exact dates.
const fewSeasons = 20

// plot is a garden with one bed and one planting of sure sorrel in it.
type plot struct {
	*Garden
	t        *testing.T
	store    *store.Store
	bed      int64
	planting int64
}

func emptyGarden(t testing.TB, today *calendar.Date) (*Garden, *store.Store) {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), t.TempDir())
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	g, err := Open(t.Context(), Options{Store: s, Library: shipped, PinnedTo: today, Seasons: fewSeasons})
	check(t, err)
	return g, s
}

func newPlot(t *testing.T) *plot {
	t.Helper()
	today := day
	g, s := emptyGarden(t, &today)
	p := &plot{Garden: g, t: t, store: s}
	_, err := g.AddBed(t.Context(), goodBed())
	check(t, err)
	p.bed = p.newest().BedID
	_, err = p.AddPlanting(t.Context(), p.goodPlanting())
	check(t, err)
	p.planting = p.newest().PlantingID
	return p
}

// AddPlanting plants, and looks at what came labelled: it is sure from then on.
func (p *plot) AddPlanting(ctx context.Context, in PlantingInput) (Entry, error) {
	if !in.Labelled {
		return p.Garden.AddPlanting(ctx, in)
	}
	return addSure(p.t, p.Garden, in)
}

// addSure plants and notes a look that saw everything on record.
func addSure(t testing.TB, g *Garden, in PlantingInput) (Entry, error) {
	t.Helper()
	entry, err := g.AddPlanting(t.Context(), in)
	if err != nil {
		return entry, err
	}
	view, err := g.Ledger(t.Context(), LedgerFilter{Most: 1})
	check(t, err)
	_, err = g.NoteLook(t.Context(), view.Lines[0].PlantingID, LookInput{Day: in.StartedOn, By: "Ida", Answers: allSeen(g, in.SpeciesID)})
	return entry, err
}

// allSeen answers seen to everything that a species is known by.
func allSeen(g *Garden, speciesID string) map[string]string {
	species, _ := g.lib().Species(speciesID)
	answers := map[string]string{}
	for _, id := range species.Identity.Shows.Characters() {
		answers[id] = "seen"
	}
	return answers
}

func goodBed() BedInput {
	return BedInput{Name: "Long Bed", FormInput: FormInput{X: "10 m", Y: "5 m", Width: "8 m", Depth: "1.2 m"}, SunHours: new(6.0), Moisture: "moist"}
}

func (p *plot) goodPlanting() PlantingInput {
	return PlantingInput{BedID: p.bed, SpeciesID: "garden-sorrel", Plants: 12, StartedOn: "2029-04-10", Origin: "seed", Labelled: true, Source: "Label of a nursery."}
}

func (p *plot) newest() LedgerLine {
	p.t.Helper()
	view, err := p.Ledger(p.t.Context(), LedgerFilter{Most: 1})
	check(p.t, err)
	return view.Lines[0]
}

func (p *plot) entries() int {
	p.t.Helper()
	view, err := p.Ledger(p.t.Context(), LedgerFilter{Most: 200})
	check(p.t, err)
	return len(view.Lines)
}

func check(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

// refused makes sure that a change was refused at a field with words in its
// message, and that nothing was written.
func (p *plot) refused(err error, field, words string, entriesBefore int) {
	p.t.Helper()
	var faults Faults
	if !errors.As(err, &faults) {
		p.t.Errorf("got %v, want a fault at %q", err, field)
		return
	}
	found := false
	for _, fault := range faults {
		found = found || fault.Field == field && strings.Contains(fault.Message, words)
	}
	if !found {
		p.t.Errorf("got %q, want a fault at %q with %q", faults.Error(), field, words)
	}
	if now := p.entries(); now != entriesBefore {
		p.t.Errorf("a refused change wrote %d entries", now-entriesBefore)
	}
}
