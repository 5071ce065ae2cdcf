package gather

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"strings"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// NeedInput is what the household needs of a part in a year, as typed: a weight, fresh or dried, a number of its own
// unit, or of a measure of the household; empty for "nobody knows".
type NeedInput struct {
	SpeciesID string `json:"speciesId"`
	Part      string `json:"part"`
	Amount    string `json:"amount"`
	// MeasureWeighs is what one of the measure in the amount weighs, where it was asked.
	MeasureWeighs string `json:"measureWeighs,omitempty" doc:"What one cup or jar weighs, as typed; kept"`
	// Matters is how much it matters against the other needs.
	Matters string `json:"matters,omitempty" enum:"little,as the rest,much" doc:"Against the others; empty is as the rest"`
}

// weights are what a gram of a need counts for, by how much it matters.
var weights = map[string]float64{"little": 0.3, "": 1, "as the rest": 1, "much": 3}

// mattersOf is the word for a weight.
func mattersOf(weight float64) string {
	switch {
	case weight > 1:
		return "much"
	case weight > 0 && weight < 1:
		return "little"
	}
	return "as the rest"
}

// SetNeed notes a year's need, which no allowance goes beyond.
func (u *Uses) SetNeed(ctx context.Context, seen say.Version, in NeedInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if err := seen.IsOf(view.NeedVersion(s, in.SpeciesID, in.Part), "what is needed"); err != nil {
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
		name := say.PartOf(species.Names.Name, in.Part)
		part, _ := species.Part(in.Part)
		if strings.TrimSpace(in.Amount) == "" && c.Err() == nil {
			return forgetNeed(ctx, s, d, species.ID, in.Part, name)
		}
		weight, known := weights[in.Matters]
		if !known {
			c.Add("matters", "Say little, as the rest or much.")
		}
		if part.Harvest == nil {
			return journal.Record{}, c.Err()
		}
		grams, weighed := input.ReadNeed(s, &c, species, part, in.Amount, in.MeasureWeighs)
		typed := c.Text("amount", in.Amount, say.LongestNote)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if weighed != nil {
			if _, err := plot.MeasuresTable.Put(ctx, d, 0, *weighed); err != nil {
				return journal.Record{}, err
			}
		}
		row := store.PutNeedParams{SpeciesID: species.ID, Part: in.Part, Grams: grams, Typed: typed, Weight: weight}
		id := int64(0)
		if old, err := d.GetNeedOf(ctx, store.GetNeedOfParams{SpeciesID: species.ID, Part: in.Part}); err == nil {
			id, row.ID = old.ID, &old.ID
		} else if !errors.Is(err, sql.ErrNoRows) {
			return journal.Record{}, err
		}
		_, err := needsTable.Put(ctx, d, id, row)
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
