package garden

import (
	"encoding/json"
	"errors"
	"strings"
	"testing"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// snapshot writes every table, to compare the plot before and after.
func (p *fixture) snapshot() string {
	p.t.Helper()
	rows, err := p.Plot.ReadRows(p.t.Context())
	check(p.t, err)
	text, err := json.Marshal([]any{rows.Site, rows.Beds, rows.Plantings, rows.Observations, rows.Pickings, rows.Answers, rows.Needs, rows.Items, rows.Readings, rows.Fates})
	check(p.t, err)
	return string(text)
}

// Every kind of change can be taken back to exactly what was before, and the
// taking back can be taken back, too.
func TestEveryChangeCanBeTakenBackAndPutBack(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	bed := goodBed()
	bed.Name, bed.SunHours = "Renamed Bed", new(4.0)
	drawn := p.add(tree("24 m", "12 m", "4 m", "7 m"))
	_, err := p.Place.NoteReading(ctx, p.bed, place.ReadingInput{Day: "2031-05-20", Kind: "worms", ReadingDetail: plot.ReadingDetail{Worms: new(7.0)}})
	check(t, err)
	const read = 1
	more := p.goodPlanting()
	more.Plants, more.Note = 20, "Counted again"
	changes := []struct {
		name string
		do   func() (journal.Entry, error)
	}{
		{"bed added", func() (journal.Entry, error) {
			in := goodBed()
			in.Name, in.Y = "New Bed", "9 m"
			return p.Place.AddBed(ctx, in)
		}},
		{"bed changed", func() (journal.Entry, error) { return p.Place.ChangeBed(ctx, p.bed, say.AsItStands, bed) }},
		{"planting added", func() (journal.Entry, error) { return p.Garden.Place.AddPlanting(ctx, p.goodPlanting()) }},
		{"planting changed", func() (journal.Entry, error) { return p.ChangePlanting(ctx, p.planting, say.AsItStands, more) }},
		{"planting removed", func() (journal.Entry, error) { return p.Place.RemovePlanting(ctx, p.planting) }},
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
	}
	for _, change := range changes {
		t.Run(change.name, func(t *testing.T) {
			before := p.snapshot()
			entry, err := change.do()
			check(t, err)
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
	rows, err := p.Plot.ReadRows(ctx)
	if err != nil || len(rows.Observations) != 0 {
		t.Errorf("it stands again: %d, %v", len(rows.Observations), err)
	}
	pick := gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "5", ClientKey: "k2"}
	for range 2 {
		_, err := p.Gather.NotePicking(ctx, p.planting, pick)
		check(t, err)
	}
	rows, err = p.Plot.ReadRows(ctx)
	check(t, err)
	if len(rows.Pickings) != 1 {
		t.Errorf("%d pickings were written", len(rows.Pickings))
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
