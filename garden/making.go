package garden

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/store"
)

// preparationsOf are what may be made of a part by its verdicts. What is for outside
// only is never made into something to swallow.
func preparationsOf(part flora.Part) []string {
	may := []string{}
	for _, made := range flora.PreparationWords {
		ok := false
		for _, verdict := range part.Verdicts {
			switch verdict {
			case flora.EatenRaw, flora.EatenCooked:
				ok = ok || made == "food"
			case flora.Preparation:
				ok = ok || made != "food"
			case flora.OutsideOnly:
				ok = ok || made == "salve" || made == "bath"
			}
		}
		if ok {
			may = append(may, made)
		}
	}
	return may
}

// MakingInput is what is made of a picking.
type MakingInput struct {
	Preparation string `json:"preparation"`
	Note        string `json:"note,omitempty"`
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
		part, _ := p.species.Part(picking.Part)
		if may := preparationsOf(part); !slices.Contains(may, in.Preparation) {
			c.add("preparation", "The %s of %s is not made into that here; choose from %s.", part.Name, p.species.Names.Name, joined(may))
		}
		row := store.PutMakingParams{PickingID: pickingID, Day: s.today.String(), Preparation: in.Preparation, Note: c.text("note", in.Note, longestNote)}
		if err := c.err(); err != nil {
			return record{}, err
		}
		if _, err := put(ctx, d, "makings", 0, row, func(r store.Making) int64 { return r.ID }); err != nil {
			return record{}, err
		}
		return record{kind: "making", summary: fmt.Sprintf("Made %s of %s", in.Preparation, partOf(p.species.Names.Name, picking.Part)), bed: &p.BedID, planting: &p.ID}, nil
	})
}

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
	if preparation != "" && !slices.Contains(flora.PreparationWords, preparation) {
		return LabelData{}, Faults{{"preparation", "Choose one of the preparations."}}
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
