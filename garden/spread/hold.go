package spread

import (
	"context"
	"encoding/json"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/spread"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// HoldInput is how a stand is to be held.
type HoldInput struct {
	Policy string `json:"policy" enum:"held,bounded,free,rid"`
	// Ways are those to hold it by, as the view writes them.
	Ways   []string `json:"ways"`
	Target string   `json:"target,omitempty" doc:"What it is kept from; empty for its bed's edge"`
	Line   float64  `json:"line,omitempty" doc:"The chance within ten years; 0 for the usual one"`
}

// SetHold makes ways of holding a stand its policy: their jobs come in season.
func (u *Uses) SetHold(ctx context.Context, planting int64, seen say.Version, in HoldInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, planting)
		if err != nil {
			return journal.Record{}, err
		}
		held, before, has := s.HoldOf(planting)
		if err := seen.IsOf(say.VersionOf(held), "how "+p.Species.Names.Name+" is held"); err != nil {
			return journal.Record{}, err
		}
		row, plan, err := u.readHold(s, p, in)
		if err != nil {
			return journal.Record{}, err
		}
		if has {
			row.ID = &held.ID
			if since, err := calendar.Parse(held.Since); err == nil && keepsHome(before) && keepsHome(plan) {
				row.Since = since.String() // it was held all along
			}
		}
		if _, err := plot.StandHoldsTable.Put(ctx, d, held.ID, row); err != nil {
			return journal.Record{}, err
		}
		summary := fmt.Sprintf(
			"%s in %s: %s",
			say.Capital(p.Species.Names.Name),
			p.Bed.Name,
			say.LowerFirst(holdWords(plot.Policy(in.Policy), plan)),
		)
		return journal.Record{Kind: kindSpread, Bed: &p.BedID, Planting: &planting, Summary: summary}, nil
	})
}

// readHold reads how a stand is to be held.
func (u *Uses) readHold(
	s *plot.State,
	p *plot.Planting,
	in HoldInput,
) (row store.PutStandHoldParams, plan spread.Plan, err error) {
	var c say.Checklist
	plan = readWays(&c, in.Ways)
	policy := plot.Policy(in.Policy)
	row = store.PutStandHoldParams{
		PlantingID: p.ID,
		Policy:     in.Policy,
		Target:     in.Target,
		Line:       in.Line,
		Since:      s.Today.String(),
	}
	if row.Target == "" {
		row.Target = edgeKey
	}
	if row.Line == 0 {
		row.Line = UsualLine
	}
	readLine(&c, row.Line)
	r, err := u.reckon(s)
	if err != nil {
		return row, plan, say.ConflictError{Why: say.Sentence(err.Error())}
	}
	one := r.stands[p.ID]
	if one == nil {
		one = &stand{planting: p, of: r.standOf(s, p)}
		one.Ready = r.with.Prepare(one.of)
	}
	switch policy {
	case plot.PolicyHeld:
		row.Target = edgeKey
	case plot.PolicyBounded:
		known := false
		for _, t := range r.targetsOf(one) {
			known = known || t.Key == row.Target
		}
		if !known || row.Target == edgeKey {
			c.Add("target", "Say what it is to be kept from: a path, a bed, the boundary.")
		}
	case plot.PolicyFree:
		if len(plan) > 0 {
			c.Add("ways", "What is free is not held. Choose held or bounded, or take the ways away.")
		}
	case plot.PolicyRid:
	default:
		c.Add("policy", "Say whether it is held, bounded, free, or to be got rid of.")
	}
	if (policy == plot.PolicyHeld || policy == plot.PolicyBounded) && len(plan) == 0 && !c.Has("ways") {
		c.Add("ways", "Choose at least one way of holding it.")
	}
	for _, control := range plan {
		if err := one.Refusal(control); err != nil && !c.Has("ways") {
			c.Add("ways", "%s: %s.", say.Capital(wayWords(control)), err)
		}
		if err := hensRefusal(p, control); err != nil && !c.Has("ways") {
			c.AddError("ways", err)
		}
	}
	if err := c.Err(); err != nil {
		return row, plan, err
	}
	text, err := json.Marshal(plan)
	if plan == nil {
		text = []byte("[]")
	}
	row.Ways = string(text)
	return row, plan, err
}

// DropHold says that nobody holds a stand in any way: as before anything was said.
func (u *Uses) DropHold(ctx context.Context, planting int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, planting)
		if err != nil {
			return journal.Record{}, err
		}
		held, _, has := s.HoldOf(planting)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "policy"}
		}
		if err := plot.StandHoldsTable.Drop(ctx, d, held.ID); err != nil {
			return journal.Record{}, err
		}
		summary := fmt.Sprintf("%s in %s: nothing is said of holding it", say.Capital(p.Species.Names.Name), p.Bed.Name)
		return journal.Record{Kind: kindSpread, Bed: &p.BedID, Planting: &planting, Summary: summary}, nil
	})
}
