package larder

import (
	"cmp"
	"fmt"

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
