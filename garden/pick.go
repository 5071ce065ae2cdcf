package garden

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/store"
)

// PickingInput is what a grower took. The amount is as typed: "14 stems",
// "310 g", "11 oz"; a bare number counts the part's own unit.
type PickingInput struct {
	// SpeciesID is the plant that the page showed; empty where there was no page.
	SpeciesID string `json:"speciesId,omitempty" doc:"The plant that the page showed"`
	Day       string `json:"day"`
	Part      string `json:"part"`
	Amount    string `json:"amount"`
	// MeasureWeighs is what one of the measure in the amount weighs, where it was asked.
	MeasureWeighs string `json:"measureWeighs,omitempty" doc:"What one handful, bowl or cup weighs, as typed; kept"`
	// CrownsBack is true where the crowns with their buds were put back: those plants stay.
	CrownsBack bool `json:"crownsBack,omitempty" doc:"Of what is lifted, the crowns with buds were put back"`
	// TookAnyway notes a picking beyond the allowance as what happened.
	TookAnyway bool   `json:"tookAnyway,omitempty"`
	Note       string `json:"note,omitempty"`
	ClientKey  string `json:"clientKey,omitempty"`
}

// Picked is the answer to a picking.
type Picked struct {
	Entry Entry          `json:"entry"`
	Left  *AllowanceView `json:"left,omitempty" doc:"What may still be taken today"`
}

// NotePicking notes what was taken of a planting.
func (g *Garden) NotePicking(ctx context.Context, plantingID int64, in PickingInput) (Picked, error) {
	sent, err := sentAs(in.ClientKey, "picking", plantingID, in)
	if err != nil {
		return Picked{}, err
	}
	entry, err := g.changeOnce(ctx, sent, func(s *state, d *draft) (record, error) {
		p, err := s.standingPlanting(plantingID)
		if err != nil {
			return record{}, err
		}
		if in.SpeciesID != "" {
			if err := (Sight{SpeciesID: in.SpeciesID}).isOf(g, p.rules, nil); err != nil {
				return record{}, err
			}
		}
		row, rule, weighed, err := s.readPicking(p, in)
		if err != nil {
			return record{}, err
		}
		if weighed != nil {
			if _, err := measuresTable.Put(ctx, d, 0, *weighed); err != nil {
				return record{}, err
			}
		}
		if _, err := pickingsTable.Put(ctx, d, 0, row); err != nil {
			return record{}, err
		}
		summary := fmt.Sprintf("%s %s, %s, of %s in %s", took[rule.Verb], counted(row.Units, rule.One, rule.Many), s.units.Weight(row.Grams), partOf(p.species.Names.Name, row.Part), p.bed.Name)
		if row.CrownsBack > 0 {
			summary += ", the crowns put back"
		}
		return record{kind: "picking", summary: summary, bed: &p.BedID, planting: &p.ID}, nil
	})
	if err != nil {
		return Picked{}, err
	}
	s, err := g.state(ctx)
	if err != nil {
		return Picked{}, err
	}
	picked := Picked{Entry: entry}
	if p, has := s.byID[plantingID]; has {
		if part, has := p.species.Part(in.Part); has && part.Harvest != nil {
			left, _ := s.allowance(p, part, s.today)
			picked.Left = &left
		}
	}
	return picked, nil
}

var took = map[string]string{"Cut": "Cut", "Pick": "Picked", "Lift": "Lifted", "Snip": "Snipped"}

// partOf names a part of a plant: "lovage leaf".
func partOf(plant, part string) string { return plant + " " + part }

func (s *state) readPicking(p *planting, in PickingInput) (row store.PutPickingParams, rule *flora.HarvestRule, weighed *store.PutMeasureParams, err error) {
	var c checklist
	row = store.PutPickingParams{PlantingID: p.ID, Part: in.Part, Note: c.text("note", in.Note, longestNote), ClientKey: readClientKey(in.ClientKey), NotedAfter: s.lastEntry}
	day := s.readPastDay(&c, p, in.Day)
	row.Day = day.String()
	part, has := p.species.Part(in.Part)
	switch {
	case !has:
		c.add("part", "%s has no part called %q.", capital(p.species.Names.Name), in.Part)
	case part.Harvest == nil:
		c.add("part", "The %s of %s is not used.", part.Name, p.species.Names.Name)
	default:
		if r := harvest.MayUse(p.species, part, p.identity, p.ground); r != nil {
			c.add("part", "%s", viewRefusal(p, part, r).Why)
		}
	}
	if err := c.err(); err != nil {
		return row, nil, nil, err
	}
	rule = part.Harvest
	gramsEach := harvest.GramsEach(rule, s.sizeShare(p, s.yearOfLife(p, calendar.SeasonOf(s.site.Latitude, day))))
	amount := s.readAmount(&c, p.species, part, in.Amount, in.MeasureWeighs, gramsEach)
	row.Units, row.Grams = amount.units, amount.grams
	if in.CrownsBack {
		if !harvest.LeavesCrowns(p.species, rule) {
			c.add("crownsBack", "%s has no crown that grows on when its %s is lifted.", capital(p.species.Names.Name), part.Name)
		}
		row.CrownsBack = row.Units
	}
	if err := c.err(); err != nil {
		return row, nil, nil, err
	}
	s.judgeAmount(&c, p, part, day, in.TookAnyway, &row)
	return row, rule, amount.weighed, c.err()
}

// judgeAmount refuses what the planting cannot have yielded, and asks back
// before noting more than the allowance.
func (s *state) judgeAmount(c *checklist, p *planting, part flora.Part, day calendar.Date, tookAnyway bool, row *store.PutPickingParams) {
	rule := part.Harvest
	const mostOfFull = 3 // a good year's plants, and a generous hand
	most := float64(p.Plants) * rule.PerPlant.High * mostOfFull
	if rule.TakesPlant {
		most = float64(p.standing())
	}
	if row.Units > most {
		c.add("amount", "%s is more than the %s here can have borne (%s at most).",
			capital(counted(row.Units, rule.One, rule.Many)), counted(float64(p.standing()), "plant", "plants"), number(most))
		return
	}
	if !s.season.Contains(day) {
		// An earlier season's allowance is no longer known; the note stands as
		// the grower's word.
		return
	}
	view, a := s.allowance(p, part, day)
	allowed := 0.0
	if a != nil {
		allowed = a.Units
		if a.Standing > 0 {
			row.Share = row.Units / a.Standing
		}
	}
	// Whole units on both sides: no crumb passes where nothing is allowed.
	if row.Units <= allowed {
		return
	}
	if tookAnyway {
		row.TookAnyway = 1
		return
	}
	const overdrawn = "took anyway"
	switch {
	case view.Refusal != nil:
		c.ask("amount", overdrawn, nil, "Nothing may be taken on this day: %s If you took it all the same, say so, and it is noted.", view.Refusal.Why)
	case allowed == 0:
		c.ask("amount", overdrawn, nil, "Nothing more may be taken now. If you took it all the same, say so, and it is noted.")
	default:
		c.ask("amount", overdrawn, nil, "This is more than the allowance of %s. If you took it all the same, say so, and it is noted.", counted(allowed, rule.One, rule.Many))
	}
}
