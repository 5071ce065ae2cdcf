package garden

import (
	"context"
	"encoding/json"
	"slices"
	"strings"

	"bramblyacre/core/identity"
	"bramblyacre/store"
)

// tableCharacters are the characters that a picked part of each kind still shows on the
// table.
var tableCharacters = map[string][]string{
	"leaf": {"smell", "leaf-base", "leaf-veins", "leaf-surface", "leaf-underside", "leaf-build", "leaf-shape", "leaf-margin", "leaf-tip", "sap"},
	"root": {"root-form", "root-inside", "smell", "sap"},
	"stem": {"stem-section", "stem-fill", "stem-mark", "stem-surface", "hair-place", "smell", "sap"},
	"top": {
		"smell", "flower-form", "flower-parts", "flower-colour", "flower-group", "leaf-order", "leaf-build", "leaf-surface", "leaf-shape", "stem-section", "stem-fill", "stem-surface",
		"leaf-margin", "leaf-underside", "leaf-joint", "sap", "whorl-count", "bracts", "hair-place",
	},
	"flower": {"flower-form", "flower-parts", "flower-colour", "bracts", "flower-group"},
	"fruit":  {"fruit", "fruit-colour"},
	"pad":    {"leaf-build", "sap", "stem-surface"},
}

// tableKind puts the other kinds of parts with one of those.
var tableKind = map[string]string{"shoot": "top", "whole": "top", "rhizome": "root", "bulb": "root", "seed": "fruit", "pod": "fruit", "bark": "stem"}

// tableQuestions are the questions of the second check of a picked part: for each
// dangerous look-alike that is named one that the part still shows. One that the part
// shows nothing of was ruled out at the plant.
func tableQuestions(p *planting, partName string) []identity.Question {
	part, has := p.species.Part(partName)
	if !has {
		return nil
	}
	kind := part.Kind
	if other, has := tableKind[kind]; has {
		kind = other
	}
	return p.rules.TableQuestions(func(c identity.Character) bool { return slices.Contains(tableCharacters[kind], c.ID) })
}

// SortingInput is a picking sorted again at the table.
type SortingInput struct {
	By      string            `json:"by"`
	Answers map[string]string `json:"answers" doc:"seen, not seen or cannot tell, by the characters asked for"`
	Sight
	Rejected string `json:"rejected,omitempty" doc:"How much went to the compost, as typed; empty for nothing"`
	Note     string `json:"note,omitempty"`
}

// readRejected reads how much of a picking went to the compost, in grams: no more than is
// left of it.
func (s *state) readRejected(c *checklist, p *planting, picking store.Picking, text string) float64 {
	if strings.TrimSpace(text) == "" {
		return 0
	}
	part, _ := p.species.Part(picking.Part)
	grams, err := s.readWeight(part, text)
	left := s.leftGrams(picking)
	switch {
	case err != nil:
		c.addError("rejected", err)
	case grams < 0 || grams > left*1.02: // a scale's error
		c.add("rejected", "What is rejected lies between nothing and the %s that are left: no more.", s.units.Weight(left))
	}
	return min(max(0, grams), left)
}

// SortPicking notes that a picking was sorted again at the table.
func (g *Garden) SortPicking(ctx context.Context, pickingID int64, in SortingInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		p, picking, err := s.picking(pickingID)
		if err != nil {
			return record{}, err
		}
		if state, why := s.basketState(p, picking); state == basketHeld {
			return record{}, ConflictError{why}
		}
		if err := in.Sight.isOf(g, p.rules, in.Answers); err != nil {
			return record{}, err
		}
		var c checklist
		row := store.PutSortingParams{PickingID: pickingID, Day: s.today.String(), ByWhom: c.name("by", in.By), Note: c.text("note", in.Note, longestNote)}
		if row.ByWhom == "" {
			c.add("by", "Say who sorted it.")
		}
		row.Rejected = s.readRejected(&c, p, picking, in.Rejected)
		if len(tableQuestions(p, picking.Part)) > 0 {
			checkAnswers(&c, p.rules, in.Answers)
			for _, q := range tableQuestions(p, picking.Part) {
				if in.Answers[q.Character.ID] == "" {
					c.add("answers", "Answer every question: %s is missing.", q.Character.Name)
				}
			}
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		answers, err := json.Marshal(in.Answers)
		if err != nil {
			return record{}, err
		}
		row.Answers = string(answers)
		written, err := sortingsTable.Put(ctx, d, 0, row)
		if err != nil {
			return record{}, err
		}
		summary := "Sorted " + partOf(p.species.Names.Name, picking.Part) + " at the table"
		if all, _ := answersOf(written.Answers); slices.Contains(all, string(identity.NotSeen)) {
			summary += ": a stranger in it, held back"
		} else if len(tableQuestions(p, picking.Part)) == 0 || sortedAll(p, picking.Part, written) {
			summary += ": fit for use"
		}
		return record{kind: "sorting", summary: summary, bed: &p.BedID, planting: &p.ID}, nil
	})
}
