package gather

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
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
func (u *Uses) SetNeed(ctx context.Context, seen say.Version, in NeedInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if err := seen.IsOf(needVersion(s, in.SpeciesID, in.Part), "what is needed"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		species, has := u.plot.Lib().Species(in.SpeciesID)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "plant"}
		}
		if part, has := species.Part(in.Part); !has || part.Harvest == nil {
			c.Add("part", "%s has no part called %q that is taken.", say.Capital(species.Names.Name), in.Part)
		}
		name := view.PartOf(species.Names.Name, in.Part)
		part, _ := species.Part(in.Part)
		grams, err := readWeight(s, part, in.Amount)
		switch {
		case errors.Is(err, unit.ErrEmpty):
			return forgetNeed(ctx, s, d, species.ID, in.Part, name)
		case err != nil:
			c.AddError("amount", err)
		case grams < 0 || grams > mostNeedGrams:
			c.Add("amount", "A year's need lies between nothing and %s.", s.Units.Weight(mostNeedGrams))
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		row := store.PutNeedParams{SpeciesID: species.ID, Part: in.Part, Grams: grams}
		id := int64(0)
		if old, err := d.GetNeedOf(ctx, store.GetNeedOfParams{SpeciesID: species.ID, Part: in.Part}); err == nil {
			id, row.ID = old.ID, &old.ID
		} else if !errors.Is(err, sql.ErrNoRows) {
			return journal.Record{}, err
		}
		_, err = needsTable.Put(ctx, d, id, row)
		return journal.Record{
			Kind:    "need",
			Summary: fmt.Sprintf("Needs %s of %s a year, fresh", s.Units.Weight(grams), name),
		}, err
	})
}

// forgetNeed drops a need. It is written as a change, so it can be taken back.
func forgetNeed(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	species, part, name string,
) (journal.Record, error) {
	old, err := d.GetNeedOf(ctx, store.GetNeedOfParams{SpeciesID: species, Part: part})
	if errors.Is(err, sql.ErrNoRows) {
		return journal.Record{}, say.Faults{{Field: "amount", Message: "Write a weight, for example 400 g or 1 lb."}}
	}
	if err != nil {
		return journal.Record{}, err
	}
	return journal.Record{
			Kind:    "need",
			Summary: "No longer says how much " + name + " is needed",
		}, needsTable.Drop(
			ctx,
			d,
			old.ID,
		)
}

// needVersion is the version of what is noted of a need.
func needVersion(s *plot.State, species, part string) say.Version {
	if grams, said := s.NeedOf(species, part); said {
		return say.VersionOf(grams)
	}
	return say.VersionOf(nil)
}
