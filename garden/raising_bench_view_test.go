package garden

import (
	"fmt"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// holdsItsRoom counts by the shown bars what stands in each place in each week, and makes sure that no
// two trays stand in one row.
func holdsItsRoom(t *testing.T, view bench.BenchView) {
	t.Helper()
	for _, shelf := range view.Shelves {
		rows := map[[2]int]string{}
		put := func(name string, from, until calendar.Date, taken []int) {
			first, end := from.DaysSince(view.First)/7, (until.DaysSince(view.First)+6)/7
			for week := max(0, first); week < min(view.Weeks, end); week++ {
				// A stay that ends within a week leaves it to what begins in it.
				if view.First.AddDays(week*7+6) >= until && week > first {
					continue
				}
				for _, row := range taken {
					at := [2]int{row, week}
					if other := rows[at]; other != "" && other != name {
						t.Errorf("%s: %s and %s stand in row %d in week %d", shelf.Name, other, name, row, week)
					}
					rows[at] = name
					if row >= shelf.Trays {
						t.Errorf("%s: %s stands in row %d of %d", shelf.Name, name, row, shelf.Trays)
					}
				}
			}
		}
		for _, kept := range shelf.Kept {
			put("kept "+kept.Name, kept.From, kept.Until, kept.Rows)
		}
		for _, b := range view.Batches {
			for _, stay := range b.Stays {
				if stay.PlaceID == shelf.ID {
					put(fmt.Sprintf("batch %d", b.ID), stay.From, stay.Until, stay.Rows)
				}
			}
		}
	}
}

func TestWhatDoesNotFitSaysWhyAndWhen(t *testing.T) {
	r := newRaising(t)
	// Five trays on the shelf; food keeps three of them until the end of June.
	_, err := r.Bench.KeepRoom(t.Context(), bench.KeptRoomInput{PlaceID: r.shelf, Name: "squashes", Trays: 3, From: "2031-05-01", Until: "2031-06-30"})
	check(t, err)
	fits := r.planned(t, bench.AskInput{Species: "anise-hyssop", Plants: 10}, "seed", "Shelf", 48)
	over := r.planned(t, bench.AskInput{Species: "yarrow", Plants: 10}, "seed", "Shelf", 48)
	view, err := r.Bench.Bench(t.Context())
	check(t, err)
	holdsItsRoom(t, view)
	if len(view.Unfit) != 1 {
		t.Fatalf("of two batches of two trays one does not fit beside three kept: %+v", view.Unfit)
	}
	unfit := view.Unfit[0]
	if unfit.BatchID != over && unfit.BatchID != fits {
		t.Errorf("batch %d does not fit", unfit.BatchID)
	}
	if !strings.Contains(unfit.Why, "Shelf has room for no tray") {
		t.Errorf("why: %q", unfit.Why)
	}
	if !unfit.Can {
		t.Errorf("nothing is offered: %q", unfit.Offer)
	} else {
		if unfit.Start < calendar.Must(2031, 6, 28) {
			t.Errorf("it is offered from %s, while squashes and the other stand there", unfit.Start)
		}
		// The offer is taken, and then it fits.
		_, err := r.Bench.MoveBatch(t.Context(), unfit.BatchID, say.AsItStands, bench.MoveBatchInput{Stay: 0, From: unfit.Start.String(), PlaceID: unfit.PlaceID})
		check(t, err)
		after, err := r.Bench.Bench(t.Context())
		check(t, err)
		holdsItsRoom(t, after)
		if len(after.Unfit) != 0 {
			t.Errorf("moved as offered it does not fit still: %+v", after.Unfit)
		}
	}
	// More room: both fit.
	place := view.Shelves[0]
	for _, shelf := range view.Shelves {
		if shelf.ID == r.shelf {
			place = shelf
		}
	}
	_, err = r.Bench.PutPlace(t.Context(), r.shelf, place.Version, bench.RaisingPlaceInput{Name: "Shelf", Kind: "indoor shelf", Trays: 9, Set: "20 °C"})
	check(t, err)
	wide, err := r.Bench.Bench(t.Context())
	check(t, err)
	if len(wide.Unfit) != 0 {
		t.Errorf("with nine trays: %+v", wide.Unfit)
	}
}

func TestAMoveTellsWhatItComesTo(t *testing.T) {
	r := newRaising(t)
	id := r.planned(t, bench.AskInput{Species: "valerian", Plants: 8}, "seed", "Shelf", 24)
	before := r.batch(t, id)
	later := before.Stays[0].From.AddDays(21)
	tried, err := r.Bench.TryMove(t.Context(), id, bench.MoveBatchInput{Stay: 0, From: later.String()})
	check(t, err)
	if tried.Out <= before.Out || !tried.Fits {
		t.Errorf("three weeks later it is out on %s, before %s; fits %v", tried.Out, before.Out, tried.Fits)
	}
	if after := r.batch(t, id); after.Out != before.Out {
		t.Error("a try was noted")
	}
	_, err = r.Bench.MoveBatch(t.Context(), id, before.Version, bench.MoveBatchInput{Stay: 0, From: later.String()})
	check(t, err)
	if after := r.batch(t, id); after.Out != tried.Out || after.Start != later {
		t.Errorf("moved: %s, out %s; the try said %s", after.Start, after.Out, tried.Out)
	}
	if _, err := r.Bench.MoveBatch(t.Context(), id, before.Version, bench.MoveBatchInput{Stay: 0, From: later.String()}); err == nil {
		t.Error("a second move from the same page is taken")
	}
	// Colder, it takes longer.
	house, err := r.Bench.TryMove(t.Context(), id, bench.MoveBatchInput{Stay: 0, From: later.String(), PlaceID: r.house})
	check(t, err)
	if house.Out < tried.Out {
		t.Errorf("in the unheated house it is out on %s, on the shelf on %s", house.Out, tried.Out)
	}
}

func TestVolunteersAreCheckedBeforeTheyAreLifted(t *testing.T) {
	r := newRaising(t)
	_, err := r.Bench.PlanBedWork(t.Context(), bench.BedWorkInput{BedID: r.bed, Day: "2031-06-10", What: "dug"})
	check(t, err)
	late, err := r.Bench.NoteVolunteers(t.Context(), bench.VolunteerInput{SpeciesID: "valerian", MotherID: r.mother, Place: "by the gate", Day: "2031-05-20", Plants: 40})
	check(t, err)
	soon, err := r.Bench.NoteVolunteers(t.Context(), bench.VolunteerInput{SpeciesID: "garden-angelica", BedID: r.bed, Day: "2031-05-20", Plants: 9})
	check(t, err)
	view, err := r.Bench.Volunteers(t.Context())
	check(t, err)
	if len(view.Groups) != 2 || view.Groups[0].ID != soon.Made || view.Groups[1].ID != late.Made {
		t.Fatalf("what stands where it is dug comes first: %+v", view.Groups)
	}
	lift := bench.LiftInput{Day: "2031-05-27", Plants: 6, PlaceID: r.yard}
	r.refused(t, "lifting what nobody looked at", "plants", func() error {
		_, err := r.Bench.LiftVolunteers(t.Context(), soon.Made, lift)
		return err
	})
	dangers := view.Groups[0].Dangers
	if len(dangers) == 0 {
		t.Fatal("angelica seedlings are mistaken for nothing dangerous")
	}
	r.refused(t, "a check that leaves a danger out", "dangers", func() error {
		_, err := r.Bench.CheckVolunteers(t.Context(), soon.Made, bench.VolunteerCheckInput{Found: "it is"})
		return err
	})
	var all []string
	for _, danger := range dangers {
		all = append(all, danger.ID)
	}
	_, err = r.Bench.CheckVolunteers(t.Context(), soon.Made, bench.VolunteerCheckInput{Found: "it is", Dangers: all})
	check(t, err)
	r.refused(t, "hardened seedlings into the warm", "placeId", func() error {
		warm := lift
		warm.PlaceID = r.shelf
		_, err := r.Bench.LiftVolunteers(t.Context(), soon.Made, warm)
		return err
	})
	r.refused(t, "more than were seen", "plants", func() error {
		many := lift
		many.Plants = 10
		_, err := r.Bench.LiftVolunteers(t.Context(), soon.Made, many)
		return err
	})
	lifted, err := r.Bench.LiftVolunteers(t.Context(), soon.Made, lift)
	check(t, err)
	for _, stay := range r.batch(t, lifted.Made).Stays {
		if stay.Step == "harden" {
			t.Error("volunteers are hardened off")
		}
	}
	// Set into cells they stand there as the plants that they are, and are not counted twice.
	tray, err := r.Bench.PutTray(t.Context(), 0, say.AsItStands, bench.TrayInput{Name: "Pots", PlaceID: r.yard, Rows: 2, Columns: 4, Cell: "200 ml", Depth: "9 cm"})
	check(t, err)
	_, err = r.Bench.SowTray(t.Context(), tray.Made, say.AsItStands, bench.SowTrayInput{BatchID: lifted.Made, Count: 6})
	check(t, err)
	if pots, err := r.Bench.Tray(t.Context(), tray.Made); err != nil || pots.Cells[0].State != "up" || pots.Cells[5].State != "up" {
		t.Errorf("lifted seedlings in cells: %+v, %v", pots.Cells, err)
	}
	_, err = r.Bench.CountTray(t.Context(), tray.Made, say.AsItStands, bench.CountTrayInput{Changes: []bench.CellChange{{Cell: 2, State: "gone", From: -1}}})
	check(t, err)
	if b := r.batch(t, lifted.Made); b.Up != 6 || b.Standing != 5 {
		t.Errorf("one of six went: %d came up, %d stand", b.Up, b.Standing)
	}
	*r.today = calendar.Must(2031, 6, 25)
	_, err = sayYes(func(affirmed []string) (int64, error) {
		_, err := r.Bench.PlantOut(t.Context(), lifted.Made, bench.PlantOutInput{Day: "2031-06-25", BedID: r.bed, Plants: 5, Affirmed: affirmed})
		return 0, err
	})
	check(t, err)
	s, err := r.State(t.Context())
	check(t, err)
	p := s.Plantings[len(s.Plantings)-1]
	if p.SpeciesID != "garden-angelica" || p.Origin != "volunteer" || p.IdentityState != "unproven" || p.Labelled() {
		t.Errorf("planted %+v, %s", p.Planting, p.IdentityState)
	}
}

// The bench's steps are jobs on Now with their days and reasons, and stand in the calendar file.
func TestTheBenchAsksForItsSteps(t *testing.T) {
	r := newRaising(t)
	id := r.planned(t, bench.AskInput{Species: "valerian", Plants: 8, BedID: r.bed}, "seed", "Shelf", 24)
	verbs := func() (words []string) {
		view, err := r.Now.Now(t.Context(), plot.NoDay)
		check(t, err)
		for _, job := range append(append(view.Closing, view.Open...), view.Coming...) {
			if job.BatchID == id {
				if job.Reason == "" || job.Deadline == "" || job.Last < job.First {
					t.Errorf("the job %q: %q, %q, %s to %s", job.Verb, job.Reason, job.Deadline, job.First, job.Last)
				}
				words = append(words, job.Verb)
			}
		}
		return words
	}
	if got := strings.Join(verbs(), ", "); got != "Sow" {
		t.Errorf("of a planned batch: %s", got)
	}
	_, err := r.Bench.BeginBatch(t.Context(), id, bench.BeginInput{Day: "2031-05-27", Starts: 24})
	check(t, err)
	b := r.batch(t, id)
	*r.today = b.Stays[1].From
	if got := strings.Join(verbs(), ", "); !strings.Contains(got, "Prick out") || !strings.Contains(got, "Count") {
		t.Errorf("when it should be up: %s", got)
	}
	_, err = r.Bench.CountBatch(t.Context(), id, bench.BatchCountInput{Kind: "up", Plants: 15, Day: r.today.String()})
	check(t, err)
	_, err = r.Bench.CountBatch(t.Context(), id, bench.BatchCountInput{Kind: "potted", Plants: 15, Day: r.today.String()})
	check(t, err)
	*r.today = b.Out
	if got := strings.Join(verbs(), ", "); !strings.Contains(got, "Plant out") || strings.Contains(got, "Prick out") {
		t.Errorf("on the day it goes out: %s", got)
	}
	data, err := r.Now.Calendar(t.Context())
	check(t, err)
	found := false
	for _, event := range data.Events {
		found = found || event.Summary == "Plant out valerian"
	}
	if !found {
		t.Error("the calendar does not know of it")
	}
}

// What was planted out is watered until it has rooted; no planting that was never on the bench is.
func TestTheNewlySetIsSeenTo(t *testing.T) {
	r := newRaising(t)
	batch := r.sown(t, 20)
	_, err := sayYes(func(affirmed []string) (int64, error) {
		_, err := r.Bench.PlantOut(t.Context(), batch, bench.PlantOutInput{Day: "2031-05-27", BedID: r.bed, Plants: 5, Affirmed: affirmed})
		return 0, err
	})
	check(t, err)
	count := func(verb string) (n int) {
		view, err := r.Now.Now(t.Context(), plot.NoDay)
		check(t, err)
		for _, job := range append(append(view.Closing, view.Open...), view.Coming...) {
			if strings.Contains(job.What, "newly set") && job.Verb == verb {
				n++
			}
		}
		return n
	}
	if n := count("Water"); n != 1 {
		t.Errorf("%d newly set plantings are watered", n)
	}
	if n := count("Pinch off"); n != 1 { // valerian lives on
		t.Errorf("the buds of %d are pinched off", n)
	}
	*r.today = calendar.Must(2031, 8, 20)
	if n := count("Water") + count("Pinch off"); n != 0 {
		t.Errorf("after twelve weeks %d are watered still", n)
	}
}

// Two hundred cells are counted at one go, gapped up, and counted once however often they are sent.
func TestATrayOfTwoHundredCells(t *testing.T) {
	r := newRaising(t)
	batch := r.sown(t, 200)
	tray, err := r.Bench.PutTray(t.Context(), 0, say.AsItStands, bench.TrayInput{Name: "Plugs", PlaceID: r.shelf, Rows: 10, Columns: 20, Cell: "20 ml", Depth: "4 cm"})
	check(t, err)
	_, err = r.Bench.SowTray(t.Context(), tray.Made, say.AsItStands, bench.SowTrayInput{BatchID: batch, Count: 200})
	check(t, err)
	var changes []bench.CellChange
	for cell := 0; cell < 200; cell++ {
		if cell%3 != 0 {
			changes = append(changes, bench.CellChange{Cell: cell, State: "up", From: -1})
		}
	}
	seen, err := r.Bench.Tray(t.Context(), tray.Made)
	check(t, err)
	_, err = r.Bench.CountTray(t.Context(), tray.Made, seen.Version, bench.CountTrayInput{Changes: changes})
	check(t, err)
	if _, err := r.Bench.CountTray(t.Context(), tray.Made, seen.Version, bench.CountTrayInput{Changes: changes}); err == nil {
		t.Error("the count of an old page is taken a second time")
	}
	const up = 133 // 200 less the 67 of every third
	if b := r.batch(t, batch); b.Up != up {
		t.Fatalf("%d up, want %d", b.Up, up)
	}
	// Gapped up: as many stand as before.
	_, err = r.Bench.CountTray(t.Context(), tray.Made, say.AsItStands, bench.CountTrayInput{Changes: []bench.CellChange{
		{Cell: 0, State: "failed", From: -1}, {Cell: 0, State: "up", From: 199},
	}})
	check(t, err)
	after, err := r.Bench.Tray(t.Context(), tray.Made)
	check(t, err)
	if after.Cells[0].State != "up" || after.Cells[199].State != "" || r.batch(t, batch).Up != up {
		t.Errorf("moved: %+v, %+v, %d up", after.Cells[0], after.Cells[199], r.batch(t, batch).Up)
	}
	for name, bad := range map[string]bench.CellChange{
		"no such cell": {Cell: 200, State: "up", From: -1}, "from an empty cell": {Cell: 3, State: "up", From: 199},
		"onto one that stands": {Cell: 1, State: "up", From: 2}, "planted out by a tap": {Cell: 1, State: "out", From: -1},
		"an unknown state": {Cell: 1, State: "eaten", From: -1},
	} {
		r.refused(t, name, "changes", func() error {
			_, err := r.Bench.CountTray(t.Context(), tray.Made, say.AsItStands, bench.CountTrayInput{Changes: []bench.CellChange{bad}})
			return err
		})
	}
	if _, err := r.Bench.EmptyTray(t.Context(), tray.Made); err == nil {
		t.Error("a tray with plants in it is thrown out")
	}
}

// A label goes with what was cut from a labelled mother, and with seed that came labelled; never with
// her seedlings, and no proof goes with anything.
func TestOnlyALabelIsPassedOn(t *testing.T) {
	r := newRaising(t)
	mother, err := r.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{
		BedID: r.bed, SpeciesID: "common-sage", Plants: 3, StartedOn: "2028-05-01", Origin: "bought", Labelled: true, Source: "A nursery",
	})
	check(t, err)
	id := r.planned(t, bench.AskInput{Species: "common-sage", Plants: 2}, "softwood cutting", "", 4)
	_, err = r.Bench.BeginBatch(t.Context(), id, bench.BeginInput{Day: "2031-05-27", Starts: 4})
	check(t, err)
	_, err = sayYes(func(affirmed []string) (int64, error) {
		_, err := r.Bench.PlantOut(t.Context(), id, bench.PlantOutInput{Day: "2031-05-27", BedID: r.bed, Plants: 4, Affirmed: affirmed})
		return 0, err
	})
	check(t, err)
	s, err := r.State(t.Context())
	check(t, err)
	child := s.Plantings[len(s.Plantings)-1]
	if !child.Labelled() || child.IdentityState != "unproven" || child.Origin != "cutting" || len(s.Looks[child.ID]) != 0 {
		t.Errorf("a cutting of labelled sage %d: labelled %v, %s, %d looks", mother.Made, child.Labelled(), child.IdentityState, len(s.Looks[child.ID]))
	}
	seedling := r.sown(t, 6) // of own seed
	_, err = sayYes(func(affirmed []string) (int64, error) {
		_, err := r.Bench.PlantOut(t.Context(), seedling, bench.PlantOutInput{Day: "2031-05-27", BedID: r.bed, Plants: 6, Affirmed: affirmed})
		return 0, err
	})
	check(t, err)
	if s, err = r.State(t.Context()); err != nil {
		t.Fatal(err)
	}
	if own := s.Plantings[len(s.Plantings)-1]; own.Labelled() {
		t.Error("a seedling of own seed came labelled")
	}
}

// What was to be begun and was not lies before today still, not in weeks that are over.
func TestALateBatchBeginsToday(t *testing.T) {
	r := newRaising(t)
	id := r.planned(t, bench.AskInput{Species: "valerian", Plants: 8}, "seed", "Shelf", 24)
	*r.today = r.today.AddDays(17)
	late := r.batch(t, id)
	if len(late.Stays) == 0 || late.Stays[0].From != *r.today || !late.Fits {
		t.Errorf("seventeen days late it is shown %+v, fits %v", late.Stays, late.Fits)
	}
	if !strings.Contains(late.State, "17 days late") {
		t.Errorf("it says %q", late.State)
	}
	view, err := r.Bench.Bench(t.Context())
	check(t, err)
	holdsItsRoom(t, view)
}
