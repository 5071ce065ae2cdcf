package bench

import (
	"cmp"
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

// BatchView is a batch with its way through the places.
type BatchView struct {
	ID        int64         `json:"id"`
	SpeciesID string        `json:"speciesId"`
	Name      string        `json:"name"`
	Botanical string        `json:"botanical"`
	Way       string        `json:"way"`
	Deed      string        `json:"deed"`
	Done      string        `json:"done" doc:"What notes that it was begun: It is sown"`
	Starts    int           `json:"starts"`
	Wanted    int           `json:"wanted"`
	Trays     int           `json:"trays"`
	Begun     bool          `json:"begun"`
	Start     calendar.Date `json:"start"`
	Out       calendar.Date `json:"out"`
	BedID     int64         `json:"bedId"`
	Bed       string        `json:"bed"`
	Lot       string        `json:"lot"`
	Mother    string        `json:"mother"`
	Stays     []StayView    `json:"stays"`
	State     string        `json:"state"`
	Standing  int           `json:"standing"`
	Counted   bool          `json:"counted"`
	Up        int           `json:"up"`
	OutSoFar  int           `json:"outSoFar"`
	Fits      bool          `json:"fits"`
	Priority  int           `json:"priority"`
	Food      bool          `json:"food"`
	Note      string        `json:"note"`
	TrayIDs   []int64       `json:"trayIds"`
	Ended     bool          `json:"ended"`
	Counts    []string      `json:"counts"`
	Version   say.Version   `json:"version"`
}

// StayView is a stay in a place, with the row it is drawn in.
type StayView struct {
	Step    string        `json:"step" enum:"warm,cold,rise,root,grow,harden"`
	Words   string        `json:"words"`
	PlaceID int64         `json:"placeId"`
	Place   string        `json:"place"`
	From    calendar.Date `json:"from"`
	Until   calendar.Date `json:"until"`
	Rows    []int         `json:"rows" doc:"The rows its trays take, from 0; none where it does not fit"`
}

// UnfitBatchView is a batch that does not fit as it is planned.
type UnfitBatchView struct {
	BatchID int64  `json:"batchId"`
	Name    string `json:"name"`
	Trays   int    `json:"trays"`
	Why     string `json:"why"`
	// Offer says when it would fit, Start and PlaceID how; none where nothing would.
	Offer   string        `json:"offer"`
	Start   calendar.Date `json:"start"`
	PlaceID int64         `json:"placeId"`
	Can     bool          `json:"can"`
}

// Bench shows the shelves on a day.
func (u *Uses) Bench(ctx context.Context) (BenchView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return BenchView{}, err
	}
	return viewBench(s), nil
}

// mondayOf is the Monday on or before a day.
func mondayOf(day calendar.Date) calendar.Date {
	return day.AddDays(-((int(day.Weekday()) + 6) % 7))
}

// shelves are the places with what is in them by week.
type shelves struct {
	first calendar.Date
	weeks int
	rows  []store.RaisingPlace
	index map[int64]int
	// used is how many trays each place holds by week; items are what stands there.
	used  [][]int
	items [][]item
	kept  [][]*KeptView
}

// item is trays that stand in a place for weeks; settled puts them into rows.
type item struct {
	trays, from, end int
	settled          func(rows []int)
}

func newShelves(s *plot.State, first calendar.Date, weeks int) *shelves {
	sh := &shelves{first: first, weeks: weeks, rows: standingPlaces(s), index: map[int64]int{}}
	sh.used, sh.items, sh.kept = make(
		[][]int,
		len(sh.rows),
	), make(
		[][]item,
		len(sh.rows),
	), make(
		[][]*KeptView,
		len(sh.rows),
	)
	for i, row := range sh.rows {
		sh.index[row.ID] = i
		sh.used[i] = make([]int, weeks)
		sh.keep(s, i, row)
	}
	return sh
}

// shelvesAsPlanned are the shelves with every open batch as it is planned, but for one.
func shelvesAsPlanned(s *plot.State, except int64) *shelves {
	sh := newShelves(s, mondayOf(s.Today).AddDays(-weeksBefore*weekDays), weeksShown)
	for _, b := range openBatches(s) {
		if b.ID != except && b.Trays > 0 {
			sh.lay(s, staysOf(b), int(b.Trays), true)
		}
	}
	return sh
}

// keep takes the room that is kept for food in a place.
func (sh *shelves) keep(s *plot.State, at int, place store.RaisingPlace) {
	for _, row := range keptRooms.Of(s) {
		if row.PlaceID != place.ID || row.RemovedOn != nil {
			continue
		}
		for year := sh.first.Year() - 1; year <= sh.first.AddDays(sh.weeks*weekDays).Year(); year++ {
			from, err := dayIn(year, row.FromDay)
			until, errUntil := dayIn(year, row.UntilDay)
			if err != nil || errUntil != nil {
				continue
			}
			if until < from {
				until = until.AddDays(yearDays) // over the turn of the year
			}
			first, end := max(sh.week(from), 0), min(sh.week(until)+1, sh.weeks)
			if end <= first {
				continue
			}
			kept := &KeptView{ID: row.ID, Name: row.Name, Trays: int(row.Trays), From: from, Until: until, Rows: []int{}}
			sh.kept[at] = append(sh.kept[at], kept)
			sh.put(at, item{int(row.Trays), first, end, func(rows []int) { kept.Rows = rows }})
		}
	}
}

// dayIn is a day of the year, MM-DD, in a year; 29 February is the 28th where there is none.
func dayIn(year int, monthDay string) (calendar.Date, error) {
	day, err := calendar.Parse(fmt.Sprintf("%04d-%s", year, monthDay))
	if err != nil && monthDay == "02-29" {
		return calendar.Parse(fmt.Sprintf("%04d-02-28", year))
	}
	return day, err
}

func (sh *shelves) week(day calendar.Date) int {
	days := day.DaysSince(sh.first)
	if days < 0 {
		return (days - weekDays + 1) / weekDays
	}
	return days / weekDays
}

func (sh *shelves) put(at int, it item) {
	sh.items[at] = append(sh.items[at], it)
	for week := it.from; week < it.end; week++ {
		sh.used[at][week] += it.trays
	}
}

// settle puts all items into rows, in the order in which they begin: so no more rows are taken than
// stand at once (intervals are coloured so with the fewest colours). Rows beyond a place's room
// are told as they are: what is under way stands there, room or not.
func (sh *shelves) settle() {
	for at := range sh.items {
		slices.SortStableFunc(
			sh.items[at],
			func(a, b item) int { return cmp.Or(cmp.Compare(a.from, b.from), cmp.Compare(b.end, a.end)) },
		)
		var until []int // by row, the week from which it is free
		for _, it := range sh.items[at] {
			var rows []int
			for row := 0; len(rows) < it.trays; row++ {
				if row == len(until) {
					until = append(until, 0)
				}
				if until[row] <= it.from {
					rows = append(rows, row)
				}
			}
			for _, row := range rows {
				until[row] = it.end
			}
			it.settled(rows)
		}
	}
}

// weekSpan is weeks from one on, up to another.
type weekSpan struct{ from, end int }

// weeksOf are the weeks of a batch's stays, each at least one, one after the other.
func (sh *shelves) weeksOf(stays []stay, shift int) (spans []weekSpan) {
	if len(stays) == 0 {
		return nil
	}
	at := sh.week(stays[0].From) + shift
	for _, st := range stays {
		end := max(sh.week(st.Until)+shift, at+1)
		spans = append(spans, weekSpan{at, end})
		at = end
	}
	return spans
}

// coreStays are a batch's stays as the packing takes them, from the week it starts in; stays in
// the open ground take no room.
func (sh *shelves) coreStays(stays []stay, shift int) (start int, core []propagation.Stay, possible bool) {
	for i, span := range sh.weeksOf(stays, shift) {
		if i == 0 {
			start = span.from
		}
		place, has := sh.index[stays[i].Place]
		switch {
		case stays[i].Place != 0 && !has:
			return start, nil, false
		case stays[i].Place == 0:
			place = len(sh.rows)
		}
		core = append(core, propagation.Stay{Place: place, Weeks: span.end - span.from})
	}
	return start, core, true
}

// room is what the packing may use: places by week without kept room, and at the end the open
// ground, which holds whatever comes.
func (sh *shelves) room() propagation.Bench {
	const openGround = 1 << 20
	var bench propagation.Bench
	for i, row := range sh.rows {
		left := make([]int, sh.weeks)
		for week, used := range sh.used[i] {
			left[week] = max(0, int(row.Trays)-used)
		}
		bench.Room = append(bench.Room, left)
	}
	open := make([]int, sh.weeks)
	for week := range open {
		open[week] = openGround
	}
	bench.Room = append(bench.Room, open)
	return bench
}

// weeksTried is how many weeks later a batch is tried that does not fit as planned.
const weeksTried = 12

// arrangement is what fits and what does not.
type arrangement struct {
	packing propagation.Packing
	of      []store.Batch
	options [][]benchOption
}

// benchOption says what an option of the packing is: so many weeks later, in place of a place.
type benchOption struct {
	shift int
	from  int64
	to    int64
}

// arrange packs the planned batches into the room that those under way leave.
func arrange(s *plot.State, sh *shelves) arrangement {
	var a arrangement
	bench := sh.room()
	thisWeek := sh.week(s.Today)
	var core []propagation.BenchBatch
	for _, b := range openBatches(s) {
		if b.BegunOn != nil || b.Trays == 0 {
			continue
		}
		stays := staysOf(b)
		start, _, possible := sh.coreStays(stays, 0)
		if !possible || len(stays) == 0 || start >= sh.weeks {
			continue
		}
		one := propagation.BenchBatch{
			Trays:    int(b.Trays),
			Food:     b.Food == 1,
			Priority: int(b.Priority),
			Wished:   max(start, thisWeek),
		}
		var options []benchOption
		for _, swap := range swapsOf(s, stays) {
			for shift := max(0, thisWeek-start); shift <= max(0, thisWeek-start)+weeksTried; shift++ {
				begin, core, possible := sh.coreStays(swapped(stays, swap), shift)
				core, fits := cutAtEnd(core, begin, sh.weeks)
				if possible && fits && mayStart(s, b, stays[0].From.AddDays(shift*weekDays)) {
					one.Options = append(one.Options, propagation.BenchOption{Start: begin, Stays: core})
					options = append(options, benchOption{shift, swap.from, swap.to})
				}
			}
		}
		a.of, a.options = append(a.of, b), append(a.options, options)
		core = append(core, one)
	}
	a.packing = bench.Pack(core)
	return a
}

// cutAtEnd lets stays run beyond the weeks that are looked at; a batch that begins beyond them is
// none.
func cutAtEnd(core []propagation.Stay, start, weeks int) ([]propagation.Stay, bool) {
	if start < 0 || start >= weeks {
		return nil, false
	}
	cut := slices.Clone(core)
	at := start
	for i := range cut {
		cut[i].Weeks = max(0, min(cut[i].Weeks, weeks-at))
		at += cut[i].Weeks
	}
	return cut, true
}

// swap puts one place for another.
type swap struct{ from, to int64 }

// swapsOf are the ways to have a batch elsewhere: as it is, and each of its warm or growing places
// by another of the same kind.
func swapsOf(s *plot.State, stays []stay) []swap {
	swaps := []swap{{}}
	seen := map[int64]bool{}
	for _, st := range stays {
		from, has := placeOf(s, st.Place)
		if !has || seen[st.Place] {
			continue
		}
		seen[st.Place] = true
		for _, to := range standingPlaces(s) {
			if to.ID != from.ID && to.Kind == from.Kind {
				swaps = append(swaps, swap{from.ID, to.ID})
			}
		}
	}
	return swaps
}

func swapped(stays []stay, by swap) []stay {
	if by.from == 0 {
		return stays
	}
	out := slices.Clone(stays)
	for i := range out {
		if out[i].Place == by.from {
			out[i].Place = by.to
		}
	}
	return out
}

// mayStart tells whether a batch's way may begin on a day, by the months of its row.
func mayStart(s *plot.State, b store.Batch, day calendar.Date) bool {
	species, has := s.Lib.Species(b.SpeciesID)
	if !has {
		return true
	}
	for _, row := range species.Propagations {
		if row.Way != b.Way || row.Season.Count() == 0 {
			continue
		}
		return row.Season.Has(day.Month()) || day == startDay(b)
	}
	return true
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
			add(b, lengthened(s, b, endedStays(staysOf(b), ended)), true)
		}
	}
	a := arrange(s, sh)
	placed := map[int64]bool{}
	for i, b := range a.of {
		placed[b.ID] = true
		chosen := a.packing.Chosen[i]
		asPlanned := chosen >= 0 &&
			a.options[i][chosen] == (benchOption{shift: max(0, sh.week(s.Today)-sh.week(startDay(b)))})
		if asPlanned {
			add(b, staysOf(b), true)
		}
	}
	for i, b := range a.of {
		if shown[b.ID] != nil {
			continue
		}
		add(b, staysOf(b), false)
		v.Unfit = append(v.Unfit, sh.viewUnfit(s, b, a, i))
	}
	for _, b := range openBatches(s) {
		if !placed[b.ID] && b.BegunOn == nil {
			add(b, nil, true)
			shown[b.ID].Stays = sh.lay(s, staysOf(b), 0, true)
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

// lay puts a batch's stays into their places; nothing is taken by what does not fit.
func (sh *shelves) lay(s *plot.State, stays []stay, trays int, fits bool) []StayView {
	views := make([]StayView, len(stays))
	for i, span := range sh.weeksOf(stays, 0) {
		st := stays[i]
		views[i] = StayView{
			Step:    st.Step,
			Words:   stepWords[st.Step],
			PlaceID: st.Place,
			From:    st.From,
			Until:   st.Until,
			Rows:    []int{},
			Place:   "in place",
		}
		if row, has := placeOf(s, st.Place); has {
			views[i].Place = row.Name
		}
		at, has := sh.index[st.Place]
		from, end := max(0, span.from), min(sh.weeks, span.end)
		if has && fits && trays > 0 && from < end {
			sh.put(at, item{trays, from, end, func(rows []int) { views[i].Rows = rows }})
		}
	}
	return views
}

// fullWords say until when a place is full, where it is full this week.
func (sh *shelves) fullWords(s *plot.State, at int) string {
	used, now := sh.used[at], sh.week(s.Today)
	if now < 0 || now >= len(used) || used[now] < int(sh.rows[at].Trays) {
		return ""
	}
	for week := now; week < len(used); week++ {
		if used[week] < int(sh.rows[at].Trays) {
			return "full until " + sh.first.AddDays(week*weekDays).DayMonth()
		}
	}
	return "full as far as is planned"
}

// viewUnfit tells why a batch does not fit as it is planned, and when it would.
func (sh *shelves) viewUnfit(s *plot.State, b store.Batch, a arrangement, i int) UnfitBatchView {
	v := UnfitBatchView{BatchID: b.ID, Name: batchName(s, b), Trays: int(b.Trays), Why: sh.whyUnfit(s, b)}
	chosen := a.packing.Chosen[i]
	if chosen < 0 {
		way, _ := propagation.WayOf(b.Way)
		v.Offer = fmt.Sprintf("Nothing is free for it in the %d weeks after.", weeksTried)
		if way.Deed == propagation.Sow {
			v.Offer += " Sow it in place, or make room."
		}
		return v
	}
	option := a.options[i][chosen]
	v.Can, v.PlaceID = true, option.to
	v.Start = startDay(b).AddDays(option.shift * weekDays)
	v.Offer = fmt.Sprintf("It would fit from %s", yearIfOther(s, v.Start))
	if option.to != 0 {
		if to, has := placeOf(s, option.to); has {
			v.Offer += " in " + to.Name
		}
	}
	out := dayOf(&b.OutOn).AddDays(option.shift * weekDays)
	v.Offer += ", out about " + yearIfOther(s, out) + "."
	return v
}

// othersFirst is why a batch does not fit that finds room as long as nothing else is planned.
const othersFirst = "Others that want the same room go before it."

// whyUnfit names the first place and week that a batch finds full.
func (sh *shelves) whyUnfit(s *plot.State, b store.Batch) string {
	spans := sh.weeksOf(staysOf(b), 0)
	for i, st := range staysOf(b) {
		at, has := sh.index[st.Place]
		if !has {
			continue
		}
		used := sh.used[at]
		for week := max(0, spans[i].from); week < min(sh.weeks, spans[i].end); week++ {
			if left := int(sh.rows[at].Trays) - used[week]; left < int(b.Trays) {
				return fmt.Sprintf("%s has room for %s in the week of %s; it takes %d.", sh.rows[at].Name,
					roomWords(left), sh.first.AddDays(week*weekDays).DayMonth(), b.Trays)
			}
		}
	}
	return othersFirst
}

func roomWords(trays int) string {
	if trays <= 0 {
		return "no tray"
	}
	return say.Counted(float64(trays), "tray", "trays")
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

func viewBatch(s *plot.State, b store.Batch) BatchView {
	way, _ := propagation.WayOf(b.Way)
	p := progressOf(s, b.ID)
	v := BatchView{
		ID: b.ID, SpeciesID: b.SpeciesID, Name: batchName(s, b), Way: b.Way, Deed: string(way.Deed),
		Done: doneWords[way.Deed], Starts: int(b.Starts), Wanted: int(b.Wanted),
		Trays: int(
			b.Trays,
		), Begun: b.BegunOn != nil, Start: startDay(b), Out: dayOf(&b.OutOn), Standing: p.standing(b), Counted: p.Counted,
		Up: p.Up, OutSoFar: p.Out, Priority: int(b.Priority), Food: b.Food == 1, Note: b.Note, Stays: []StayView{},
		TrayIDs: []int64{},
		Ended:   b.EndedOn != nil, Counts: []string{}, Version: say.VersionOf(b),
	}
	if species, has := s.Lib.Species(b.SpeciesID); has {
		v.Botanical = species.Names.Botanical
	}
	if b.BedID != nil {
		v.BedID, v.Bed = *b.BedID, s.BedByID[*b.BedID].Name
	}
	if b.LotID != nil {
		lot, _ := rowOf(lots.Of(s), *b.LotID, func(r store.SeedLot) int64 { return r.ID })
		v.Lot = lot.Name
	}
	if b.MotherID != nil {
		if mother, has := s.ByID[*b.MotherID]; has {
			v.Mother = mother.Species.Names.Name + " in " + mother.Bed.Name
		}
	}
	for _, row := range trays.Of(s) {
		if row.RemovedOn == nil &&
			slices.ContainsFunc(cellsOf(row), func(c cell) bool { return c.Batch == b.ID && c.State != cellEmpty }) {
			v.TrayIDs = append(v.TrayIDs, row.ID)
		}
	}
	for _, c := range countsOf(s, b.ID) {
		v.Counts = append(v.Counts, fmt.Sprintf("%s: %d %s", dayOf(&c.Day).DayMonth(), c.Plants, countedWords[c.Kind]))
	}
	v.State = batchState(s, b, p)
	return v
}

var countedWords = map[string]string{
	countUp: "up", countGone: "gone", countPotted: "potted on", countOut: "planted out",
}

// batchState says where a batch is now.
func batchState(s *plot.State, b store.Batch, p progress) string {
	way, _ := propagation.WayOf(b.Way)
	switch {
	case b.EndedOn != nil:
		return "ended " + yearIfOther(s, dayOf(b.EndedOn))
	case b.BegunOn == nil:
		if late := s.Today.DaysSince(startDay(b)); late > 0 {
			return fmt.Sprintf("%s it: %s late", way.Deed, say.Counted(float64(late), "day", "days"))
		}
		return fmt.Sprintf("%s it about %s", way.Deed, yearIfOther(s, startDay(b)))
	}
	state := fmt.Sprintf("%s %d on %s", strings.ToLower(beganWords[way.Deed]), b.Starts, yearIfOther(s, startDay(b)))
	for _, st := range staysOf(b) {
		if s.Today >= st.From && s.Today < st.Until {
			state += ", " + stepWords[st.Step]
		}
	}
	if p.Counted {
		state += fmt.Sprintf(", %d came up", p.Up)
	}
	if s.Today >= dayOf(&b.OutOn) && p.standing(b) > 0 {
		state += ", ready to plant out"
	}
	return state
}
