package gather

import (
	"context"
	"encoding/json"
	"slices"
	"strings"

	"bramblyacre/core/identity"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// SortingInput is a picking sorted again at the table.
type SortingInput struct {
	By      string            `json:"by"`
	Day     string            `json:"day,omitempty" doc:"The day it was sorted, where a device kept it; today where it is left out"`
	Answers map[string]string `json:"answers" doc:"seen, not seen or cannot tell, by the characters asked for"`
	view.Sight
	Rejected string `json:"rejected,omitempty" doc:"How much went to the compost, as typed; empty for nothing"`
	// Handling is what was done with it: washed, spun, stripped, sized.
	Handling   []string `json:"handling,omitempty" doc:"washed, not washed, spun, stripped, sorted by size"`
	RejectedTo string   `json:"rejectedTo,omitempty" enum:"compost,hens" doc:"Where what was rejected went; the compost where nothing is said"`
	Note       string   `json:"note,omitempty"`
}

// handlings are what may be done with a picking at the table.
var handlings = []string{"washed", "not washed", "spun", "stripped", "sorted by size"}

// readRejected reads how much of a picking went to the compost, in grams: no more than is
// left of it.
func readRejected(s *plot.State, c *say.Checklist, p *plot.Planting, picking store.Picking, text string) float64 {
	if strings.TrimSpace(text) == "" {
		return 0
	}
	part, _ := p.Species.Part(picking.Part)
	grams, err := input.ReadWeight(s, part, text)
	left := s.LeftGrams(picking)
	switch {
	case err != nil:
		c.AddError("rejected", err)
	case grams < 0 || grams > left*1.02: // a scale's error
		c.Add("rejected", "What is rejected lies between nothing and the %s that are left: no more.", s.Units.Weight(left))
	}
	return min(max(0, grams), left)
}

// readHandling reads what was done with a picking, and where what was rejected went.
func readHandling(s *plot.State, c *say.Checklist, p *plot.Planting, part string, in SortingInput) (done, to string) {
	for _, one := range in.Handling {
		if !slices.Contains(handlings, one) {
			c.Add("handling", "Choose from %s.", say.OrList(handlings))
		}
	}
	if slices.Contains(in.Handling, "washed") && slices.Contains(in.Handling, "not washed") {
		c.Add("handling", "It was washed, or it was not.")
	}
	to = in.RejectedTo
	switch {
	case to != "" && to != "compost" && to != "hens":
		c.Add("rejectedTo", "It goes to the compost or the hens.")
	case to == "hens" && p.Rules.NamesDanger():
		// A stranger in it would be eaten.
		c.Add("rejectedTo", "%s has dangerous look-alikes: what is sorted out of it goes to the compost.",
			say.Capital(p.Species.Names.Name))
	}
	return strings.Join(in.Handling, ","), to
}

// SortPicking notes that a picking was sorted again at the table.
func (u *Uses) SortPicking(ctx context.Context, pickingID int64, in SortingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, picking, err := picking(s, pickingID)
		if err != nil {
			return journal.Record{}, err
		}
		if state, why := view.BasketState(s, p, picking); state == view.BasketHeld {
			return journal.Record{}, say.ConflictError{Why: why}
		}
		if err := in.Sight.IsOf(u.plot, p.Rules, in.Answers); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		row := store.PutSortingParams{
			PickingID: pickingID,
			ByWhom:    c.Name("by", in.By),
			Note:      c.Text("note", in.Note, say.LongestNote),
		}
		day := input.ReadKeptDay(s, &c, in.Day)
		if row.Day = day.String(); row.Day < picking.Day {
			c.Add("day", "It was only picked on %s.", view.DayWords(picking.Day))
		}
		if row.ByWhom == "" {
			c.Add("by", "Say who sorted it.")
		}
		row.Handling, row.RejectedTo = readHandling(s, &c, p, picking.Part, in)
		row.Rejected = readRejected(s, &c, p, picking, in.Rejected)
		if len(view.TableQuestions(p, picking.Part)) > 0 {
			view.CheckAnswers(&c, p.Rules, in.Answers)
			for _, q := range view.TableQuestions(p, picking.Part) {
				if in.Answers[q.Character.ID] == "" {
					c.Add("answers", "Answer every question: %s is missing.", q.Character.Name)
				}
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		answers, err := json.Marshal(in.Answers)
		if err != nil {
			return journal.Record{}, err
		}
		row.Answers = string(answers)
		written, err := sortingsTable.Put(ctx, d, 0, row)
		if err != nil {
			return journal.Record{}, err
		}
		summary := "Sorted " + say.PartOf(p.Species.Names.Name, picking.Part) + " at the table"
		if all, _ := view.TableAnswers(written.Answers); slices.Contains(all, string(identity.NotSeen)) {
			summary += ": a stranger in it, held back"
		} else if len(view.TableQuestions(p, picking.Part)) == 0 || view.SortedAll(p, picking.Part, written) {
			summary += ": fit for use"
		}
		return journal.Record{Kind: "sorting", Summary: summary, Bed: &p.BedID, Planting: &p.ID}, nil
	})
}
