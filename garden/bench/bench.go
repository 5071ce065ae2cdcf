package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// The bench is shown from some weeks before today to so many after.
const (
	weeksBefore = 6
	weeksShown  = 30
	weekDays    = 7
)

// BenchView is the shelves, week by week, with what stands in them.
type BenchView struct {
	First    calendar.Date     `json:"first" doc:"A Monday"`
	Weeks    int               `json:"weeks"`
	Today    calendar.Date     `json:"today"`
	Words    string            `json:"words"`
	Shelves  []ShelfView       `json:"shelves"`
	Batches  []BatchView       `json:"batches"`
	Unfit    []UnfitBatchView  `json:"unfit" doc:"What does not fit as it is planned, and why"`
	Bound    string            `json:"bound" doc:"How good the arrangement is"`
	Settings BenchSettingsView `json:"settings"`
}

// ShelfView is a place with its room.
type ShelfView struct {
	RaisingPlaceView
	Kept []KeptView `json:"kept"`
	// Used is how many trays stand in it by week, of batches and kept room.
	Used []int  `json:"used"`
	Full string `json:"full" doc:"Full until 9 June; empty where it is not"`
}

// KeptView is room kept for food, as shown.
type KeptView struct {
	ID    int64         `json:"id"`
	Name  string        `json:"name"`
	Trays int           `json:"trays"`
	From  calendar.Date `json:"from"`
	Until calendar.Date `json:"until"`
	Rows  []int         `json:"rows"`
}

// Bench shows the shelves on a day.
func (u *Uses) Bench(ctx context.Context) (BenchView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return BenchView{}, err
	}
	return viewBench(s), nil
}

func viewBench(s *plot.State) BenchView {
	first := mondayOf(s.Today).AddDays(-weeksBefore * weekDays)
	sh := newShelves(s, first, weeksShown)
	v := BenchView{
		First:    first,
		Weeks:    weeksShown,
		Today:    s.Today,
		Shelves:  []ShelfView{},
		Batches:  []BatchView{},
		Unfit:    []UnfitBatchView{},
		Settings: viewSettings(s),
	}
	// What is under way, or was of late, stands where it stands.
	shown := map[int64]*BatchView{}
	var order []int64
	add := func(b store.Batch, stays []stay, fits bool) {
		view := viewBatch(s, b)
		view.Fits = fits
		view.Stays = sh.lay(s, stays, int(b.Trays), fits)
		shown[b.ID] = &view
		order = append(order, b.ID)
	}
	for _, b := range batches.Of(s) {
		ended := dayOf(b.EndedOn)
		if b.BegunOn != nil && (b.EndedOn == nil || ended >= first) {
			add(b, lengthened(s, b, endedStays(aheadStays(s, b), ended)), true)
		}
	}
	a := arrange(s, sh)
	placed := map[int64]bool{}
	for i, b := range a.of {
		placed[b.ID] = true
		chosen := a.packing.Chosen[i]
		if chosen >= 0 && a.options[i][chosen] == (benchOption{}) {
			add(b, aheadStays(s, b), true)
		}
	}
	for i, b := range a.of {
		if shown[b.ID] != nil {
			continue
		}
		add(b, aheadStays(s, b), false)
		v.Unfit = append(v.Unfit, sh.viewUnfit(s, b, a, i))
	}
	for _, b := range openBatches(s) {
		if !placed[b.ID] && b.BegunOn == nil {
			add(b, nil, true)
			shown[b.ID].Stays = sh.lay(s, aheadStays(s, b), 0, true)
		}
	}
	sh.settle()
	for _, id := range order {
		v.Batches = append(v.Batches, *shown[id])
	}
	for i, row := range sh.rows {
		shelf := ShelfView{RaisingPlaceView: viewPlace(s, row), Kept: []KeptView{}, Used: sh.used[i]}
		for _, kept := range sh.kept[i] {
			shelf.Kept = append(shelf.Kept, *kept)
		}
		shelf.Full = sh.fullWords(s, i)
		v.Shelves = append(v.Shelves, shelf)
	}
	v.Words, v.Bound = benchWords(v, a.packing)
	return v
}

// lengthened are the stays of a batch under way, the last one up to next week where it stands beyond its
// time.
func lengthened(s *plot.State, b store.Batch, stays []stay) []stay {
	if b.EndedOn == nil && len(stays) > 0 && b.Trays > 0 {
		stays = slices.Clone(stays)
		last := &stays[len(stays)-1]
		last.Until = max(last.Until, s.Today.AddDays(1))
	}
	return stays
}

// endedStays are stays as far as a batch that ended came.
func endedStays(stays []stay, ended calendar.Date) []stay {
	if ended == plot.NoDay {
		return stays
	}
	var cut []stay
	for _, st := range stays {
		if st.From < ended {
			st.Until = min(st.Until, ended)
			cut = append(cut, st)
		}
	}
	return cut
}

func benchWords(v BenchView, p propagation.Packing) (words, bound string) {
	fit := 0
	for _, b := range v.Batches {
		if b.Fits && !b.Ended {
			fit++
		}
	}
	var parts []string
	parts = append(parts, say.Counted(float64(fit), "batch fits", "batches fit"))
	if n := len(v.Unfit); n > 0 {
		parts = append(parts, say.Counted(float64(n), "does not as planned", "do not as planned"))
	}
	for _, shelf := range v.Shelves {
		if shelf.Full != "" {
			parts = append(parts, shelf.Name+" is "+shelf.Full)
		}
	}
	if food, more := p.More(); !p.Exact && food+more > 0 {
		bound = fmt.Sprintf(
			"Of so many batches the best arrangement is not proved: at most %s could fit.",
			say.Counted(float64(food+more), "more", "more"),
		)
	} else if len(p.Chosen) > 0 {
		bound = "No arrangement fits more of them."
	}
	return strings.Join(parts, " · "), bound
}
