package gather

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// checkFreshUse refuses what a picking may not be used as fresh: what the verdict of its part does not allow, and what
// is kept, which is made in the store.
func checkFreshUse(c *say.Checklist, p *plot.Planting, part, preparation string) {
	described, _ := p.Species.Part(part)
	switch {
	case slices.Contains(described.UsedFresh(), preparation):
	case slices.Contains(described.Preparations(), preparation):
		c.Add(
			"preparation",
			"That is kept: make the %s in the store, where its steps, its jar and its label are.",
			preparation,
		)
	default:
		checkPreparation(c, p, part, preparation)
	}
}

// checkPreparation refuses what a part may not be made into; nothing said is all of it.
func checkPreparation(c *say.Checklist, p *plot.Planting, part, preparation string) {
	described, _ := p.Species.Part(part)
	if may := described.Preparations(); !slices.Contains(may, preparation) {
		c.Add(
			"preparation",
			"The %s of %s is not made into that here; choose from %s.",
			part,
			p.Species.Names.Name,
			say.OrList(may),
		)
	}
}

// FreshUseInput is what of a picking is used fresh.
type FreshUseInput struct {
	Preparation string `json:"preparation"`
	// Amount is how much of the picking, fresh, as typed; all that is left where it is empty.
	Amount string `json:"amount,omitempty" doc:"How much of it, fresh, as typed; empty for all that is left"`
	Note   string `json:"note,omitempty"`
}

// UseFresh notes what a picking, or some of it, was used as fresh. Only what is fit for use may be used, and only as
// the verdict of its part allows.
func (u *Uses) UseFresh(ctx context.Context, pickingID int64, in FreshUseInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, picking, err := picking(s, pickingID)
		if err != nil {
			return journal.Record{}, err
		}
		if state, why := view.BasketState(s, p, picking); state != view.BasketFit {
			return journal.Record{}, say.ConflictError{Why: strings.TrimSpace("It is not fit for use. " + why)}
		}
		var c say.Checklist
		checkFreshUse(&c, p, picking.Part, in.Preparation)
		row := store.PutMakingParams{
			PickingID:   pickingID,
			Day:         s.Today.String(),
			Preparation: in.Preparation,
			Note:        c.Text("note", in.Note, say.LongestNote),
		}
		row.Grams = readShare(s, &c, p, picking, in.Amount)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := makingsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: "making",
			Summary: fmt.Sprintf(
				"Used %s of %s fresh, as %s",
				s.Units.Weight(*row.Grams),
				say.PartOf(p.Species.Names.Name, picking.Part),
				in.Preparation,
			),
			Bed:      &p.BedID,
			Planting: &p.ID,
		}, nil
	})
}

// readShare reads how much of a picking is used: no more than is left of it.
func readShare(s *plot.State, c *say.Checklist, p *plot.Planting, picking store.Picking, text string) *float64 {
	left := s.LeftGrams(picking)
	if left < view.LeastGrams {
		c.Add("amount", "Nothing is left of it: all was used, is in the store, or went to the compost.")
		return nil
	}
	if strings.TrimSpace(text) == "" {
		return &left
	}
	part, _ := p.Species.Part(picking.Part)
	grams, err := input.ReadWeight(s, part, text)
	switch {
	case err != nil:
		c.AddError("amount", err)
	case grams < view.LeastGrams:
		c.Add("amount", "An amount must be above nothing.")
	case grams > left*1.02: // a scale's error
		c.Add("amount", "Only %s is left of it.", s.Units.Weight(left))
	}
	grams = min(grams, left)
	return &grams
}

// CautionsFor returns the cautions of a picking made into a preparation; all of its
// part where none is named.
func (u *Uses) CautionsFor(ctx context.Context, pickingID int64, preparation string) (view.CautionsView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return view.CautionsView{}, err
	}
	p, picking, err := picking(s, pickingID)
	if err != nil {
		return view.CautionsView{}, err
	}
	if preparation != "" {
		var c say.Checklist
		checkPreparation(&c, p, picking.Part, preparation)
		if err := c.Err(); err != nil {
			return view.CautionsView{}, err
		}
	}
	return view.CautionsOf(s, p.Species, picking.Part, preparation), nil
}

// LabelData is what stands on the label of a jar.
type LabelData struct {
	Title, Botanical, Part, Made, From, Day string
	Cautions                                []string
	Ask                                     string
}

// Label returns the label of a picking, or of what it is used as fresh. One that is not fit
// for use gets none.
func (u *Uses) Label(ctx context.Context, pickingID int64, preparation string) (LabelData, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return LabelData{}, err
	}
	p, picking, err := picking(s, pickingID)
	if err != nil {
		return LabelData{}, err
	}
	if state, why := view.BasketState(s, p, picking); state != view.BasketFit {
		return LabelData{}, say.ConflictError{Why: strings.TrimSpace("No label: it is not fit for use. " + why)}
	}
	if preparation != "" {
		var c say.Checklist
		checkFreshUse(&c, p, picking.Part, preparation)
		if err := c.Err(); err != nil {
			return LabelData{}, err
		}
	}
	cautions := view.CautionsOf(s, p.Species, picking.Part, preparation)
	label := LabelData{
		Title:     say.Capital(p.Species.Names.Name),
		Botanical: p.Species.Names.Botanical,
		Part:      picking.Part,
		Made:      preparation,
		From:      p.Bed.Name,
		Day:       view.FullDayWords(picking.Day),
		Ask:       view.AskFirst,
	}
	for _, c := range cautions.List {
		label.Cautions = append(label.Cautions, view.CautionLine(c))
	}
	if len(label.Cautions) == 0 {
		label.Cautions = []string{view.NoCaution}
	}
	return label, nil
}
