package garden

import (
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/now"
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
		for _, change := range p.everyChange() {
			var entry, back int64
			kept(change.name, func() error { made, err := change.do(); entry = made.ID; return err })
			kept(change.name+" taken back", func() error { made, err := p.TakeBack(t.Context(), entry); back = made.ID; return err })
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
