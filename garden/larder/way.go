package larder

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// WayStep is a station on the way from bed to cup. Its breadth is its weight.
type WayStep struct {
	Kind  string  `json:"kind" enum:"picked,sorted,in,added,made,jar,left"`
	When  string  `json:"when"`
	Title string  `json:"title" doc:"Picked, Dried, In the jar"`
	Grams float64 `json:"grams" doc:"What is left after it"`
	Words string  `json:"words" doc:"The same as it is measured"`
	Note  string  `json:"note"`
	// Leaves are what parts from the way here: losses by name, use, gifts.
	Leaves []WayBranch `json:"leaves"`
	Joins  []WayBranch `json:"joins" doc:"What comes in here"`
	Held   string      `json:"held"`
}

// WayBranch is what leaves the way, or joins it.
type WayBranch struct {
	Kind  string  `json:"kind" enum:"loss,used,given,thrown,made,jar,added,more"`
	Name  string  `json:"name"`
	Grams float64 `json:"grams"`
	Words string  `json:"words"`
	// LotID and JarID are where it goes on.
	LotID int64 `json:"lotId"`
	JarID int64 `json:"jarId"`
}

// LotView is a lot with its way.
type LotView struct {
	ID          int64             `json:"id"`
	Label       string            `json:"label"`
	Name        string            `json:"name"`
	Botanical   []string          `json:"botanical" doc:"Of each plant in it"`
	Making      string            `json:"making"`
	SpeciesID   string            `json:"speciesId"`
	Part        string            `json:"part"`
	Done        bool              `json:"done"`
	Line        LotLine           `json:"line"`
	Way         []WayStep         `json:"way" doc:"From the bed on"`
	Sources     []SourceView      `json:"sources" doc:"Of which pickings it is"`
	Jars        []LotJar          `json:"jars"`
	Steps       []StepView        `json:"steps"`
	Cautions    view.CautionsView `json:"cautions"`
	NewCautions []string          `json:"newCautions"`
	Held        string            `json:"held"`
	Recall      int64             `json:"recall" doc:"The household's own word that holds it back; 0 for none"`
	Keeps       string            `json:"keeps"`
	Bought      string            `json:"bought"`
	Balance     string            `json:"balance" doc:"What went in, what came out and what was lost"`
	Note        string            `json:"note"`
	Expected    string            `json:"expected" doc:"What will come of it, as it may be typed; empty where it is done"`
}

// LotJar is a jar that a lot was filled into.
type LotJar struct {
	ID    int64  `json:"id"`
	Words string `json:"words"`
	Empty bool   `json:"empty"`
}

// SourceView is a picking that something is of.
type SourceView struct {
	PickingID  int64   `json:"pickingId"`
	PlantingID int64   `json:"plantingId"`
	LotID      int64   `json:"lotId" doc:"Of what was bought; 0 for a picking"`
	Words      string  `json:"words"`
	Share      float64 `json:"share" doc:"By weight"`
	Held       string  `json:"held"`
}

// Lot returns a lot with its way.
func (u *Uses) Lot(ctx context.Context, id int64) (LotView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return LotView{}, err
	}
	lot, has := s.LotByID(id)
	if !has {
		return LotView{}, say.NotFoundError{What: "lot"}
	}
	hold := heldOf(s)
	st := stuffOf(s, lot)
	v := LotView{
		ID: id, Label: lotLabel(lot), Name: st.name(), Making: lot.Making, SpeciesID: lot.SpeciesID, Part: lot.Part,
		Done: lot.EndedAt != nil, Botanical: []string{}, Way: []WayStep{}, Jars: []LotJar{}, Steps: []StepView{},
		Cautions: view.ViewCautions(s, cautionsOf(s, lot)), NewCautions: view.NonNil(hold.reread[id]),
		Held: hold.whyLot(lot), Keeps: keepsWords(lot.KeepsMonths), Bought: lot.BoughtFrom, Note: lot.Note,
		Sources: sourcesOf(s, hold, keeping.Thing{Kind: keeping.Lot, ID: id}),
	}
	if recall, own := s.RecallOf(0, id); own {
		v.Recall = recall.ID
	}
	for _, p := range partsIn(s, lot) {
		if name := p.species.Names.Botanical; !slices.Contains(v.Botanical, name) {
			v.Botanical = append(v.Botanical, name)
		}
	}
	if !v.Done {
		v.Line = viewLotLine(s, lot, hold)
		begun, _ := plot.ParseMoment(lot.BegunAt)
		v.Steps = stepsOf(st.making, calendar.OfTime(begun), int(lot.Days))
		v.Expected = expectedOf(s, st)
	} else if isLeft(s, lot) {
		v.Line = viewLotLine(s, lot, hold)
	}
	for _, jar := range s.JarsOf(id) {
		v.Jars = append(v.Jars, viewLotJar(s, jar))
	}
	v.Way = wayOfLot(s, hold, st)
	v.Balance = balanceWords(s, st)
	return v, nil
}

func viewLotJar(s *plot.State, id int64) LotJar {
	jar, _ := s.JarByID(id)
	h, _ := holdingOf(s, jar)
	words := fmt.Sprintf("%s of %s", jar.Vessel, s.Units.Volume(jar.Ml/1000))
	if jar.EndedOn != nil {
		return LotJar{id, words + ", empty since " + view.FullDayWords(*jar.EndedOn), true}
	}
	return LotJar{id, words + ", holds " + amount(s, h.grams, h.lot.Density), false}
}

// expectedOf is what will come of a lot that stands.
func expectedOf(s *plot.State, st stuff) string {
	if st.lot.Making == makingDried {
		t := trayOf(s, st.lot)
		if !t.known {
			return ""
		}
		return amount(s, t.forecast.Finish().Grams, 0)
	}
	herb, added := 0.0, 0.0
	for _, f := range s.FlowsOfLot(st.lot.ID) {
		switch f.Side {
		case sideIn:
			herb += f.Grams
		case sideAdded:
			added += f.Grams
		}
	}
	switch {
	case st.making.Liquid != "" && st.making.Kept != nil:
		return amount(s, added*st.making.Kept.Value, st.lot.Density)
	case st.making.Kept != nil:
		return amount(s, herb*st.making.Kept.Value+added, st.lot.Density)
	}
	return amount(s, herb+added, st.lot.Density)
}

// sourcesOf are the pickings, and what was bought, that a thing is of, the largest share first.
func sourcesOf(s *plot.State, hold held, of keeping.Thing) []SourceView {
	views := []SourceView{}
	for thing, share := range keeping.Sources(flowsBefore(s, of), of) {
		v := SourceView{Share: say.Round2(share), Held: hold.why(thing)}
		switch thing.Kind {
		case keeping.Picking:
			picked, has := s.PickingByID(thing.ID)
			if !has {
				continue
			}
			v.PickingID, v.PlantingID = thing.ID, picked.Planting.ID
			v.Words = fmt.Sprintf("%s, %s", say.PartOf(picked.Planting.Species.Names.Name, picked.Picking.Part),
				pickedWords(picked))
		case keeping.Lot:
			lot, has := s.LotByID(thing.ID)
			if !has || lot.BoughtFrom == "" {
				continue
			}
			v.LotID, v.Words = lot.ID, stuffOf(s, lot).name()+", bought from "+lot.BoughtFrom
		default:
			continue
		}
		views = append(views, v)
	}
	slices.SortFunc(views, func(a, b SourceView) int {
		return cmp.Or(cmp.Compare(b.Share, a.Share), cmp.Compare(a.PickingID, b.PickingID), cmp.Compare(a.LotID, b.LotID))
	})
	return views
}

// flowsBefore are the flows that led to a thing, as they were noted: those of what it is of, and no others.
func flowsBefore(s *plot.State, of keeping.Thing) []keeping.Flow {
	type noted struct {
		keeping.Flow
		id int64
	}
	var all []noted
	seenLot, seenJar := map[int64]bool{}, map[int64]bool{}
	var addLot func(id int64)
	var addJar func(id int64)
	addLot = func(id int64) {
		if seenLot[id] {
			return
		}
		seenLot[id] = true
		to := keeping.Thing{Kind: keeping.Lot, ID: id}
		for _, f := range s.FlowsOfLot(id) {
			switch {
			case f.PickingID != nil:
				from := keeping.Thing{Kind: keeping.Picking, ID: *f.PickingID}
				all = append(all, noted{keeping.Flow{From: from, To: to, Grams: f.Grams}, 0})
			case f.JarFlowID != nil:
				if out, has := s.JarFlowByID(*f.JarFlowID); has {
					from := keeping.Thing{Kind: keeping.Jar, ID: out.JarID}
					all = append(all, noted{keeping.Flow{From: from, To: to, Grams: f.Grams}, out.ID})
					addJar(out.JarID)
				}
			}
		}
	}
	addJar = func(id int64) {
		if seenJar[id] {
			return
		}
		seenJar[id] = true
		jar := keeping.Thing{Kind: keeping.Jar, ID: id}
		for _, f := range s.FlowsOfJar(id) {
			switch {
			case f.LotID != nil:
				from := keeping.Thing{Kind: keeping.Lot, ID: *f.LotID}
				all = append(all, noted{keeping.Flow{From: from, To: jar, Grams: f.Grams}, f.ID})
				addLot(*f.LotID)
			case f.Grams < 0 && f.Kind != flowMade:
				away := keeping.Thing{Kind: keeping.Away, ID: f.ID}
				all = append(all, noted{keeping.Flow{From: jar, To: away, Grams: -f.Grams}, f.ID})
			}
		}
	}
	if of.Kind == keeping.Jar {
		addJar(of.ID)
	} else {
		addLot(of.ID)
	}
	slices.SortStableFunc(all, func(a, b noted) int { return cmp.Compare(a.id, b.id) })
	flows := make([]keeping.Flow, len(all))
	for i, one := range all {
		flows[i] = one.Flow
	}
	return flows
}

// balanceWords say what went into a lot, what was added, what came out and what was lost: together they agree.
func balanceWords(s *plot.State, st stuff) string {
	in, added, lost := 0.0, 0.0, 0.0
	for _, f := range s.FlowsOfLot(st.lot.ID) {
		switch f.Side {
		case sideIn:
			in += f.Grams
		case sideAdded:
			added += f.Grams
		default:
			lost += f.Grams
		}
	}
	words := amount(s, in, 0) + " in"
	if in == 0 {
		words = ""
	}
	if added > 0 {
		if words != "" {
			words += ", "
		}
		words += amount(s, added, 0) + " added"
	}
	if st.lot.Grams == nil {
		return words
	}
	return fmt.Sprintf("%s; %s out, %s lost", words, amount(s, *st.lot.Grams, 0), amount(s, lost, 0))
}

// wayOfLot is the way of a lot from its pickings to what is left of it.
func wayOfLot(s *plot.State, hold held, st stuff) []WayStep {
	var steps []WayStep
	in := 0.0
	for _, f := range s.FlowsOfLot(st.lot.ID) {
		if f.Side != sideIn {
			continue
		}
		in += f.Grams
		if f.PickingID != nil {
			if picked, has := s.PickingByID(*f.PickingID); has {
				steps = append(steps, pickedSteps(s, hold, picked, f.Grams)...)
			}
			continue
		}
		if f.JarFlowID != nil {
			steps = append(steps, WayStep{
				Kind: "in", Title: "Out of a jar", Grams: f.Grams, Words: amount(s, f.Grams, 0), Note: f.Name,
			})
		}
	}
	steps = append(steps, madeStep(s, st, in))
	if st.lot.Grams == nil {
		return complete(steps)
	}
	left := *st.lot.Grams
	for _, id := range s.JarsOf(st.lot.ID) {
		jar, _ := s.JarByID(id)
		for _, f := range s.FlowsOfJar(id) {
			if f.LotID == nil || *f.LotID != st.lot.ID {
				continue
			}
			left -= f.Grams
			steps = append(steps, WayStep{
				Kind: "jar", When: view.FullDayWords(f.Day), Title: "Into a " + jar.Vessel, Grams: max(0, left),
				Words: amount(s, f.Grams, st.lot.Density),
				Leaves: []WayBranch{{
					Kind: "jar", Name: viewLotJar(s, id).Words, Grams: f.Grams, Words: amount(s, f.Grams, st.lot.Density), JarID: id,
				}},
			})
		}
	}
	if left >= leastGrams {
		steps = append(
			steps,
			WayStep{Kind: "left", Title: "Not in a jar yet", Grams: left, Words: amount(s, left, st.lot.Density)},
		)
	}
	return complete(steps)
}

func complete(steps []WayStep) []WayStep {
	for i := range steps {
		steps[i].Leaves, steps[i].Joins = view.NonNil(steps[i].Leaves), view.NonNil(steps[i].Joins)
	}
	return steps
}

// pickedSteps are what was picked of a lot, and sorted at the table: of its whole basket, the share that went into it.
func pickedSteps(s *plot.State, hold held, picked plot.PickedFrom, grams float64) []WayStep {
	kept := s.KeptGrams(picked.Picking)
	share := 1.0
	if kept > 0 {
		share = min(1, grams/kept)
	}
	part, _ := picked.Planting.Species.Part(picked.Picking.Part)
	step := WayStep{
		Kind: "picked", When: view.FullDayWords(picked.Picking.Day), Title: "Picked", Grams: picked.Picking.Grams * share,
		Words: amount(s, picked.Picking.Grams*share, 0),
		Note: fmt.Sprintf("%s, %s, %s", picked.Planting.Bed.Name,
			say.Counted(float64(picked.Planting.Plants), "plant", "plants"), picked.Planting.IdentityState),
		Held: hold.why(keeping.Thing{Kind: keeping.Picking, ID: picked.Picking.ID}),
	}
	if part.Harvest != nil && share > 0.99 {
		step.Note += ", " + say.Counted(picked.Picking.Units, part.Harvest.One, part.Harvest.Many)
	}
	steps := []WayStep{step}
	for _, sorting := range s.Sortings[picked.Picking.ID] {
		sorted := WayStep{
			Kind: "sorted", When: view.DayWords(sorting.Day), Title: "Sorted", Grams: grams, Words: amount(s, grams, 0),
			Note: "by " + sorting.ByWhom,
		}
		if sorting.Rejected > 0 {
			lost := sorting.Rejected * share
			sorted.Leaves = []WayBranch{{
				Kind: "loss", Name: "to the " + cmp.Or(sorting.RejectedTo, "compost"), Grams: lost, Words: amount(s, lost, 0),
			}}
		}
		steps = append(steps, sorted)
	}
	return steps
}

// doneWords are what is said of a lot that is done, by its making.
var doneWords = map[string]string{
	makingDried: "Dried", makingFrozen: "Frozen", "flour": "Milled", "powder": "Ground", makingMix: "Mixed",
	"syrup": "Boiled down", "salve": "Made a salve",
}

// madeStep is the making of a lot: what was added, and what was lost.
func madeStep(s *plot.State, st stuff, in float64) WayStep {
	step := WayStep{Kind: "made", Title: cmp.Or(doneWords[st.lot.Making], "Strained"), Grams: in}
	for _, f := range s.FlowsOfLot(st.lot.ID) {
		branch := WayBranch{Kind: "loss", Name: f.Name, Grams: f.Grams, Words: amount(s, f.Grams, 0)}
		switch f.Side {
		case sideAdded:
			branch.Kind = "added"
			step.Joins = append(step.Joins, branch)
		case sideLoss:
			step.Leaves = append(step.Leaves, branch)
		}
	}
	begun, _ := plot.ParseMoment(st.lot.BegunAt)
	step.When = calendar.OfTime(begun).DayMonth()
	switch {
	case st.lot.BoughtFrom != "":
		step.Title, step.Note, step.Joins = "Bought", st.lot.BoughtFrom, nil
	case st.lot.EndedAt == nil:
		step.Title, step.When = "Under way", "since "+step.When
		if st.lot.Making == makingDried {
			step.Title = "Drying"
		}
		step.Words = amount(s, in, 0)
		return step
	default:
		if ended := madeOn(st.lot); ended > calendar.OfTime(begun) {
			step.When = calendar.Span(calendar.OfTime(begun), ended)
		}
	}
	step.When += fmt.Sprintf(" %d", begun.Year())
	step.Grams = *st.lot.Grams
	step.Words = amount(s, *st.lot.Grams, st.lot.Density)
	return step
}

// JarView is a jar with what is in it, where that came from and how it was used.
type JarView struct {
	Brief    JarBrief          `json:"brief"`
	ShelfID  int64             `json:"shelfId"`
	Shelf    string            `json:"shelf"`
	Lots     []LotRef          `json:"lots"`
	Way      []WayStep         `json:"way"`
	Sources  []SourceView      `json:"sources"`
	Flows    []JarFlowView     `json:"flows" doc:"The newest first"`
	Cautions view.CautionsView `json:"cautions"`
	// NewCautions are what is new among its cautions, by its lots.
	NewCautions []string `json:"newCautions"`
	Measures    []string `json:"measures" doc:"What may be taken with one touch: a cup, a spoon"`
	Empty       bool     `json:"empty"`
	Left        string   `json:"left" doc:"As it may be typed"`
}

// LotRef is a lot that a jar holds.
type LotRef struct {
	ID    int64  `json:"id"`
	Words string `json:"words"`
	Held  string `json:"held"`
}

// JarFlowView is what went into a jar or out of it.
type JarFlowView struct {
	ID    int64  `json:"id"`
	Kind  string `json:"kind"`
	Day   string `json:"day"`
	Words string `json:"words"`
}

// mostFlowsShown is how many of a jar's takings are shown, the newest.
const mostFlowsShown = 60

// Jar returns a jar.
func (u *Uses) Jar(ctx context.Context, id int64) (JarView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return JarView{}, err
	}
	jar, has := s.JarByID(id)
	if !has {
		return JarView{}, say.NotFoundError{What: "jar"}
	}
	h, has := holdingOf(s, jar)
	if !has {
		return JarView{}, say.NotFoundError{What: "jar"}
	}
	hold := heldOf(s)
	v := JarView{
		ShelfID: shelfOf(s, jar), Lots: []LotRef{}, Flows: []JarFlowView{}, Empty: jar.EndedOn != nil,
		Cautions: view.ViewCautions(s, cautionsOf(s, h.lots...)), NewCautions: []string{},
		Left: amount(s, h.grams, h.lot.Density), Measures: h.measures(s),
		Sources: sourcesOf(s, hold, keeping.Thing{Kind: keeping.Jar, ID: id}),
	}
	v.Brief = u.briefOf(s, h, hold)
	if shelf, has := shelfByID(s, v.ShelfID); has {
		v.Shelf = shelf.Name
	}
	for _, lot := range h.lots {
		v.Lots = append(v.Lots, LotRef{lot.ID, "lot " + lotLabel(lot) + ", " + madeOn(lot).DayMonthYear(), hold.whyLot(lot)})
		for _, line := range hold.reread[lot.ID] {
			if !slices.Contains(v.NewCautions, line) {
				v.NewCautions = append(v.NewCautions, line)
			}
		}
	}
	for _, f := range slices.Backward(s.FlowsOfJar(id)) {
		if len(v.Flows) == mostFlowsShown {
			break
		}
		v.Flows = append(v.Flows, JarFlowView{f.ID, f.Kind, f.Day, flowWords(s, h, f)})
	}
	v.Way = wayOfJar(s, hold, h)
	return v, nil
}

// briefOf is a jar as it stands on its shelf.
func (u *Uses) briefOf(s *plot.State, h holding, hold held) JarBrief {
	for _, l := range u.lines(s, hold) {
		if l.key != h.product() {
			continue
		}
		until := 0.0
		for _, other := range l.jars {
			until += other.grams
			if other.jar.ID == h.jar.ID {
				return viewBrief(s, l, h, hold, l.emptyAfter(until, s)).view
			}
		}
	}
	l := line{stuff: h.stuff, jars: []holding{h}}
	return viewBrief(s, l, h, hold, horizonDays).view
}

// measures are what is taken most with one touch.
func (h holding) measures(s *plot.State) []string {
	if h.lot.Density > 0 {
		return []string{"1 teaspoon", "1 tablespoon"}
	}
	return []string{"1 cup", "1 spoon"}
}

// flowWords say what went into a jar or out of it.
func flowWords(s *plot.State, h holding, f store.JarFlow) string {
	grams := f.Grams
	if grams < 0 {
		grams = -grams
	}
	words := amount(s, grams, h.lot.Density)
	day := view.FullDayWords(f.Day)
	switch f.Kind {
	case flowFilled:
		if lot, has := s.LotByID(*f.LotID); has {
			return fmt.Sprintf("%s: filled with %s, lot %s", day, words, lotLabel(lot))
		}
	case flowTaken:
		if f.Typed != "" {
			return fmt.Sprintf("%s: took %s, %s", day, f.Typed, words)
		}
		return fmt.Sprintf("%s: took %s", day, words)
	case flowGiven:
		return fmt.Sprintf("%s: %s given to %s", day, words, f.Whom)
	case flowThrown:
		return fmt.Sprintf("%s: %s thrown out, %s", day, words, f.Why)
	case flowMade:
		return fmt.Sprintf("%s: %s used to %s", day, words, say.LowerFirst(f.Why))
	}
	if f.Grams < 0 {
		return fmt.Sprintf("%s: weighed, %s less than was noted", day, words)
	}
	return fmt.Sprintf("%s: weighed, %s more than was noted", day, words)
}

// wayOfJar is the way of what is in a jar, from its first lot on.
func wayOfJar(s *plot.State, hold held, h holding) []WayStep {
	var steps []WayStep
	for _, step := range wayOfLot(s, hold, h.stuff) {
		if step.Kind != "jar" && step.Kind != "left" {
			steps = append(steps, step)
		}
	}
	in, first := 0.0, ""
	out := map[string]*WayBranch{}
	var order []string
	leave := func(kind, name string, f store.JarFlow) {
		if out[name] == nil {
			out[name] = &WayBranch{Kind: kind, Name: name}
			order = append(order, name)
		}
		out[name].Grams -= f.Grams
	}
	times := 0
	jar := WayStep{Kind: "jar", Title: "Into the " + h.jar.Vessel}
	for _, f := range s.FlowsOfJar(h.jar.ID) {
		switch f.Kind {
		case flowFilled:
			in += f.Grams
			if first == "" {
				first = f.Day
			} else if f.LotID != nil && *f.LotID != h.lot.ID {
				lot, _ := s.LotByID(*f.LotID)
				jar.Joins = append(jar.Joins, WayBranch{
					Kind: "more", Name: "lot " + lotLabel(lot), Grams: f.Grams, Words: amount(s, f.Grams, h.lot.Density), LotID: lot.ID,
				})
			}
		case flowTaken:
			times++
			leave("used", "used", f)
		case flowGiven:
			leave("given", "given to "+f.Whom, f)
		case flowThrown:
			leave("thrown", "thrown out: "+f.Why, f)
		case flowMade:
			leave("made", say.LowerFirst(f.Why), f)
		default:
			leave("loss", "by weighing", f)
		}
	}
	jar.When, jar.Grams, jar.Words = view.FullDayWords(first), in, amount(s, in, h.lot.Density)
	steps = append(steps, jar)
	left := WayStep{
		Kind:  "left",
		When:  "in the " + h.jar.Vessel,
		Title: "Left",
		Grams: h.grams,
		Words: amount(s, h.grams, h.lot.Density),
	}
	if h.jar.EndedOn != nil {
		left.When, left.Title = view.FullDayWords(*h.jar.EndedOn), "Empty"
	}
	for _, name := range order {
		branch := *out[name]
		if branch.Grams < 0 { // more was found in it than was noted
			branch.Kind, branch.Grams = "more", -branch.Grams
			left.Joins = append(left.Joins, branch)
			continue
		}
		branch.Words = amount(s, branch.Grams, h.lot.Density)
		if branch.Kind == "used" {
			branch.Name = say.Counted(float64(times), "time", "times")
		}
		left.Leaves = append(left.Leaves, branch)
	}
	return complete(append(steps, left))
}
