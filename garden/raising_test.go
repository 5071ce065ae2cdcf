package garden

import (
	"math"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/say"
)

// A wish goes its whole way: ways, a batch, a tray that is counted, planted out, and a forecast that
// goes on from what the tray knew.
func TestFromWishToBed(t *testing.T) {
	r := newRaising(t)
	wish, err := r.Bench.Wish(t.Context(), bench.WishInput{SpeciesID: "valerian", Plants: 8, BedID: r.bed})
	check(t, err)
	batch := r.planned(t, bench.AskInput{Wish: wish.Made}, "seed", "Shelf", 24)
	_, err = r.Bench.BeginBatch(t.Context(), batch, bench.BeginInput{Day: "2031-05-27", Starts: 24})
	check(t, err)
	tray, err := r.Bench.PutTray(t.Context(), 0, say.AsItStands, bench.TrayInput{
		Name: "Blue", PlaceID: r.shelf, Rows: 4, Columns: 6, Cell: "85 ml", Depth: "6 cm", Mix: "sowing",
	})
	check(t, err)
	_, err = r.Bench.SowTray(t.Context(), tray.Made, say.AsItStands, bench.SowTrayInput{BatchID: batch, Count: 24})
	check(t, err)
	*r.today = calendar.Must(2031, 7, 20)
	var up []bench.CellChange
	for cell := range 15 {
		up = append(up, bench.CellChange{Cell: cell, State: "up", From: -1})
	}
	_, err = r.Bench.CountTray(t.Context(), tray.Made, say.AsItStands, bench.CountTrayInput{Changes: up})
	check(t, err)
	if b := r.batch(t, batch); b.Up != 15 || b.Standing != 15 {
		t.Fatalf("15 cells are up, the batch says %d up and %d standing", b.Up, b.Standing)
	}
	*r.today = calendar.Must(2031, 8, 12)
	out, err := sayYes(func(affirmed []string) (int64, error) {
		_, err := r.Bench.PlantOut(t.Context(), batch, bench.PlantOutInput{
			Day: "2031-08-12", BedID: r.bed, Plants: 9, Stage: "leafing", Affirmed: affirmed,
		})
		return 0, err
	})
	_ = out
	check(t, err)
	cells := map[string]int{}
	after, err := r.Bench.Tray(t.Context(), tray.Made)
	check(t, err)
	for _, cell := range after.Cells {
		cells[cell.State]++
	}
	if cells["out"] != 9 || cells["up"] != 6 || cells["sown"] != 9 {
		t.Errorf("of 15 up in 24 cells nine went out: %v", cells)
	}
	_, err = r.Bench.EndBatch(t.Context(), batch, "")
	check(t, err)
	if _, err := r.Bench.EmptyTray(t.Context(), tray.Made); err != nil {
		t.Errorf("the batch ended, its tray cannot be emptied: %v", err)
	}
	s, err := r.State(t.Context())
	check(t, err)
	p := s.Plantings[len(s.Plantings)-1]
	if p.SpeciesID != "valerian" || p.Plants != 9 || p.Started != calendar.Must(2031, 5, 27) || p.Origin != "seed" {
		t.Errorf("planted %+v", p.Planting)
	}
	if p.IdentityState != "unproven" {
		t.Errorf("a seedling of a sure mother is %s", p.IdentityState)
	}
	if len(p.Sightings) != 1 || p.Now == nil {
		t.Fatalf("what the tray knew is lost: %d sightings", len(p.Sightings))
	}
	if index, _ := p.Now.StageOn(*r.today); p.Now.Stages[index].String() != "leafing" {
		t.Errorf("on the day it is planted out leafing the forecast says %s", p.Now.Stages[index])
	}
	wanted, err := r.Bench.Wanted(t.Context())
	check(t, err)
	if len(wanted.Wishes) != 0 {
		t.Errorf("eight were wished for and nine are out; the list says %+v", wanted.Wishes)
	}
	family, err := r.Bench.Family(t.Context(), "valerian")
	check(t, err)
	var way []string
	for _, m := range family.Members {
		way = append(way, strings.Repeat("-", m.Depth)+m.Kind)
	}
	if got := strings.Join(way, " "); got != "planting -lot --batch ---planting" {
		t.Errorf("the family is %q", got)
	}
}

// What a counted tray says replaces what was reckoned of its lot, and the next batch needs other numbers.
func TestACountedTrayCorrectsItsLot(t *testing.T) {
	r := newRaising(t)
	before := r.wayOf(t, bench.AskInput{Species: "valerian", Plants: 20}, "seed", "Shelf").Starts
	batch := r.sown(t, 60)
	_, err := r.Bench.CountBatch(t.Context(), batch, bench.BatchCountInput{Kind: "up", Plants: 6, Day: "2031-05-27"})
	check(t, err)
	if half := r.wayOf(t, bench.AskInput{Species: "valerian", Plants: 20}, "seed", "Shelf").Starts; half != before {
		t.Errorf("a tray half up says nothing yet: %d starts, before %d", half, before)
	}
	*r.today = calendar.Must(2031, 8, 1)
	_, err = r.Bench.CountBatch(t.Context(), batch, bench.BatchCountInput{Kind: "up", Plants: 24, Day: "2031-08-01"})
	check(t, err)
	after := r.wayOf(t, bench.AskInput{Species: "valerian", Plants: 20}, "seed", "Shelf").Starts
	// By the share alone, the survival after it taken as sure, the beta-binomial's are the least; a
	// seedling in five lost later adds no more than half of that again.
	share, err := propagation.Tested(24, 60)
	check(t, err)
	least, err := propagation.StartsTested(20, share, 0.9)
	check(t, err)
	if after < least || after > least*8/5 || after == before {
		t.Errorf("24 of 60 came up: %d starts are told, %d before; the lot alone needs %d", after, before, least)
	}
}

func TestATestNarrowsALot(t *testing.T) {
	r := newRaising(t)
	lot := func() bench.SeedLotView {
		seeds, err := r.Bench.Seeds(t.Context())
		check(t, err)
		return seeds.Lots[0]
	}
	before := lot()
	_, err := r.Bench.TestLot(t.Context(), r.lot, bench.SeedTestInput{Day: "2031-05-20", Tried: 100, CameUp: 82})
	check(t, err)
	after := lot()
	if len(before.Alive) != 3 || len(after.Alive) != 3 || math.Abs(after.Alive[1]-0.82) > 0.02 {
		t.Fatalf("before %v, after %v", before.Alive, after.Alive)
	}
	if after.Alive[2]-after.Alive[0] > 0.12 {
		t.Errorf("82 of 100 leave a band of %v", after.Alive)
	}
	if !strings.Contains(after.Rests, "test") {
		t.Errorf("it rests on %q", after.Rests)
	}
}

func TestOlderSeedIsNeverBetterOnTheShelf(t *testing.T) {
	r := newRaising(t)
	before := 2.0
	for _, ripe := range []string{"2031-04-01", "2030-07-20", "2029-07-20", "2027-07-20", "2020-07-20"} {
		_, err := r.Bench.PutLot(t.Context(), r.lot, say.AsItStands, bench.SeedLotInput{
			SpeciesID: "valerian", Name: "Own", Origin: "own", RipeOn: ripe, Storage: "cool room",
		})
		check(t, err)
		seeds, err := r.Bench.Seeds(t.Context())
		check(t, err)
		if alive := seeds.Lots[0].Alive[1]; alive > before {
			t.Errorf("seed of %s is better than younger seed: %.3f, %.3f", ripe, alive, before)
		} else {
			before = alive
		}
	}
}

// refused makes sure that something is refused at a field, and that nothing was written.
func (r *raising) refused(t *testing.T, what, field string, try func() error) {
	t.Helper()
	before := r.Entry()
	err := try()
	faults, is := err.(say.Faults)
	if !is {
		t.Errorf("%s: %v", what, err)
		return
	}
	found := false
	for _, fault := range faults {
		found = found || fault.Field == field
	}
	if !found {
		t.Errorf("%s is told at another field: %v", what, faults)
	}
	if r.Entry() != before {
		t.Errorf("%s was noted all the same", what)
	}
}

func TestBenchRefusesWhatCannotBe(t *testing.T) {
	r := newRaising(t)
	g := r.Bench
	ctx := t.Context()
	batch := r.sown(t, 30)
	planned := r.planned(t, bench.AskInput{Species: "valerian", Plants: 5}, "seed", "House", 12)
	tray, err := g.PutTray(ctx, 0, say.AsItStands, bench.TrayInput{Name: "Small", Rows: 2, Columns: 5, Cell: "70 ml", Depth: "5 cm"})
	check(t, err)
	lot := bench.SeedLotInput{SpeciesID: "valerian", Name: "New", Origin: "own", RipeOn: "2030-08-01", Storage: "cool room"}

	r.refused(t, "more seedlings than cells", "count", func() error {
		_, err := g.SowTray(ctx, tray.Made, say.AsItStands, bench.SowTrayInput{BatchID: batch, Count: 11})
		return err
	})
	r.refused(t, "a lot dated tomorrow", "ripeOn", func() error {
		in := lot
		in.RipeOn = "2031-05-28"
		_, err := g.PutLot(ctx, 0, say.AsItStands, in)
		return err
	})
	r.refused(t, "0 seeds tested", "tried", func() error {
		_, err := g.TestLot(ctx, r.lot, bench.SeedTestInput{Day: "2031-05-20", Tried: 0})
		return err
	})
	r.refused(t, "more up than tried", "cameUp", func() error {
		_, err := g.TestLot(ctx, r.lot, bench.SeedTestInput{Day: "2031-05-20", Tried: 5, CameUp: 6})
		return err
	})
	r.refused(t, "a cell of 5 litres", "cell", func() error {
		_, err := g.PutTray(ctx, 0, say.AsItStands, bench.TrayInput{Name: "Tub", Rows: 2, Columns: 2, Cell: "5 l", Depth: "20 cm"})
		return err
	})
	r.refused(t, "planted out before it was sown", "day", func() error {
		_, err := g.PlantOut(ctx, planned, bench.PlantOutInput{Day: "2031-05-27", BedID: r.bed, Plants: 3})
		return err
	})
	r.refused(t, "planted out before the day it was sown", "day", func() error {
		_, err := g.PlantOut(ctx, batch, bench.PlantOutInput{Day: "2031-05-20", BedID: r.bed, Plants: 3})
		return err
	})
	r.refused(t, "more planted out than stand", "plants", func() error {
		_, err := g.PlantOut(ctx, batch, bench.PlantOutInput{Day: "2031-05-27", BedID: r.bed, Plants: 31})
		return err
	})
	r.refused(t, "more came up than were sown", "plants", func() error {
		_, err := g.CountBatch(ctx, batch, bench.BatchCountInput{Kind: "up", Plants: 31, Day: "2031-05-27"})
		return err
	})
	r.refused(t, "a wish for yesterday", "by", func() error {
		_, err := g.Wish(ctx, bench.WishInput{SpeciesID: "valerian", Plants: 3, By: "2031-05-26"})
		return err
	})
	r.refused(t, "a wish for nothing", "plants", func() error {
		_, err := g.Wish(ctx, bench.WishInput{SpeciesID: "valerian"})
		return err
	})
	r.refused(t, "ways to have it by yesterday", "by", func() error {
		_, err := g.Ways(ctx, bench.AskInput{Species: "valerian", Plants: 3, By: "2031-05-26"})
		return err
	})
	r.refused(t, "ways to have it in the year 1", "by", func() error {
		_, err := g.Ways(ctx, bench.AskInput{Species: "valerian", Plants: 3, By: "0001-01-01"})
		return err
	})
	r.refused(t, "more seed than there is", "starts", func() error {
		_, err := g.BeginBatch(ctx, planned, bench.BeginInput{Day: "2031-05-27", Starts: 90_000})
		return err
	})
	r.refused(t, "a place without room", "trays", func() error {
		_, err := g.PutPlace(ctx, 0, say.AsItStands, bench.RaisingPlaceInput{Name: "Sill", Kind: "indoor shelf", Set: "20 °C"})
		return err
	})
	r.refused(t, "a second place of a name", "name", func() error {
		_, err := g.PutPlace(ctx, 0, say.AsItStands, bench.RaisingPlaceInput{Name: "shelf", Kind: "indoor shelf", Trays: 2, Set: "20 °C"})
		return err
	})
	r.refused(t, "seed of another plant's mother", "motherId", func() error {
		in := lot
		in.MotherID = r.planting // sorrel
		_, err := g.PutLot(ctx, 0, say.AsItStands, in)
		return err
	})
	r.refused(t, "a spacing of nothing", "spacing", func() error {
		_, err := g.SetOut(ctx, bench.SetOutInput{Width: "1 m", Length: "2 m", Spacing: "0", Edge: "10 cm"})
		return err
	})
	r.refused(t, "a mix for no cells", "cells", func() error {
		_, err := g.Fill(ctx, bench.FillingInput{Mix: "sowing", Cell: "85 ml"})
		return err
	})
	r.refused(t, "an unknown mix", "mix", func() error {
		_, err := g.Fill(ctx, bench.FillingInput{Mix: "cake", Cells: 3, Cell: "85 ml"})
		return err
	})
	r.refused(t, "the batch moved into the past", "from", func() error {
		_, err := g.MoveBatch(ctx, planned, say.AsItStands, bench.MoveBatchInput{Stay: 0, From: "2031-05-01"})
		return err
	})
	if _, err := g.MoveBatch(ctx, planned, "stale", bench.MoveBatchInput{Stay: 0, From: "2031-06-01"}); err == nil {
		t.Error("a move made from an old page is taken")
	}
}

// A plant of this year is not divided: the way is not there to be chosen, and says why.
func TestAPlantOfThisYearIsNotDivided(t *testing.T) {
	r := newRaising(t)
	_, err := r.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{
		BedID: r.bed, SpeciesID: "lovage", Plants: 2, StartedOn: "2031-04-02", Origin: "seed",
	})
	check(t, err)
	way := r.wayOf(t, bench.AskInput{Species: "lovage", Plants: 2}, "division", "")
	if way.Possible || !strings.Contains(strings.Join(way.Lacks, " "), "a plant of this year gives nothing for division yet") {
		t.Errorf("possible %v, lacks %v", way.Possible, way.Lacks)
	}
	_, err = r.Bench.PlanBatch(t.Context(), bench.PlanBatchInput{SpeciesID: "lovage", Plants: 2, Key: way.Key})
	if _, is := err.(say.ConflictError); !is {
		t.Errorf("planned all the same: %v", err)
	}
}

// What is planned can be put back by the ledger, from wish to planting, and each comes back as it was.
func TestTheBenchCanBeTakenBack(t *testing.T) {
	r := newRaising(t)
	before, err := r.Bench.Bench(t.Context())
	check(t, err)
	batch := r.sown(t, 12)
	_, err = r.Bench.CountBatch(t.Context(), batch, bench.BatchCountInput{Kind: "up", Plants: 10, Day: "2031-05-27"})
	check(t, err)
	entry, err := sayYes(func(affirmed []string) (int64, error) {
		entry, err := r.Bench.PlantOut(t.Context(), batch, bench.PlantOutInput{Day: "2031-05-27", BedID: r.bed, Plants: 10, Affirmed: affirmed})
		return entry.ID, err
	})
	check(t, err)
	for id := entry; id > entry-4; id-- {
		_, err := r.TakeBack(t.Context(), id)
		check(t, err)
	}
	after, err := r.Bench.Bench(t.Context())
	check(t, err)
	if len(after.Batches) != len(before.Batches) {
		t.Errorf("%d batches, before %d", len(after.Batches), len(before.Batches))
	}
	seeds, err := r.Bench.Seeds(t.Context())
	check(t, err)
	if seeds.Lots[0].Weight != "5 g" {
		t.Errorf("the seed that was sown did not come back: %s", seeds.Lots[0].Weight)
	}
	replayed, err := r.ReplayLedger(t.Context())
	check(t, err)
	if len(replayed.Apart) > 0 {
		t.Errorf("rows are not as the ledger says: %v", replayed.Apart)
	}
}

// A tender plant's planned day out is never one on which frost is likelier than the risk, whatever
// the place and the day it is begun on. The chance is counted here over the seasons' own days.
func TestNoTenderBatchGoesOutIntoFrost(t *testing.T) {
	r := newRaising(t)
	s, err := r.State(t.Context())
	check(t, err)
	asked := 0
	for _, species := range s.Lib.AllSpecies() {
		id := species.ID
		below, tender := species.KilledBelow()
		if !tender || below.Value < -3 || species.Identity.Danger == "deadly" {
			continue
		}
		for _, today := range []calendar.Date{calendar.Must(2031, 2, 10), calendar.Must(2031, 4, 20), calendar.Must(2031, 9, 25)} {
			*r.today = today
			ways, err := r.Bench.Ways(t.Context(), bench.AskInput{Species: id, Plants: 4})
			check(t, err)
			for _, w := range ways.Ways {
				if w.Ready == nil || w.Where == "in place" || w.Way == "volunteers" {
					continue
				}
				asked++
				for _, out := range []calendar.Date{w.Ready.P10, w.Ready.P50, w.Ready.P90} {
					if chance := r.frostAfter(t, out, below.Value); chance > 0.1+1e-9 {
						t.Errorf("%s by %s goes out on %s with frost in %.0f of 100 seasons", id, w.Way, out, 100*chance)
					}
				}
			}
		}
	}
	if asked < 6 {
		t.Errorf("only %d ways of tender plants were asked for", asked)
	}
}

// frostAfter counts the seasons with a night at or below a temperature in the thirty days from a day.
func (r *raising) frostAfter(t *testing.T, from calendar.Date, celsius float64) float64 {
	t.Helper()
	s, err := r.State(t.Context())
	check(t, err)
	season := s.Season
	if s.Next.Contains(from) {
		season = s.Next
	}
	if !season.Contains(from) {
		return 0 // later than is forecast: its like
	}
	e, err := s.Sky.Ensemble(season)
	check(t, err)
	cold := 0
	for member := range e.Size() {
		weather := e.Weather(member)
		for i := from.DaysSince(season.Start); i < min(len(weather), from.DaysSince(season.Start)+30); i++ {
			if weather[i].TMin <= celsius {
				cold++
				break
			}
		}
	}
	return float64(cold) / float64(e.Size())
}

// Every plant of the library is asked for: each way says what it can, and what it cannot says why.
func TestEveryPlantOfTheLibraryAnswers(t *testing.T) {
	if testing.Short() {
		t.Skip("all plants")
	}
	r := newRaising(t)
	for _, species := range r.Lib().AllSpecies() {
		if species.Identity.Danger == "deadly" {
			continue // see TestWhatKillsIsNeverRaised
		}
		ways, err := r.Bench.Ways(t.Context(), bench.AskInput{Species: species.ID, Plants: 4})
		if err != nil {
			t.Fatalf("%s: %v", species.ID, err)
		}
		if len(ways.Ways) == 0 && ways.Cannot == "" {
			t.Errorf("%s: no way and no word", species.ID)
		}
		for _, w := range ways.Ways {
			name := species.ID + ", " + w.Way
			switch {
			case w.Title == "":
				t.Errorf("%s has no name on screen", name)
			case !w.Possible && len(w.Lacks) == 0:
				t.Errorf("%s cannot be gone and does not say why", name)
			case w.Possible && w.Chance == nil && len(w.Missing) == 0:
				t.Errorf("%s tells no chance and does not say what is not on record", name)
			case w.Possible && w.Ready == nil && len(w.Missing) == 0 && len(w.Fails) == 0:
				t.Errorf("%s tells no day and does not say why", name)
			case w.Chance != nil && (*w.Chance < 0 || *w.Chance > 1):
				t.Errorf("%s: a chance of %v", name, *w.Chance)
			}
			if w.Ready != nil && (w.Ready.P10 > w.Ready.P50 || w.Ready.P50 > w.Ready.P90 || w.Ready.P10 < day) {
				t.Errorf("%s is ready %v", name, w.Ready)
			}
			for _, step := range w.Steps {
				if step.Until < step.From {
					t.Errorf("%s: %s runs backward", name, step.Step)
				}
			}
		}
	}
}

// A plant that kills is not raised: no way is told, no wish taken, no batch planned, and where one
// that was planted failed nobody is told to try again.
func TestWhatKillsIsNeverRaised(t *testing.T) {
	r := newRaising(t)
	for _, id := range []string{"hemlock", "foxglove", "monkshood", "yew", "thorn-apple", "deadly-nightshade"} {
		r.refused(t, "ways to "+id, "speciesId", func() error {
			_, err := r.Bench.Ways(t.Context(), bench.AskInput{Species: id, Plants: 3})
			return err
		})
		r.refused(t, "a wish for "+id, "speciesId", func() error {
			_, err := r.Bench.Wish(t.Context(), bench.WishInput{SpeciesID: id, Plants: 3})
			return err
		})
		r.refused(t, "a batch of "+id, "speciesId", func() error {
			_, err := r.Bench.PlanBatch(t.Context(), bench.PlanBatchInput{SpeciesID: id, Plants: 3, Key: "0-ground"})
			return err
		})
	}
	for _, id := range []string{"foxglove", "valerian"} {
		planting, err := r.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{
			BedID: r.bed, SpeciesID: id, Plants: 2, StartedOn: "2030-04-02", Origin: "bought",
		})
		check(t, err)
		_, err = r.Garden.Place.NoteFate(t.Context(), planting.Made, place.FateInput{Outcome: "failed", Cause: "eaten", Gone: true})
		check(t, err)
	}
	_, err := r.Garden.Place.RemovePlanting(t.Context(), r.mother)
	check(t, err)
	wanted, err := r.Bench.Wanted(t.Context())
	check(t, err)
	var told []string
	for _, one := range wanted.Suggested {
		if one.Cause == "failed" {
			told = append(told, one.SpeciesID)
		}
	}
	if !slices.Equal(told, []string{"valerian"}) {
		t.Errorf("told to try again: %v", told)
	}
}

func TestMoreWantedNeverFewerStartsOfAnyWay(t *testing.T) {
	r := newRaising(t)
	for _, way := range []struct{ way, where string }{{"seed", "Shelf"}, {"seed", "in place"}} {
		before := 0
		for wanted := 1; wanted <= 40; wanted += 3 {
			starts := r.wayOf(t, bench.AskInput{Species: "valerian", Plants: wanted}, way.way, way.where).Starts
			if starts < before || starts < wanted {
				t.Errorf("%s, %s: %d wanted, %d starts, %d before", way.way, way.where, wanted, starts, before)
			}
			before = starts
		}
	}
}

// South of the equator the months are turned, and a spring sowing comes in September.
func TestTheSouthSowsInItsOwnSpring(t *testing.T) {
	r := newRaising(t)
	_, err := r.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: -30, Altitude: "60 m", ClimateID: "humid-subtropical-south", Width: "30 m", Depth: "20 m", Units: "metric"})
	check(t, err)
	way := r.wayOf(t, bench.AskInput{Species: "elecampane", Plants: 4}, "seed", "Shelf")
	if month := way.Start.Month(); month < 9 && month != 3 { // March to May, and September, turned by half a year
		t.Errorf("elecampane is sown on %s in the south", way.Start)
	}
}

// A self-seeder is trusted until it is said to be sown again each year; then that is suggested, taken
// up once, and no more.
func TestInsuranceSowingIsTheGrowersChoice(t *testing.T) {
	r := newRaising(t)
	borage, err := r.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: r.bed, SpeciesID: "borage", Plants: 5, StartedOn: "2031-04-20", Origin: "seed"})
	check(t, err)
	resown := func() (key string, n int) {
		wanted, err := r.Bench.Wanted(t.Context())
		check(t, err)
		if len(wanted.SelfSeeders) == 0 {
			t.Error("borage is no self-seeder here")
		}
		for _, one := range wanted.Suggested {
			if one.Cause == "resow" {
				key, n = one.Key, n+1
			}
		}
		return key, n
	}
	if _, n := resown(); n != 0 {
		t.Error("sowing again is suggested unasked")
	}
	_, err = r.Bench.Insure(t.Context(), borage.Made, bench.InsureInput{On: true})
	check(t, err)
	if _, err := r.Bench.Insure(t.Context(), borage.Made, bench.InsureInput{On: true}); err == nil {
		t.Error("it is switched on twice")
	}
	key, n := resown()
	if n != 1 {
		t.Fatalf("suggested %d times", n)
	}
	_, err = r.Bench.Wish(t.Context(), bench.WishInput{SpeciesID: "borage", Plants: 5, Cause: "resow", CauseKey: key})
	check(t, err)
	if _, n := resown(); n != 0 {
		t.Error("taken up, it is suggested again")
	}
}

// Sown to be certain, it is asked for about the day that it is usually sown on, once a year, until something of the kind
// is set; left to itself it is not asked for.
func TestInsuranceSowingIsAJobWhenItsTimeComes(t *testing.T) {
	r := newRaising(t)
	borage, err := r.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: r.bed, SpeciesID: "borage", Plants: 5, StartedOn: "2031-04-20", Origin: "seed"})
	check(t, err)
	asked := func() (n int) {
		s, err := r.Plot.State(t.Context())
		check(t, err)
		for _, j := range about("insured", r.Bench.Part().Jobs.Of(s, s.ByID[borage.Made], s.Today)) {
			if j.First <= s.Today && j.Last >= s.Today {
				n++
			}
		}
		return n
	}
	if n := asked(); n != 0 {
		t.Errorf("unasked it is to be sown again %d times", n)
	}
	_, err = r.Bench.Insure(t.Context(), borage.Made, bench.InsureInput{On: true})
	check(t, err)
	s, err := r.Plot.State(t.Context())
	check(t, err)
	jobs := about("insured", r.Bench.Part().Jobs.Of(s, s.ByID[borage.Made], s.Today))
	// Borage is sown about 18 April: next year, since this spring's stands.
	if off := jobs[0].BestFirst.DaysSince(calendar.Must(2032, 4, 18)); len(jobs) != 1 || off < -1 || off > 1 {
		t.Fatalf("the jobs are %+v", jobs)
	}
	r.on("2032-04-20", func() {
		if n := asked(); n != 1 {
			t.Errorf("in its days it is asked for %d times", n)
		}
		_, err := r.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: r.bed, SpeciesID: "borage", Plants: 5, StartedOn: "2032-04-20", Origin: "seed"})
		check(t, err)
		s, err := r.Plot.State(t.Context())
		check(t, err)
		for _, j := range about("insured", r.Bench.Part().Jobs.Of(s, s.ByID[borage.Made], s.Today)) {
			if j.BestFirst.Year() == 2032 {
				t.Errorf("sown, it is asked for again: %+v", j)
			}
		}
	})
}

// Where no tray has room any more, the ways say so before one is chosen.
func TestAWaySaysWhetherThereIsRoom(t *testing.T) {
	r := newRaising(t)
	ask := bench.AskInput{Species: "valerian", Plants: 8}
	if way := r.wayOf(t, ask, "seed", "Shelf"); !strings.Contains(strings.Join(way.Has, "; "), "room for") {
		t.Errorf("an empty shelf: %v, %v", way.Has, way.Lacks)
	}
	_, err := r.Bench.KeepRoom(t.Context(), bench.KeptRoomInput{PlaceID: r.shelf, Name: "tomatoes", Trays: 5, From: "2031-01-01", Until: "2031-12-30"})
	check(t, err)
	if way := r.wayOf(t, ask, "seed", "Shelf"); !strings.Contains(strings.Join(way.Lacks, "; "), "room: shelf has room for no tray") {
		t.Errorf("a full shelf: %v, %v", way.Has, way.Lacks)
	}
}

// A way that is on record as one not to go is shown, and not planned.
func TestAWayNotToGoIsNotPlanned(t *testing.T) {
	r := newRaising(t)
	refused := 0
	for _, species := range r.Lib().AllSpecies() {
		for _, row := range species.Propagations {
			if row.IsAdvised() || refused > 12 || species.Identity.Danger == "deadly" {
				continue
			}
			ways, err := r.Bench.Ways(t.Context(), bench.AskInput{Species: species.ID, Plants: 2})
			check(t, err)
			for _, way := range ways.Ways {
				if way.Advised || !way.Possible {
					continue
				}
				refused++
				_, err := r.Bench.PlanBatch(t.Context(), bench.PlanBatchInput{SpeciesID: species.ID, Plants: 2, Key: way.Key})
				if _, is := err.(say.ConflictError); !is {
					t.Errorf("%s by %s is planned: %v", species.ID, way.Way, err)
				}
			}
			break
		}
	}
	if refused == 0 {
		t.Error("no way is advised against")
	}
}

// Volunteers that nobody has seen are not lifted, whatever was planned.
func TestVolunteersNobodySawAreNotLifted(t *testing.T) {
	r := newRaising(t)
	id := r.planned(t, bench.AskInput{Species: "valerian", Plants: 3}, "volunteers", "", 0)
	r.refused(t, "lifting unseen volunteers", "day", func() error {
		_, err := r.Bench.BeginBatch(t.Context(), id, bench.BeginInput{Day: "2031-05-27", Starts: 3})
		return err
	})
}

// A day far beyond what is forecast is asked for without harm.
func TestAWishFarAhead(t *testing.T) {
	r := newRaising(t)
	ways, err := r.Bench.Ways(t.Context(), bench.AskInput{Species: "valerian", Plants: 5000, By: "2041-05-01"})
	check(t, err)
	if len(ways.Ways) == 0 {
		t.Error("no ways")
	}
}
