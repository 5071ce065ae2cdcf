package garden

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/unit"
	"bramblyacre/store"
)

// NeedInput is what the household needs of a part in a year, fresh, as typed;
// empty for "nobody knows".
type NeedInput struct {
	SpeciesID string `json:"speciesId"`
	Part      string `json:"part"`
	Amount    string `json:"amount"`
}

// mostNeedGrams is the largest need that a household can have: a tonne.
const mostNeedGrams = 1e6

// SetNeed notes a year's need, which no allowance goes beyond.
func (g *Garden) SetNeed(ctx context.Context, seen Version, in NeedInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		if err := seen.isOf(s.needVersion(in.SpeciesID, in.Part), "what is needed"); err != nil {
			return record{}, err
		}
		var c checklist
		species, has := g.lib().Species(in.SpeciesID)
		if !has {
			return record{}, NotFoundError{"plant"}
		}
		if part, has := species.Part(in.Part); !has || part.Harvest == nil {
			c.add("part", "%s has no part called %q that is taken.", capital(species.Names.Name), in.Part)
		}
		name := partOf(species.Names.Name, in.Part)
		part, _ := species.Part(in.Part)
		grams, err := s.readWeight(part, in.Amount)
		switch {
		case errors.Is(err, unit.ErrEmpty):
			return s.forgetNeed(ctx, d, species.ID, in.Part, name)
		case err != nil:
			c.addError("amount", err)
		case grams < 0 || grams > mostNeedGrams:
			c.add("amount", "A year's need lies between nothing and %s.", s.units.Weight(mostNeedGrams))
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		row := store.PutNeedParams{SpeciesID: species.ID, Part: in.Part, Grams: grams}
		id := int64(0)
		if old, err := d.GetNeedOf(ctx, store.GetNeedOfParams{SpeciesID: species.ID, Part: in.Part}); err == nil {
			id, row.ID = old.ID, &old.ID
		} else if !errors.Is(err, sql.ErrNoRows) {
			return record{}, err
		}
		_, err = needsTable.Put(ctx, d, id, row)
		return record{kind: "need", summary: fmt.Sprintf("Needs %s of %s a year, fresh", s.units.Weight(grams), name)}, err
	})
}

// forgetNeed drops a need. It is written as a change, so it can be taken back.
func (s *state) forgetNeed(ctx context.Context, d *draft, species, part, name string) (record, error) {
	old, err := d.GetNeedOf(ctx, store.GetNeedOfParams{SpeciesID: species, Part: part})
	if errors.Is(err, sql.ErrNoRows) {
		return record{}, Faults{{Field: "amount", Message: "Write a weight, for example 400 g or 1 lb."}}
	}
	if err != nil {
		return record{}, err
	}
	return record{kind: "need", summary: "No longer says how much " + name + " is needed"}, needsTable.Drop(ctx, d, old.ID)
}

// needVersion is the version of what is noted of a need.
func (s *state) needVersion(species, part string) Version {
	if grams, said := s.needOf(species, part); said {
		return versionOf(grams)
	}
	return versionOf(nil)
}

// needOf returns the grams a year that the household needs of a part.
func (s *state) needOf(species, part string) (grams float64, said bool) {
	for _, need := range s.needs {
		if need.SpeciesID == species && need.Part == part {
			return need.Grams, true
		}
	}
	return 0, false
}

// stillNeeded returns how many units of a planting's part are still needed this season, by
// what these plants weigh in a year of life; nil where nobody said how much is.
func (s *state) stillNeeded(p *planting, part flora.Part, year int) *float64 {
	grams, said := s.needOf(p.species.ID, part.Name)
	if !said {
		return nil
	}
	grams -= s.takenGrams(p.species.ID, part.Name)
	units := max(0, grams) / harvest.GramsEach(part.Harvest, s.sizeShare(p, year))
	return &units
}

// keptGrams is the fresh weight of a picking without what went to the compost.
func (s *state) keptGrams(picking store.Picking) float64 {
	grams := picking.Grams
	for _, sorting := range s.sortings[picking.ID] {
		grams -= sorting.Rejected
	}
	return max(0, grams)
}

// leftGrams is what is left of a picking that nothing was made of yet.
func (s *state) leftGrams(picking store.Picking) float64 {
	grams := s.keptGrams(picking)
	for _, making := range s.makings[picking.ID] {
		if making.Grams == nil {
			return 0
		}
		grams -= *making.Grams
	}
	return max(0, grams)
}

func (s *state) needWords(species, part string) string {
	grams, said := s.needOf(species, part)
	if !said {
		return ""
	}
	return s.units.Weight(grams)
}

// takenGrams sums what was taken of a part this season over all plantings, those since
// removed among them, without what was thrown out at the table.
func (s *state) takenGrams(species, part string) (grams float64) {
	for _, p := range s.all {
		if p.SpeciesID != species {
			continue
		}
		for _, picking := range p.pickings {
			day, err := calendar.Parse(picking.Day)
			if err == nil && picking.Part == part && s.season.Contains(day) {
				grams += s.keptGrams(picking)
			}
		}
	}
	return grams
}
