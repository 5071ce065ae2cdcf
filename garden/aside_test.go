package garden

import (
	"math"
	"slices"
	"strings"
	"testing"

	"bramblyacre/store"
)

// ownSorrel puts a plant of the grower's own and plants it.
func ownSorrel(p *plot) (planting int64, text string) {
	p.t.Helper()
	copied, err := p.CopyOf(p.t.Context(), "garden-sorrel")
	check(p.t, err)
	_, id, err := p.PutOwnPlant(p.t.Context(), AsItStands, PlantFileInput{Text: copied.Text})
	check(p.t, err)
	_, err = p.Garden.AddPlanting(p.t.Context(), PlantingInput{BedID: p.bed, SpeciesID: id, Plants: 3, StartedOn: "2030-04-10", Origin: "seed"})
	check(p.t, err)
	return p.newest().PlantingID, copied.Text
}

// everyPage asks for all that the pages show, and fails for any that is not answered.
func (p *plot) everyPage() {
	p.t.Helper()
	ctx := p.t.Context()
	ask := func(name string, err error) {
		p.t.Helper()
		if err != nil {
			p.t.Errorf("%s: %v", name, err)
		}
	}
	s, err := p.state(ctx)
	check(p.t, err)
	_, err = p.Now(ctx, NoDay)
	ask("now", err)
	_, err = p.Now(ctx, s.next.Start.AddDays(20))
	ask("now next year", err)
	_, err = p.Round(ctx)
	ask("round", err)
	_, err = p.Plot(ctx, NoDay)
	ask("plot", err)
	_, err = p.Gather(ctx, NoDay)
	ask("gather", err)
	_, err = p.Ribbon(ctx, NoDay)
	ask("ribbon", err)
	_, err = p.Site(ctx)
	ask("site", err)
	_, err = p.Plants(ctx, NoDay, PlantsFilter{})
	ask("plants", err)
	for _, planting := range s.all {
		_, err = p.Planting(ctx, planting.ID, NoDay)
		ask("planting", err)
		_, err = p.Check(ctx, planting.ID, NoDay, "")
		ask("check", err)
		if _, has := s.lib.Species(planting.SpeciesID); has {
			_, err = p.Plant(ctx, planting.SpeciesID, NoDay)
			ask("plant", err)
		}
	}
}

// A plant's file in the database that no program of today would take in, as one written by
// an older one: its planting is set aside and says so, everything else goes on, and taking
// back works.
func TestAPlantThatCannotBeReadIsSetAsideAndEverythingElseGoesOn(t *testing.T) {
	p := newPlot(t)
	planting, text := ownSorrel(p)
	own, err := p.store.ListOwnPlants(t.Context())
	check(t, err)
	broken := strings.Replace(text, "[growth]", "[growth]\nupper = { value = nan, low = nan, high = nan, unit = \"°C\", standing = \"guess\" }", 1)
	_, err = p.store.PutOwnPlant(t.Context(), store.PutOwnPlantParams{ID: &own[0].ID, SpeciesID: own[0].SpeciesID, Text: broken})
	check(t, err)
	p.cached = nil
	p.everyPage()
	p.saysAside(planting)
	_, err = p.TakeBack(t.Context(), p.newest().ID)
	check(t, err)
	now, err := p.Now(t.Context(), NoDay)
	check(t, err)
	if slices.ContainsFunc(now.Open, func(j JobView) bool { return j.PlantingID == planting }) {
		t.Error("taken back, there is still something to do for it")
	}
}

// saysAside makes sure that a planting says that it cannot be worked out, and that nothing
// of it is offered.
func (p *plot) saysAside(planting int64) {
	p.t.Helper()
	view, err := p.Planting(p.t.Context(), planting, NoDay)
	check(p.t, err)
	if !strings.Contains(view.Name, "cannot be read") || !strings.Contains(view.Pace, "Everything noted is kept") || len(view.Allowance) > 0 || view.Identity == "sure" {
		p.t.Errorf("it is shown as %q, %q, %q with %d allowances", view.Name, view.Pace, view.Identity, len(view.Allowance))
	}
	now, err := p.Now(p.t.Context(), NoDay)
	check(p.t, err)
	said := func(j JobView) bool { return j.PlantingID == planting && strings.Contains(j.Reason, "Mend the file") }
	if !slices.ContainsFunc(slices.Concat(now.Closing, now.Open, now.Coming), said) {
		p.t.Errorf("nothing says what to do about it: %+v", now.Open)
	}
	if view, err := p.Planting(p.t.Context(), p.planting, NoDay); err != nil || len(view.Stages) == 0 {
		p.t.Errorf("the other planting has no stages any more: %v", err)
	}
}

// A row that no program of today would write: its planting is set aside, whatever row of it
// it is.
func TestARowThatCannotBeReadSetsItsPlantingAside(t *testing.T) {
	for name, spoil := range map[string]func(p *plot, q *store.Queries, planting int64) error{
		"a look's stage": func(p *plot, q *store.Queries, planting int64) error {
			_, err := q.PutObservation(p.t.Context(), store.PutObservationParams{PlantingID: planting, Day: "2031-05-20", Stage: "in a mood", Share: "most"})
			return err
		},
		"a look's day": func(p *plot, q *store.Queries, planting int64) error {
			_, err := q.PutObservation(p.t.Context(), store.PutObservationParams{PlantingID: planting, Day: "20 May", Stage: "in bud", Share: "most"})
			return err
		},
		"a check's answers": func(p *plot, q *store.Queries, planting int64) error {
			_, err := q.PutLook(p.t.Context(), store.PutLookParams{PlantingID: &planting, Day: "2031-05-20", NotedOn: "2031-05-20", ByWhom: "Ida", Answers: "[", Shown: "{}", Photos: "[]"})
			return err
		},
		"where it came from": func(p *plot, q *store.Queries, planting int64) error {
			row, err := q.GetPlanting(p.t.Context(), planting)
			check(p.t, err)
			params := store.PutPlantingParams{ID: &row.ID, BedID: row.BedID, SpeciesID: row.SpeciesID, Plants: row.Plants, CountedOn: row.CountedOn, StartedOn: row.StartedOn, Origin: "the moon", Identity: row.Identity}
			_, err = q.PutPlanting(p.t.Context(), params)
			return err
		},
	} {
		t.Run(name, func(t *testing.T) {
			p := newPlot(t)
			planting, _ := ownSorrel(p)
			check(t, spoil(p, p.store.Queries, planting))
			p.cached = nil
			p.everyPage()
			p.saysAside(planting)
		})
	}
}

// A fault in working one planting out, of whatever kind, stays in that planting.
func TestAFaultInOnePlantingStaysInIt(t *testing.T) {
	p := newPlot(t)
	planting, _ := ownSorrel(p)
	s, err := p.state(t.Context())
	check(t, err)
	// No file leads here any more: warmth that is counted from no number at all.
	broken := *s.byID[planting].species
	broken.Growth.Base.Value = math.NaN()
	s.byID[planting].species = &broken
	check(t, s.forecastAll(t.Context()))
	for _, each := range s.plantings {
		p.tryOut(s, each)
	}
	p.saysAside(planting)
	p.everyPage()
}
