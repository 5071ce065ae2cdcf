package garden

import (
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/garden/area"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/household"
	"bramblyacre/garden/identity"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/practice"
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
	"bramblyacre/store"
)

// snapshot writes every table that the ledger can put back, to compare the plot before and
// after.
func (p *fixture) snapshot() string {
	p.t.Helper()
	known, text := p.Journal.Tables(), strings.Builder{}
	check(p.t, p.store.EveryTable(p.t.Context(), func(table store.Table) error {
		if slices.Contains(known, table.Name) {
			fmt.Fprintf(&text, "%s %v\n", table.Name, table.Rows)
		}
		return nil
	}))
	return text.String()
}

// moved are the tables whose rows an entry moved.
func (p *fixture) moved(entry int64) (names []string) {
	p.t.Helper()
	row, err := p.store.GetLedgerEntry(p.t.Context(), entry)
	check(p.t, err)
	var changes []struct{ Table string }
	check(p.t, json.Unmarshal([]byte(row.Changes), &changes))
	for _, c := range changes {
		names = append(names, c.Table)
	}
	return names
}

// change is one kind of change that the household can make.
type change struct {
	name string
	do   func() (journal.Entry, error)
}

// everyChange is one change of every kind, on a plot that has what they are made to.
func (p *fixture) everyChange() []change {
	p.t.Helper()
	t, ctx := p.t, p.t.Context()
	bed := goodBed()
	bed.Name, bed.SunHours = "Renamed Bed", new(4.0)
	drawn := p.add(tree("24 m", "12 m", "4 m", "7 m"))
	_, err := p.Place.NoteReading(ctx, p.bed, place.ReadingInput{Day: "2031-05-20", Kind: "worms", ReadingDetail: plot.ReadingDetail{Worms: new(7.0)}})
	check(t, err)
	const read = 1
	basket, sorted := p.basket(), p.sortedBasket()
	more := p.goodPlanting()
	more.Plants, more.Note = 20, "Counted again"
	return append([]change{
		{"bed added", func() (journal.Entry, error) {
			in := goodBed()
			in.Name, in.Y = "New Bed", "9 m"
			return p.Place.AddBed(ctx, in)
		}},
		{"bed changed", func() (journal.Entry, error) { return p.Place.ChangeBed(ctx, p.bed, say.AsItStands, bed) }},
		{"planting added", func() (journal.Entry, error) { return p.Garden.Place.AddPlanting(ctx, p.goodPlanting()) }},
		{"planting changed", func() (journal.Entry, error) { return p.ChangePlanting(ctx, p.planting, say.AsItStands, more) }},
		{"planting removed", func() (journal.Entry, error) { return p.Place.RemovePlanting(ctx, p.planting) }},
		{"own climate", func() (journal.Entry, error) {
			return p.Weather.SetOwnClimate(ctx, say.AsItStands, p.ownClimate(2))
		}},
		{"hours said", func() (journal.Entry, error) {
			return p.Now.SetHours(ctx, say.AsItStands, now.HoursInput{Minutes: []string{"30", "", "", "", "1 h", "2 h 30 min", ""}, NightChance: 3})
		}},
		{"look with a count", func() (journal.Entry, error) {
			seen, err := p.Now.NoteObservation(ctx, p.planting, now.ObservationInput{Day: "2031-05-27", Stage: "in bud", Count: "3", Photos: []string{p.photograph()}})
			return seen.Entry, err
		}},
		{"look", func() (journal.Entry, error) {
			seen, err := p.Now.NoteObservation(ctx, p.planting, now.ObservationInput{Day: "2031-05-27", Stage: "in bud", Marks: []string{"dry"}, Height: "30 cm"})
			return seen.Entry, err
		}},
		{"picking", func() (journal.Entry, error) {
			picked, err := p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "20 leaves"})
			return picked.Entry, err
		}},
		{"need set", func() (journal.Entry, error) {
			return p.Gather.SetNeed(ctx, say.AsItStands, gather.NeedInput{SpeciesID: "garden-sorrel", Part: "leaf", Amount: "2 lb"})
		}},
		{"site changed", func() (journal.Entry, error) {
			return p.SetSite(ctx, say.AsItStands, place.SiteInput{Name: "Acre", Latitude: -30, Altitude: "60 m", ClimateID: "humid-subtropical-south", Width: "100 ft", Depth: "80 ft", Units: "us"})
		}},
		{"thing drawn", func() (journal.Entry, error) { return p.Place.AddItem(ctx, tree("20 m", "12 m", "6 m", "9 m")) }},
		{"thing changed", func() (journal.Entry, error) {
			return p.Place.ChangeItem(ctx, drawn, say.AsItStands, tree("21 m", "12 m", "7 m", "10 m"))
		}},
		{"thing removed", func() (journal.Entry, error) { return p.Place.RemoveItem(ctx, drawn) }},
		{"several moved", func() (journal.Entry, error) {
			return p.Place.Arrange(ctx, place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: p.bed, Version: say.AsItStands}, {What: "item", ID: drawn, Version: say.AsItStands}}, Right: "1 m", Turn: 10})
		}},
		{"several copied", func() (journal.Entry, error) {
			return p.Place.Arrange(ctx, place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: p.bed, Version: say.AsItStands}, {What: "item", ID: drawn, Version: say.AsItStands}}, Down: "4 m", Copy: true})
		}},
		{"reshaped", func() (journal.Entry, error) {
			return p.Place.Reshape(ctx, place.ReshapeInput{Thing: place.Thing{What: "bed", ID: p.bed, Version: say.AsItStands}, FormInput: place.FormInput{Shape: "ring", X: "10 m", Y: "6 m", Width: "5 m", Inner: "2 m"}})
		}},
		{"boundary drawn", func() (journal.Entry, error) {
			return p.Place.SetBoundary(ctx, say.AsItStands, place.BoundaryInput{Points: []place.Corner{{X: "0", Y: "0"}, {X: "35 m", Y: "0"}, {X: "35 m", Y: "25 m"}, {X: "0", Y: "20 m"}}, BearingDeg: 12})
		}},
		{"ground read", func() (journal.Entry, error) {
			return p.Place.NoteReading(ctx, p.bed, place.ReadingInput{Day: "2031-05-20", Kind: "sign", ReadingDetail: plot.ReadingDetail{Sign: "rushes"}})
		}},
		{"reading removed", func() (journal.Entry, error) { return p.Place.RemoveReading(ctx, read) }},
		{"throve", func() (journal.Entry, error) {
			return p.Place.NoteFate(ctx, p.planting, place.FateInput{Outcome: "throve", Cause: "the spot suits it"})
		}},
		{"failed and gone", func() (journal.Entry, error) {
			return p.Place.NoteFate(ctx, p.planting, place.FateInput{Outcome: "failed", Cause: "too dry", Gone: true})
		}},
		{"plan read", func() (journal.Entry, error) {
			return p.Place.ImportPlan(ctx, place.PlanData{WidthM: 30, DepthM: 20, Beds: []place.PlanBed{{Form: plan.Form{Shape: plan.Round, At: geometry.Point{X: 25, Y: 15}, Width: 1}, Bed: place.BedInput{Name: "From a file"}}}})
		}},
		{"job answered", func() (journal.Entry, error) {
			view, err := p.Now.Now(ctx, plot.NoDay)
			check(t, err)
			for _, j := range append(view.Closing, view.Open...) {
				if j.PlantingID != 0 {
					return p.Now.AnswerJob(ctx, j.Key, now.Skip)
				}
			}
			return journal.Entry{}, errors.New("there is no job to answer")
		}},
		{"characters looked at", func() (journal.Entry, error) {
			check := must(p.Identity.Check(ctx, p.planting, plot.NoDay, "Ida"))
			return p.NoteLook(ctx, p.planting, identity.LookInput{Day: "2031-05-27", By: "Ida", Answers: onlyShowing(check, allSeen(p.Garden, "garden-sorrel"))})
		}},
		{"find noted", func() (journal.Entry, error) {
			return p.Identity.AddFind(ctx, identity.FindInput{Day: "2031-05-20", Place: "Under the hedge", SpeciesID: "lovage"})
		}},
		{"basket sorted", func() (journal.Entry, error) {
			answers := map[string]string{}
			for _, q := range basket.Questions {
				answers[q.ID] = "seen"
			}
			return p.SortPicking(ctx, basket.PickingID, gather.SortingInput{By: "Ida", Answers: answers})
		}},
		{"made of it", func() (journal.Entry, error) {
			return p.Gather.UseFresh(ctx, sorted, gather.FreshUseInput{Preparation: "tea", Amount: "10 g"})
		}},
		{"measure weighed", func() (journal.Entry, error) {
			picked, err := p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "1 handful", MeasureWeighs: "20 g", TookAnyway: true})
			return picked.Entry, err
		}},
		{"someone of the household", func() (journal.Entry, error) {
			return p.Household.PutPerson(ctx, 0, say.AsItStands, household.PersonInput{Name: "Wren", Born: "2029-03-01", Circumstances: []string{}})
		}},
		{"own plant", func() (journal.Entry, error) {
			copied := must(p.Plants.CopyOf(ctx, "garden-sorrel"))
			entry, _, err := p.Plants.PutOwnPlant(ctx, say.AsItStands, plants.PlantFileInput{Text: copied.Text})
			return entry, err
		}},
		{"own figure", func() (journal.Entry, error) {
			return p.Plants.PutOwnFigure(ctx, "lovage", say.AsItStands, plants.OwnFigureInput{Key: "size.height", Figure: "151 (140 to 160) cm"})
		}},
		{"note on a plant", func() (journal.Entry, error) {
			return p.Plants.AddPlantNote(ctx, "hop", plants.PlantNoteInput{Kind: "law", Author: "Ida", Text: "On nobody's list here."})
		}},
		{"practice", func() (journal.Entry, error) {
			_, err := p.Practice.Decide(ctx, practice.DecisionInput{SpeciesID: "garden-sorrel", OtherID: "foxglove", Seed: 1, Looked: []string{}, Decision: "cannot tell"})
			return p.newestOfAll(), err
		}},
		{"weather typed", func() (journal.Entry, error) {
			return p.Weather.TypeReading(ctx, say.AsItStands, weather.DayReadingInput{Day: "2031-05-27", Low: "-3 °C", Rain: "4 mm"})
		}},
		{"bed watered", func() (journal.Entry, error) {
			return p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-26", Amount: "40 l"})
		}},
		{"soil felt", func() (journal.Entry, error) {
			return p.Weather.NoteFeel(ctx, p.bed, weather.FeelInput{Day: "2031-05-27", Feel: "crumbles"})
		}},
		{"how water is given", func() (journal.Entry, error) {
			return p.Weather.SetWater(ctx, say.AsItStands, weather.WaterSettingsInput{Flow: "9 l", Probe: "simulated"})
		}},
		{"weather from a file", func() (journal.Entry, error) {
			brought, err := p.Weather.BringFile(ctx, []area.FileLine{
				{Line: 2, Fields: map[string]string{"date": "2031-05-20", "tmin": "-4", "tmax": "8"}},
				{Line: 3, Fields: map[string]string{"date": "2030-05-20", "rain": "12"}},
			}, true, false)
			if err != nil {
				return journal.Entry{}, err
			}
			return *brought.Entry, nil
		}},
	}, slices.Concat(p.spreadChanges(), p.seasonChanges(), p.storeChanges(), p.benchChanges())...)
}

// Every kind of change can be taken back to exactly what was before, and the
// taking back can be taken back, too.
func TestEveryChangeCanBeTakenBackAndPutBack(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	moved := map[string]bool{}
	for _, change := range p.everyChange() {
		t.Run(change.name, func(t *testing.T) {
			before := p.snapshot()
			entry, err := change.do()
			check(t, err)
			for _, table := range p.moved(entry.ID) {
				moved[table] = true
			}
			after := p.snapshot()
			if after == before {
				t.Fatal("nothing was changed")
			}
			back, err := p.TakeBack(ctx, entry.ID)
			check(t, err)
			if got := p.snapshot(); got != before {
				t.Errorf("after taking back, the plot is\n%s\nbut was\n%s", got, before)
			}
			var conflict say.ConflictError
			if _, err := p.TakeBack(ctx, entry.ID); !errors.As(err, &conflict) {
				t.Errorf("taking back twice gives %v", err)
			}
			again, err := p.TakeBack(ctx, back.ID)
			check(t, err)
			if got := p.snapshot(); got != after {
				t.Errorf("after putting back, the plot is\n%s\nbut was\n%s", got, after)
			}
			_, err = p.TakeBack(ctx, again.ID)
			check(t, err)
		})
	}
	for _, table := range p.Journal.Tables() {
		if !moved[table] {
			t.Errorf("no change here moves a row of %s", table)
		}
	}
}

// basket is what was picked of sage that is sure.
func (p *fixture) basket() gather.BasketView {
	p.t.Helper()
	_, err := p.Gather.NotePicking(p.t.Context(), sureSage(p), gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "200 g", TookAnyway: true})
	check(p.t, err)
	return must(p.Gather.Baskets(p.t.Context()))[0]
}

// sortedBasket is a basket that was sorted and is fit for use.
func (p *fixture) sortedBasket() int64 {
	p.t.Helper()
	basket, answers := p.basket(), map[string]string{}
	for _, q := range basket.Questions {
		answers[q.ID] = "seen"
	}
	_, err := p.SortPicking(p.t.Context(), basket.PickingID, gather.SortingInput{By: "Ida", Answers: answers})
	check(p.t, err)
	return basket.PickingID
}

// newestOfAll is the newest entry of the ledger, also of what it does not list.
func (p *fixture) newestOfAll() journal.Entry {
	p.t.Helper()
	id, err := p.store.LastLedgerID(p.t.Context())
	check(p.t, err)
	row, err := p.store.GetLedgerEntry(p.t.Context(), id)
	check(p.t, err)
	return journal.Entry{ID: row.ID, Summary: row.Summary}
}

func TestAnEntryThatLaterOnesRestOnIsKept(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	set := p.newest().ID - 1 // the planting; the look at it is newest
	first, err := p.ChangePlanting(ctx, p.planting, say.AsItStands, func() input.PlantingInput { in := p.goodPlanting(); in.Plants = 15; return in }())
	check(t, err)
	_, err = p.ChangePlanting(ctx, p.planting, say.AsItStands, func() input.PlantingInput { in := p.goodPlanting(); in.Plants = 18; return in }())
	check(t, err)
	before := p.snapshot()
	for _, id := range []int64{set, first.ID} {
		var conflict say.ConflictError
		if _, err := p.TakeBack(ctx, id); !errors.As(err, &conflict) {
			t.Errorf("entry %d was taken back with later ones resting on it: %v", id, err)
		}
	}
	if p.snapshot() != before {
		t.Error("a refused taking back changed the plot")
	}
}

func TestLedgerIsFilteredAndPaged(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	for range 5 {
		_, err := p.Now.NoteObservation(ctx, p.planting, now.ObservationInput{Day: "2031-05-27", Stage: "in bud"})
		check(t, err)
	}
	view, err := p.Ledger(ctx, journal.LedgerFilter{Kind: "observation", Most: 3})
	check(t, err)
	if len(view.Lines) != 3 || !view.More {
		t.Errorf("got %d lines, more %v", len(view.Lines), view.More)
	}
	view, err = p.Ledger(ctx, journal.LedgerFilter{Containing: "SAW garden", Most: 50, Before: view.Lines[2].ID})
	check(t, err)
	if len(view.Lines) != 2 || view.More {
		t.Errorf("the second page has %d lines, more %v", len(view.Lines), view.More)
	}
	view, err = p.Ledger(ctx, journal.LedgerFilter{Containing: "100%_", Most: 50})
	check(t, err)
	if len(view.Lines) != 0 {
		t.Errorf("%d lines hold words that nobody wrote", len(view.Lines))
	}
}

func TestANoteSentTwiceCountsOnce(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	in := now.ObservationInput{Day: "2031-05-27", Stage: "in bud", ClientKey: "k1"}
	first, err := p.Now.NoteObservation(ctx, p.planting, in)
	check(t, err)
	second, err := p.Now.NoteObservation(ctx, p.planting, in)
	check(t, err)
	if first.Entry.ID == 0 || second.Entry != first.Entry {
		t.Errorf("the entries are %+v and %+v", first.Entry, second.Entry)
	}
	// The same key with something else in it, or of another planting, is a fault.
	other := in
	other.Note = "and a note"
	if _, err := p.Now.NoteObservation(ctx, p.planting, other); !errors.As(err, new(say.ConflictError)) {
		t.Errorf("other content under the same key: %v", err)
	}
	if _, err := p.Gather.NotePicking(ctx, p.planting, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "5", ClientKey: "k1"}); !errors.As(err, new(say.ConflictError)) {
		t.Errorf("a picking under a look's key: %v", err)
	}
	// Taken back it stays taken back, however often it is sent.
	_, err = p.TakeBack(ctx, first.Entry.ID)
	check(t, err)
	again, err := p.Now.NoteObservation(ctx, p.planting, in)
	if err != nil || again.Entry != first.Entry {
		t.Errorf("sent after it was taken back: %+v, %v", again.Entry, err)
	}
	rows, err := p.store.ListObservations(ctx)
	if err != nil || len(rows) != 0 {
		t.Errorf("it stands again: %d, %v", len(rows), err)
	}
	pick := gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "5", ClientKey: "k2"}
	for range 2 {
		_, err := p.Gather.NotePicking(ctx, p.planting, pick)
		check(t, err)
	}
	pickings, err := p.store.ListPickings(ctx)
	check(t, err)
	if len(pickings) != 1 {
		t.Errorf("%d pickings were written", len(pickings))
	}
}

func TestSummariesSayWhatHappened(t *testing.T) {
	p := newPlot(t)
	_, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "1 oz"})
	check(t, err)
	if got := p.newest().Summary; !strings.HasPrefix(got, "Picked 18 leaves, 28 g, of garden sorrel leaf in Long Bed") {
		t.Errorf("the ledger says %q", got)
	}
}

// A change answers with the id of what it made, and sent twice with the same.
func TestAChangeSaysWhatItMade(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	bed := goodBed()
	bed.Name = "Second Bed"
	made, err := p.Place.AddBed(ctx, bed)
	if check(t, err); made.Made != p.newest().BedID || made.Made == p.bed {
		t.Errorf("the bed made is %d, the ledger says %d", made.Made, p.newest().BedID)
	}
	in := p.goodPlanting()
	in.BedID = made.Made
	planted, err := p.Garden.Place.AddPlanting(ctx, in)
	if check(t, err); planted.Made != p.newest().PlantingID {
		t.Errorf("the planting made is %d, the ledger says %d", planted.Made, p.newest().PlantingID)
	}
	find, err := p.Identity.AddFind(ctx, identity.FindInput{Day: "2031-05-20", Place: "Under the hedge", SpeciesID: "lovage"})
	check(t, err)
	finds := must(p.Identity.Finds(ctx))
	if len(finds) != 1 || find.Made != finds[0].ID {
		t.Errorf("the find made is %d of %+v", find.Made, finds)
	}
	// A measure that was weighed with a picking is not what was asked for.
	pick := gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "1 handful", MeasureWeighs: "20 g", TookAnyway: true, ClientKey: "k"}
	for range 2 {
		picked, err := p.Gather.NotePicking(ctx, p.planting, pick)
		check(t, err)
		pickings, err := p.store.ListPickings(ctx)
		if check(t, err); len(pickings) != 1 || picked.Entry.Made != pickings[0].ID {
			t.Errorf("the picking made is %d of %+v", picked.Entry.Made, pickings)
		}
	}
	for name, do := range map[string]func() (journal.Entry, error){
		"changed": func() (journal.Entry, error) { return p.Place.ChangeBed(ctx, made.Made, say.AsItStands, bed) },
		"removed": func() (journal.Entry, error) { return p.Place.RemovePlanting(ctx, p.planting) },
	} {
		if entry, err := do(); err != nil || entry.Made != 0 {
			t.Errorf("%s, it made %d, %v", name, entry.Made, err)
		}
	}
}
