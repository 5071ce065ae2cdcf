package garden

import (
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/now"
	"bramblyacre/garden/plot"
	"bramblyacre/station"
	"bramblyacre/store"
)

// sameAnew fails where what is kept shows anything else than what is worked out anew.
func (p *fixture) sameAnew(after string) {
	p.t.Helper()
	kept := strings.Split(p.everyPage(), "\n")
	p.Forget()
	anew := strings.Split(p.everyPage(), "\n")
	for i, page := range anew {
		if i >= len(kept) || kept[i] != page {
			p.t.Fatalf("after %s what is kept is\n%s\nand anew it is\n%s", after, kept[min(i, len(kept)-1)], page)
		}
	}
}

// A plot keeps what a change does not touch. Whatever is changed, taken back and put back, and
// at midnight too, it shows what a plot shows that is worked out from its rows alone.
func TestWhatIsKeptIsWhatIsWorkedOutAnew(t *testing.T) {
	if testing.Short() {
		t.Skip("long")
	}
	for _, station := range []bool{true, false} {
		p := newPlot(t)
		if station {
			p.switchStationOn()
		}
		sage := sureSage(p)
		for _, seen := range []now.ObservationInput{
			{Day: "2029-06-02", Stage: "in bud", Share: "half"}, {Day: "2030-05-25", Stage: "in bud", Share: "a few"}, {Day: "2031-05-20", Stage: "leafing", Share: "most", Width: "40 cm"},
		} {
			_, err := p.seenSo(sage, seen)
			check(t, err)
		}
		kept := func(after string, do func() error) {
			t.Helper()
			p.everyPage() // what may be kept is worked out
			check(t, do())
			p.sameAnew(after)
		}
		changes := p.everyChange()
		if station {
			// The bench and the season's plan read the weather through the same sky: once without a station is enough.
			changes = changes[:len(changes)-benchKinds-storeKinds-seasonKinds]
		}
		for i, change := range changes {
			// The store's rows are read by the store alone: every third of its kinds tells as much as all.
			if store := i - (len(changes) - benchKinds - storeKinds); !station && store >= 0 && store < storeKinds && store%3 > 0 {
				continue
			}
			var entry, back int64
			kept(change.name, func() error { made, err := change.do(); entry = made.ID; return err })
			kept(change.name+" taken back", func() error { made, err := p.TakeBack(t.Context(), entry); back = made.ID; return err })
			if station {
				continue // put back it goes the same way as without one
			}
			kept(change.name+" put back", func() error { made, err := p.TakeBack(t.Context(), back); entry = made.ID; return err })
			check(t, third(p.TakeBack(t.Context(), entry)))
		}
		for _, day := range []string{"2031-05-28", "2031-12-31", "2032-01-01", "2032-06-01"} {
			next, err := calendar.Parse(day)
			check(t, err)
			kept("midnight before "+day, func() error { *p.today = next; return nil })
		}
	}
}

// A fault in working the plot out is answered as one, to everybody who waits: it does not end
// the program, and is over when its cause is.
func TestAFaultInWorkingThePlotOutIsAnswered(t *testing.T) {
	p := newPlot(t)
	open := p.Plot.OpenStation
	p.Plot.OpenStation = func(climate.Normals, uint64) (station.Station, error) { panic("no such station") }
	p.switchStationOn()
	p.Forget()
	for range 2 {
		if _, err := p.State(t.Context()); err == nil || !strings.Contains(err.Error(), "no such station") {
			t.Errorf("the plot is answered with %v", err)
		}
	}
	p.Plot.OpenStation = open
	_, err := p.State(t.Context())
	check(t, err)
}

// What was written although its end failed is read from the store.
func TestWhatMayHaveBeenWrittenIsRead(t *testing.T) {
	p := newPlot(t)
	p.everyPage()
	_, err := p.store.PutBed(t.Context(), store.PutBedParams{Name: "Unheard of", XM: 10, YM: 9, WidthM: 4, DepthM: 1, Shape: "rectangle", Points: "[]"})
	check(t, err)
	row, err := p.store.AddLedgerEntry(t.Context(), store.AddLedgerEntryParams{At: "2031-05-27T12:00:00Z", Day: "2031-05-27", Kind: "bed", Summary: "Laid out Unheard of", Changes: "[]"})
	check(t, err)
	p.Journal.Noted(row.ID, nil)
	if plan := must(p.Place.Plot(t.Context(), plot.NoDay)); len(plan.Beds) != 2 {
		t.Errorf("%d beds are shown", len(plan.Beds))
	}
	p.sameAnew("an entry whose end failed")
}
