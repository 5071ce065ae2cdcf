package garden

import (
	"context"
	"encoding/json"
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/identity"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// day is the day that these tests' plot is looked at.
var day = calendar.Must(2031, time.May, 27)

// fewSeasons is enough for tests that ask for no exact dates.
const fewSeasons = 20

// plot is a garden with one bed and one planting of sure sorrel in it.
type fixture struct {
	*Garden
	t        *testing.T
	store    *store.Store
	bed      int64
	planting int64
	// today is the plot's clock, which a test may move.
	today *calendar.Date
}

func emptyGarden(t testing.TB, today *calendar.Date) (*Garden, *store.Store) {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), t.TempDir())
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	g, err := Open(t.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: today, Seasons: fewSeasons})
	check(t, err)
	return g, s
}

// emptyPlot is a plot that nothing was noted of.
func emptyPlot(t *testing.T) *fixture {
	t.Helper()
	today := day
	g, s := emptyGarden(t, &today)
	return &fixture{Garden: g, t: t, store: s, today: &today}
}

func newPlot(t *testing.T) *fixture {
	t.Helper()
	p := emptyPlot(t)
	g := p.Garden
	bed, err := g.Place.AddBed(t.Context(), goodBed())
	check(t, err)
	p.bed = bed.Made
	planting, err := p.AddPlanting(t.Context(), p.goodPlanting())
	check(t, err)
	p.planting = planting.Made
	return p
}

// sayYes does something, and says yes to what is asked back.
func sayYes[T any](do func(affirmed []string) (T, error)) (T, error) {
	done, err := do(nil)
	if asked := say.Questions(err); len(asked) > 0 {
		return do(asked)
	}
	return done, err
}

// AddPlanting plants, and looks at what came labelled: it is sure from then on.
func (p *fixture) AddPlanting(ctx context.Context, in input.PlantingInput) (journal.Entry, error) {
	return sayYes(func(affirmed []string) (journal.Entry, error) {
		in.Affirmed = affirmed
		if !in.Labelled {
			return p.Garden.Place.AddPlanting(ctx, in)
		}
		return addSure(p.t, p.Garden, in)
	})
}

// ChangePlanting and SetSite say yes to what is asked back: of that there are tests of its
// own.
func (p *fixture) ChangePlanting(ctx context.Context, id int64, seen say.Version, in input.PlantingInput) (journal.Entry, error) {
	return sayYes(func(affirmed []string) (journal.Entry, error) {
		in.Affirmed = affirmed
		return p.Garden.Place.ChangePlanting(ctx, id, seen, in)
	})
}

func (p *fixture) SetSite(ctx context.Context, seen say.Version, in place.SiteInput) (journal.Entry, error) {
	return sayYes(func(affirmed []string) (journal.Entry, error) {
		in.Affirmed = affirmed
		return p.Garden.Place.SetSite(ctx, seen, in)
	})
}

// seenSo notes a look, and says that it was seen so where that is asked back.
func (p *fixture) seenSo(planting int64, look now.ObservationInput) (now.Observed, error) {
	p.t.Helper()
	return sayYes(func(affirmed []string) (now.Observed, error) {
		look.Affirmed = affirmed
		return p.Now.NoteObservation(p.t.Context(), planting, look)
	})
}

// switchStationOn has the simulated station read the plot's weather.
func (p *fixture) switchStationOn() {
	p.t.Helper()
	_, err := p.SetSite(p.t.Context(), say.AsItStands, place.SiteInput{Name: "My plot", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "30 m", Depth: "20 m", Units: "metric", Station: plot.SimulatedStation})
	check(p.t, err)
}

// addSure plants, and puts down a look of years ago that saw everything on record, in
// flower and in fruit.
func addSure(t testing.TB, g *Garden, in input.PlantingInput) (journal.Entry, error) {
	t.Helper()
	entry, err := g.Place.AddPlanting(t.Context(), in)
	if err != nil {
		return entry, err
	}
	view, err := g.Ledger(t.Context(), journal.LedgerFilter{Most: 1})
	check(t, err)
	prove(t, g, view.Lines[0].PlantingID, in.SpeciesID, in.StartedOn)
	return entry, nil
}

// prove puts down a look at a planting that saw everything on record.
func prove(t testing.TB, g *Garden, id int64, speciesID, day string) {
	t.Helper()
	_, err := g.Plot.Change(t.Context(), func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		answers, err := json.Marshal(allSeen(g, speciesID))
		if err != nil {
			return journal.Record{}, err
		}
		shown, err := json.Marshal(s.ByID[id].Species.Identity.Shows)
		if err != nil {
			return journal.Record{}, err
		}
		row := store.PutLookParams{PlantingID: &id, Day: day, NotedOn: day, ByWhom: "Ida", Answers: string(answers), Shown: string(shown), Photos: "[]"}
		_, err = identity.LooksTable.Put(t.Context(), d, 0, row)
		return journal.Record{Kind: "check", Summary: "Checked", Planting: &id}, err
	})
	check(t, err)
}

// allSeen answers seen to everything that a species is known by.
func allSeen(g *Garden, speciesID string) map[string]string {
	species, _ := g.Plot.Lib().Species(speciesID)
	answers := map[string]string{}
	for _, id := range species.Identity.Shows.Characters() {
		answers[id] = "seen"
	}
	return answers
}

func goodBed() place.BedInput {
	return place.BedInput{Name: "Long Bed", FormInput: place.FormInput{X: "10 m", Y: "5 m", Width: "8 m", Depth: "1.2 m"}, SunHours: new(6.0), Moisture: "moist"}
}

func (p *fixture) goodPlanting() input.PlantingInput {
	return input.PlantingInput{BedID: p.bed, SpeciesID: "garden-sorrel", Plants: 12, StartedOn: "2029-04-10", Origin: "seed", Labelled: true, Source: "Label of a nursery."}
}

func (p *fixture) newest() journal.LedgerLine {
	p.t.Helper()
	view, err := p.Ledger(p.t.Context(), journal.LedgerFilter{Most: 1})
	check(p.t, err)
	return view.Lines[0]
}

func (p *fixture) entries() int {
	p.t.Helper()
	view, err := p.Ledger(p.t.Context(), journal.LedgerFilter{Most: 200})
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
func (p *fixture) refused(err error, field, words string, entriesBefore int) {
	p.t.Helper()
	var faults say.Faults
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

// NoteLook, NoteFindLook and SortPicking answer as from a page that was just opened, where
// the test does not say what the page showed.
func (p *fixture) NoteLook(ctx context.Context, id int64, in identity.LookInput) (journal.Entry, error) {
	if v, err := p.Identity.Check(ctx, id, plot.NoDay, in.By); err == nil && in.SpeciesID == "" {
		in.Sight = v.Look(in.Day, in.By, in.Answers).Sight
	}
	return p.Garden.Identity.NoteLook(ctx, id, in)
}

func (p *fixture) NoteFindLook(ctx context.Context, id int64, in identity.LookInput) (journal.Entry, error) {
	if v, err := p.Identity.CheckFind(ctx, id, plot.NoDay, in.By); err == nil && in.SpeciesID == "" {
		in.Sight = v.Look(in.Day, in.By, in.Answers).Sight
	}
	return p.Garden.Identity.NoteFindLook(ctx, id, in)
}

func (p *fixture) SortPicking(ctx context.Context, id int64, in gather.SortingInput) (journal.Entry, error) {
	baskets, err := p.Gather.Baskets(ctx)
	check(p.t, err)
	for _, basket := range baskets {
		if basket.PickingID == id && in.SpeciesID == "" {
			in.Sight = basket.Sorting(in.By, in.Answers).Sight
		}
	}
	return p.Garden.Gather.SortPicking(ctx, id, in)
}

// about are the jobs whose key says that they are about something.
func about(detail string, jobs []area.Job) []area.Job {
	return slices.DeleteFunc(jobs, func(j area.Job) bool { return !strings.Contains(j.Key, ":"+detail) })
}
