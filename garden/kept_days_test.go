package garden

import (
	"testing"

	"bramblyacre/garden/bench"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/say"
)

// What a device kept for days counts on the day it was noted, and not on the day it came; nothing comes from days ahead, from
// before its picking, or from longer ago than a device keeps.
func TestWhatADeviceKeptIsOfItsDay(t *testing.T) {
	r := newRaising(t)
	batch := r.sown(t, 8)
	tray, err := r.Bench.PutTray(t.Context(), 0, say.AsItStands, bench.TrayInput{Name: "Plugs", PlaceID: r.shelf, Rows: 2, Columns: 4, Cell: "20 ml", Depth: "4 cm"})
	check(t, err)
	_, err = r.Bench.SowTray(t.Context(), tray.Made, say.AsItStands, bench.SowTrayInput{BatchID: batch, Count: 8})
	check(t, err)
	noted := *r.today
	*r.today = noted.AddDays(5)
	up := func(cell int, day string) error {
		seen, err := r.Bench.Tray(t.Context(), tray.Made)
		check(t, err)
		_, err = r.Bench.CountTray(t.Context(), tray.Made, seen.Version, bench.CountTrayInput{
			Changes: []bench.CellChange{{Cell: cell, State: "up", From: -1}}, Day: day,
		})
		return err
	}
	for _, day := range []string{"2031-13-01", "today", r.today.AddDays(1).String(), r.today.AddDays(-61).String()} {
		r.fixture.refused(up(0, day), "day", "", r.entries())
	}
	check(t, up(0, noted.String()))
	counts, err := r.store.ListBatchCounts(t.Context())
	check(t, err)
	if len(counts) != 1 || counts[0].Day != noted.String() || counts[0].Plants != 1 {
		t.Errorf("the count is kept as %+v", counts)
	}
	// Counted at home today, and then one of before comes: the later day stays what is known of it.
	check(t, up(1, ""))
	check(t, up(2, noted.String()))
	counts, err = r.store.ListBatchCounts(t.Context())
	check(t, err)
	if last := counts[len(counts)-1]; last.Day != r.today.String() || last.Plants != 3 {
		t.Errorf("the last count is kept as %+v", last)
	}
}

func TestASortingThatADeviceKeptIsOfItsDay(t *testing.T) {
	p := newPlot(t)
	sage := sureSage(p)
	_, err := p.Gather.NotePicking(t.Context(), sage, gather.PickingInput{Day: "2031-05-24", Part: "leaf", Amount: "200 g", TookAnyway: true})
	check(t, err)
	basket := func() gather.BasketView { return must(p.Gather.Baskets(t.Context()))[0] }
	answers := map[string]string{}
	for _, q := range basket().Questions {
		answers[q.ID] = "seen"
	}
	sort := func(day string) error {
		_, err := p.SortPicking(t.Context(), basket().PickingID, gather.SortingInput{By: "Ida", Day: day, Answers: answers})
		return err
	}
	for _, day := range []string{"2031-05-23", "2031-05-28", "yesterday"} {
		p.refused(sort(day), "day", "", p.entries())
	}
	check(t, sort("2031-05-25"))
	rows, err := p.store.ListSortings(t.Context())
	check(t, err)
	if len(rows) != 1 || rows[0].Day != "2031-05-25" {
		t.Errorf("it is kept as %+v", rows)
	}
}
