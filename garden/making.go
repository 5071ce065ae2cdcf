package garden

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/store"
)

// checkPreparation refuses what a part may not be made into; nothing said is all of it.
func checkPreparation(c *checklist, p *planting, part, preparation string) {
	described, _ := p.species.Part(part)
	if may := described.Preparations(); !slices.Contains(may, preparation) {
		c.add("preparation", "The %s of %s is not made into that here; choose from %s.", part, p.species.Names.Name, orList(may))
	}
}

// MakingInput is what is made of a picking.
type MakingInput struct {
	Preparation string `json:"preparation"`
	// Amount is how much of the picking, fresh, as typed; all that is left where it is empty.
	Amount string `json:"amount,omitempty" doc:"How much of it, fresh, as typed; empty for all that is left"`
	Note   string `json:"note,omitempty"`
}

// MakeOf notes what is made of a picking. Only what is fit for use may be made into
// anything, and only into what the verdict of its part allows.
func (g *Garden) MakeOf(ctx context.Context, pickingID int64, in MakingInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		p, picking, err := s.picking(pickingID)
		if err != nil {
			return record{}, err
		}
		if state, why := s.basketState(p, picking); state != basketFit {
			return record{}, ConflictError{strings.TrimSpace("It is not fit for use. " + why)}
		}
		var c checklist
		checkPreparation(&c, p, picking.Part, in.Preparation)
		row := store.PutMakingParams{PickingID: pickingID, Day: s.today.String(), Preparation: in.Preparation, Note: c.text("note", in.Note, longestNote)}
		row.Grams = s.readShare(&c, p, picking, in.Amount)
		if err := c.err(); err != nil {
			return record{}, err
		}
		if _, err := makingsTable.Put(ctx, d, 0, row); err != nil {
			return record{}, err
		}
		return record{kind: "making", summary: fmt.Sprintf("Made %s of %s, %s", in.Preparation, partOf(p.species.Names.Name, picking.Part), s.units.Weight(*row.Grams)), bed: &p.BedID, planting: &p.ID}, nil
	})
}

// readShare reads how much of a picking is made into something: no more than is left of it.
func (s *state) readShare(c *checklist, p *planting, picking store.Picking, text string) *float64 {
	left := s.leftGrams(picking)
	if left < leastGrams {
		c.add("amount", "Nothing is left of it: all was made into something, or went to the compost.")
		return nil
	}
	if strings.TrimSpace(text) == "" {
		return &left
	}
	part, _ := p.species.Part(picking.Part)
	grams, err := s.readWeight(part, text)
	switch {
	case err != nil:
		c.addError("amount", err)
	case grams < leastGrams:
		c.add("amount", "An amount must be above nothing.")
	case grams > left*1.02: // a scale's error
		c.add("amount", "Only %s is left of it.", s.units.Weight(left))
	}
	grams = min(grams, left)
	return &grams
}

// leastGrams is the least that a kitchen scale tells from nothing.
const leastGrams = 0.05

// CautionsFor returns the cautions of a picking made into a preparation; all of its
// part where none is named.
func (g *Garden) CautionsFor(ctx context.Context, pickingID int64, preparation string) (CautionsView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return CautionsView{}, err
	}
	p, picking, err := s.picking(pickingID)
	if err != nil {
		return CautionsView{}, err
	}
	if preparation != "" {
		var c checklist
		checkPreparation(&c, p, picking.Part, preparation)
		if err := c.err(); err != nil {
			return CautionsView{}, err
		}
	}
	return s.cautionsOf(p.species, picking.Part, preparation), nil
}

// LabelData is what stands on the label of a jar.
type LabelData struct {
	Title, Botanical, Part, Made, From, Day string
	Cautions                                []string
	Ask                                     string
}

// Label returns the label of a picking, or of what was made of it. One that is not fit
// for use gets none.
func (g *Garden) Label(ctx context.Context, pickingID int64, preparation string) (LabelData, error) {
	s, err := g.state(ctx)
	if err != nil {
		return LabelData{}, err
	}
	p, picking, err := s.picking(pickingID)
	if err != nil {
		return LabelData{}, err
	}
	if state, why := s.basketState(p, picking); state != basketFit {
		return LabelData{}, ConflictError{strings.TrimSpace("No label: it is not fit for use. " + why)}
	}
	if preparation != "" {
		var c checklist
		checkPreparation(&c, p, picking.Part, preparation)
		if err := c.err(); err != nil {
			return LabelData{}, err
		}
	}
	cautions := s.cautionsOf(p.species, picking.Part, preparation)
	label := LabelData{Title: capital(p.species.Names.Name), Botanical: p.species.Names.Botanical, Part: picking.Part, Made: preparation, From: p.bed.Name, Day: picking.Day, Ask: askFirst}
	for _, c := range cautions.List {
		label.Cautions = append(label.Cautions, cautionLine(c))
	}
	if len(label.Cautions) == 0 {
		label.Cautions = []string{noCaution}
	}
	return label, nil
}
