package garden

import (
	"encoding/json"
	"errors"
	"strings"
	"testing"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
)

// snapshot writes every table, to compare the plot before and after.
func (p *plot) snapshot() string {
	p.t.Helper()
	rows, err := p.readRows(p.t.Context())
	check(p.t, err)
	text, err := json.Marshal([]any{rows.site, rows.beds, rows.plantings, rows.observations, rows.pickings, rows.answers, rows.needs, rows.items, rows.readings, rows.fates})
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
	_, err := p.NoteReading(ctx, p.bed, ReadingInput{Day: "2031-05-20", Kind: "worms", ReadingDetail: ReadingDetail{Worms: new(7.0)}})
	check(t, err)
	const read = 1
	more := p.goodPlanting()
	more.Plants, more.Note = 20, "Counted again"
	changes := []struct {
		name string
		do   func() (Entry, error)
	}{
		{"bed added", func() (Entry, error) {
			in := goodBed()
			in.Name, in.Y = "New Bed", "9 m"
			return p.AddBed(ctx, in)
		}},
		{"bed changed", func() (Entry, error) { return p.ChangeBed(ctx, p.bed, AsItStands, bed) }},
		{"planting added", func() (Entry, error) { return p.Garden.AddPlanting(ctx, p.goodPlanting()) }},
		{"planting changed", func() (Entry, error) { return p.ChangePlanting(ctx, p.planting, AsItStands, more) }},
		{"planting removed", func() (Entry, error) { return p.RemovePlanting(ctx, p.planting) }},
		{"look", func() (Entry, error) {
			seen, err := p.NoteObservation(ctx, p.planting, ObservationInput{Day: "2031-05-27", Stage: "in bud", Marks: []string{"dry"}, Height: "30 cm"})
			return seen.Entry, err
		}},
		{"picking", func() (Entry, error) {
			picked, err := p.NotePicking(ctx, p.planting, PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "20 leaves"})
			return picked.Entry, err
		}},
		{"need set", func() (Entry, error) {
			return p.SetNeed(ctx, AsItStands, NeedInput{SpeciesID: "garden-sorrel", Part: "leaf", Amount: "2 lb"})
		}},
		{"site changed", func() (Entry, error) {
			return p.SetSite(ctx, AsItStands, SiteInput{Name: "Acre", Latitude: -30, Altitude: "60 m", ClimateID: "humid-subtropical-south", Width: "100 ft", Depth: "80 ft", Units: "us"})
		}},
		{"thing drawn", func() (Entry, error) { return p.AddItem(ctx, tree("20 m", "12 m", "6 m", "9 m")) }},
		{"thing changed", func() (Entry, error) {
			return p.ChangeItem(ctx, drawn, AsItStands, tree("21 m", "12 m", "7 m", "10 m"))
		}},
		{"thing removed", func() (Entry, error) { return p.RemoveItem(ctx, drawn) }},
		{"several moved", func() (Entry, error) {
			return p.Arrange(ctx, ArrangeInput{Things: []Thing{{"bed", p.bed, AsItStands}, {"item", drawn, AsItStands}}, Right: "1 m", Turn: 10})
		}},
		{"several copied", func() (Entry, error) {
			return p.Arrange(ctx, ArrangeInput{Things: []Thing{{"bed", p.bed, AsItStands}, {"item", drawn, AsItStands}}, Down: "4 m", Copy: true})
		}},
		{"reshaped", func() (Entry, error) {
			return p.Reshape(ctx, ReshapeInput{Thing{"bed", p.bed, AsItStands}, FormInput{Shape: "ring", X: "10 m", Y: "6 m", Width: "5 m", Inner: "2 m"}})
		}},
		{"boundary drawn", func() (Entry, error) {
			return p.SetBoundary(ctx, AsItStands, BoundaryInput{Points: []Corner{{"0", "0"}, {"35 m", "0"}, {"35 m", "25 m"}, {"0", "20 m"}}, BearingDeg: 12})
		}},
		{"ground read", func() (Entry, error) {
			return p.NoteReading(ctx, p.bed, ReadingInput{Day: "2031-05-20", Kind: "sign", ReadingDetail: ReadingDetail{Sign: "rushes"}})
		}},
		{"reading removed", func() (Entry, error) { return p.RemoveReading(ctx, read) }},
		{"throve", func() (Entry, error) {
			return p.NoteFate(ctx, p.planting, FateInput{Outcome: "throve", Cause: "the spot suits it"})
		}},
		{"failed and gone", func() (Entry, error) {
			return p.NoteFate(ctx, p.planting, FateInput{Outcome: "failed", Cause: "too dry", Gone: true})
		}},
		{"plan read", func() (Entry, error) {
			return p.ImportPlan(ctx, PlanData{WidthM: 30, DepthM: 20, Beds: []PlanBed{{Form: plan.Form{Shape: plan.Round, At: geometry.Point{X: 25, Y: 15}, Width: 1}, Bed: BedInput{Name: "From a file"}}}})
		}},
		{"job answered", func() (Entry, error) {
			view, err := p.Now(ctx, NoDay)
			check(t, err)
			for _, j := range append(view.Closing, view.Open...) {
				if j.PlantingID != 0 {
					return p.AnswerJob(ctx, j.Key, Skip)
				}
			}
			return Entry{}, errors.New("there is no job to answer")
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
			var conflict ConflictError
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
	first, err := p.ChangePlanting(ctx, p.planting, AsItStands, func() PlantingInput { in := p.goodPlanting(); in.Plants = 15; return in }())
	check(t, err)
	_, err = p.ChangePlanting(ctx, p.planting, AsItStands, func() PlantingInput { in := p.goodPlanting(); in.Plants = 18; return in }())
	check(t, err)
	before := p.snapshot()
	for _, id := range []int64{set, first.ID} {
		var conflict ConflictError
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
		_, err := p.NoteObservation(ctx, p.planting, ObservationInput{Day: "2031-05-27", Stage: "in bud"})
		check(t, err)
	}
	view, err := p.Ledger(ctx, LedgerFilter{Kind: "observation", Most: 3})
	check(t, err)
	if len(view.Lines) != 3 || !view.More {
		t.Errorf("got %d lines, more %v", len(view.Lines), view.More)
	}
	view, err = p.Ledger(ctx, LedgerFilter{Containing: "SAW garden", Most: 50, Before: view.Lines[2].ID})
	check(t, err)
	if len(view.Lines) != 2 || view.More {
		t.Errorf("the second page has %d lines, more %v", len(view.Lines), view.More)
	}
	view, err = p.Ledger(ctx, LedgerFilter{Containing: "100%_", Most: 50})
	check(t, err)
	if len(view.Lines) != 0 {
		t.Errorf("%d lines hold words that nobody wrote", len(view.Lines))
	}
}

func TestANoteSentTwiceCountsOnce(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	in := ObservationInput{Day: "2031-05-27", Stage: "in bud", ClientKey: "k1"}
	first, err := p.NoteObservation(ctx, p.planting, in)
	check(t, err)
	second, err := p.NoteObservation(ctx, p.planting, in)
	check(t, err)
	if first.Entry.ID == 0 || second.Entry != first.Entry {
		t.Errorf("the entries are %+v and %+v", first.Entry, second.Entry)
	}
	// The same key with something else in it, or of another planting, is a fault.
	other := in
	other.Note = "and a note"
	if _, err := p.NoteObservation(ctx, p.planting, other); !errors.As(err, new(ConflictError)) {
		t.Errorf("other content under the same key: %v", err)
	}
	if _, err := p.NotePicking(ctx, p.planting, PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "5", ClientKey: "k1"}); !errors.As(err, new(ConflictError)) {
		t.Errorf("a picking under a look's key: %v", err)
	}
	// Taken back it stays taken back, however often it is sent.
	_, err = p.TakeBack(ctx, first.Entry.ID)
	check(t, err)
	again, err := p.NoteObservation(ctx, p.planting, in)
	if err != nil || again.Entry != first.Entry {
		t.Errorf("sent after it was taken back: %+v, %v", again.Entry, err)
	}
	rows, err := p.readRows(ctx)
	if err != nil || len(rows.observations) != 0 {
		t.Errorf("it stands again: %d, %v", len(rows.observations), err)
	}
	pick := PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "5", ClientKey: "k2"}
	for range 2 {
		_, err := p.NotePicking(ctx, p.planting, pick)
		check(t, err)
	}
	rows, err = p.readRows(ctx)
	check(t, err)
	if len(rows.pickings) != 1 {
		t.Errorf("%d pickings were written", len(rows.pickings))
	}
}

func TestSummariesSayWhatHappened(t *testing.T) {
	p := newPlot(t)
	_, err := p.NotePicking(t.Context(), p.planting, PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "1 oz"})
	check(t, err)
	if got := p.newest().Summary; !strings.HasPrefix(got, "Picked 18 leaves, 28 g, of garden sorrel leaf in Long Bed") {
		t.Errorf("the ledger says %q", got)
	}
}
