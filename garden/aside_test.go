package garden

import (
	"encoding/json"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// ownSorrel puts a plant of the grower's own and plants it.
func ownSorrel(p *fixture) (planting int64, text string) {
	p.t.Helper()
	copied, err := p.Plants.CopyOf(p.t.Context(), "garden-sorrel")
	check(p.t, err)
	_, id, err := p.Plants.PutOwnPlant(p.t.Context(), say.AsItStands, plants.PlantFileInput{Text: copied.Text})
	check(p.t, err)
	_, err = p.Garden.Place.AddPlanting(p.t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: id, Plants: 3, StartedOn: "2030-04-10", Origin: "seed"})
	check(p.t, err)
	return p.newest().PlantingID, copied.Text
}

// everyPage asks for all that the pages show, fails for any that is not answered, and
// returns it.
func (p *fixture) everyPage() string {
	p.t.Helper()
	ctx, pages := p.t.Context(), strings.Builder{}
	ask := func(name string, view any, err error) {
		p.t.Helper()
		if err != nil {
			p.t.Errorf("%s: %v", name, err)
		}
		text, err := json.Marshal(view)
		check(p.t, err)
		fmt.Fprintf(&pages, "%s: %s\n", name, text)
	}
	s, err := p.Plot.State(ctx)
	check(p.t, err)
	for _, on := range []calendar.Date{plot.NoDay, s.Next.Start.AddDays(20)} {
		now, err := p.Now.Now(ctx, on)
		ask("now", now, err)
		plan, err := p.Place.Plot(ctx, on)
		ask("plot", plan, err)
		gather, err := p.Gather.Gather(ctx, on)
		ask("gather", gather, err)
		ribbon, err := p.Now.Ribbon(ctx, on)
		ask("ribbon", ribbon, err)
		all, err := p.Plants.Plants(ctx, on, plants.PlantsFilter{})
		ask("plants", all, err)
	}
	week, err := p.Now.Week(ctx, plot.NoDay)
	ask("week", week, err)
	looked, err := p.Year.Year(ctx, s.Today)
	ask("year", looked, err)
	mildew, err := p.Now.Trouble(ctx, "mildew", 0)
	ask("trouble", mildew, err)
	own, err := p.Weather.OwnClimate(ctx)
	ask("own climate", own, err)
	round, err := p.Now.Round(ctx)
	ask("round", round, err)
	site, err := p.Place.Site(ctx)
	ask("site", site, err)
	read, err := p.Weather.Weather(ctx, plot.NoDay)
	ask("weather", read, err)
	wet, err := p.Weather.Water(ctx)
	ask("water", wet, err)
	behind, err := p.Weather.Climate(ctx, "lovage")
	ask("climate", behind, err)
	shelves, err := p.Bench.Bench(ctx)
	ask("bench", shelves, err)
	wanted, err := p.Bench.Wanted(ctx)
	ask("wanted", wanted, err)
	trays, err := p.Bench.Trays(ctx)
	ask("trays", trays, err)
	seeds, err := p.Bench.Seeds(ctx)
	ask("seeds", seeds, err)
	volunteers, err := p.Bench.Volunteers(ctx)
	ask("volunteers", volunteers, err)
	family, err := p.Bench.Family(ctx, "")
	ask("family", family, err)
	ways, err := p.Bench.Ways(ctx, bench.AskInput{Species: "borage", Plants: 3}) // few ways: it is asked hundreds of times
	ask("ways", ways, err)
	spreading, err := p.Spread.Spread(ctx, 3, false)
	ask("spread", spreading, err)
	up, err := p.Spread.CameUp(ctx)
	ask("came up", up, err)
	worth, err := p.Spread.Balance(ctx, "")
	ask("balance", worth, err)
	races, err := p.Spread.Overtaken(ctx, 0, "")
	ask("overtaken", races, err)
	after, err := p.Spread.AfterCrop(ctx)
	ask("after the crop", after, err)
	costs, err := p.Spread.Settings(ctx)
	ask("what holding costs", costs, err)
	baskets, err := p.Gather.Baskets(ctx)
	ask("baskets", baskets, err)
	for _, bed := range s.Beds {
		ground, err := p.Place.BedGround(ctx, bed.ID)
		ask("ground", ground, err)
	}
	for _, planting := range s.EverPlanted {
		view, err := p.Place.Planting(ctx, planting.ID, plot.NoDay)
		ask("planting", view, err)
		check, err := p.Identity.Check(ctx, planting.ID, plot.NoDay, "")
		ask("check", check, err)
		if _, has := s.Lib.Species(planting.SpeciesID); has {
			plant, err := p.Plants.Plant(ctx, planting.SpeciesID, plot.NoDay)
			ask("plant", plant, err)
		}
	}
	return pages.String()
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
	p.Forget()
	p.everyPage()
	p.saysAside(planting)
	_, err = p.TakeBack(t.Context(), p.newest().ID)
	check(t, err)
	now, err := p.Now.Now(t.Context(), plot.NoDay)
	check(t, err)
	if slices.ContainsFunc(now.Open, func(j area.JobView) bool { return j.PlantingID == planting }) {
		t.Error("taken back, there is still something to do for it")
	}
}

// saysAside makes sure that a planting says that it cannot be worked out, and that nothing
// of it is offered.
func (p *fixture) saysAside(planting int64) {
	p.t.Helper()
	view, err := p.Place.Planting(p.t.Context(), planting, plot.NoDay)
	check(p.t, err)
	if !strings.Contains(view.Name, "cannot be read") || !strings.Contains(view.Pace, "Everything noted is kept") || len(view.Allowance) > 0 || view.Identity == "sure" {
		p.t.Errorf("it is shown as %q, %q, %q with %d allowances", view.Name, view.Pace, view.Identity, len(view.Allowance))
	}
	now, err := p.Now.Now(p.t.Context(), plot.NoDay)
	check(p.t, err)
	said := func(j area.JobView) bool {
		return j.PlantingID == planting && strings.Contains(j.Reason, "Mend the file")
	}
	if !slices.ContainsFunc(slices.Concat(now.Closing, now.Open, now.Coming), said) {
		p.t.Errorf("nothing says what to do about it: %+v", now.Open)
	}
	if view, err := p.Place.Planting(p.t.Context(), p.planting, plot.NoDay); err != nil || len(view.Stages) == 0 {
		p.t.Errorf("the other planting has no stages any more: %v", err)
	}
}

// A row that no program of today would write: its planting is set aside, whatever row of it
// it is.
func TestARowThatCannotBeReadSetsItsPlantingAside(t *testing.T) {
	for name, spoil := range map[string]func(p *fixture, q *store.Queries, planting int64) error{
		"a look's stage": func(p *fixture, q *store.Queries, planting int64) error {
			_, err := q.PutObservation(p.t.Context(), store.PutObservationParams{PlantingID: planting, Day: "2031-05-20", Stage: "in a mood", Share: "most"})
			return err
		},
		"a look's day": func(p *fixture, q *store.Queries, planting int64) error {
			_, err := q.PutObservation(p.t.Context(), store.PutObservationParams{PlantingID: planting, Day: "20 May", Stage: "in bud", Share: "most"})
			return err
		},
		"a check's answers": func(p *fixture, q *store.Queries, planting int64) error {
			_, err := q.PutLook(p.t.Context(), store.PutLookParams{PlantingID: &planting, Day: "2031-05-20", NotedOn: "2031-05-20", ByWhom: "Ida", Answers: "[", Shown: "{}", Photos: "[]"})
			return err
		},
		"where it came from": func(p *fixture, q *store.Queries, planting int64) error {
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
			p.Forget()
			p.everyPage()
			p.saysAside(planting)
		})
	}
}

// A fault in working one planting out, of whatever kind, stays in that planting.
func TestAFaultInOnePlantingStaysInIt(t *testing.T) {
	p := newPlot(t)
	planting, _ := ownSorrel(p)
	s, err := p.Plot.State(t.Context())
	check(t, err)
	// No file leads here any more: warmth that is counted from no number at all.
	broken := *s.ByID[planting].Species
	broken.Growth.Base.Value = math.NaN()
	s.ByID[planting].Species = &broken
	check(t, s.ForecastAll(t.Context()))
	for _, each := range s.Plantings {
		p.Plot.TryOut(s, each)
	}
	p.saysAside(planting)
	p.everyPage()
}
