package garden

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"math"
	"regexp"
	"strconv"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/unit"
	"bramblyacre/store"
)

// PickingInput is what a grower took. The amount is as typed: "14 stems",
// "310 g", "11 oz"; a bare number counts the part's own unit.
type PickingInput struct {
	Day    string `json:"day"`
	Part   string `json:"part"`
	Amount string `json:"amount"`
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
	entry, err := g.change(ctx, func(s *state, d *draft) (record, error) {
		p, err := s.standingPlanting(plantingID)
		if err != nil {
			return record{}, err
		}
		row, rule, err := s.readPicking(p, in)
		if err != nil {
			return record{}, err
		}
		if row.ClientKey != nil {
			if _, err := d.GetPickingByClientKey(ctx, row.ClientKey); !errors.Is(err, sql.ErrNoRows) {
				return record{}, alreadyNoted(err)
			}
		}
		if _, err := put(ctx, d, "pickings", 0, row, func(r store.Picking) int64 { return r.ID }); err != nil {
			return record{}, err
		}
		summary := fmt.Sprintf("%s %s, %s, of %s in %s", took[rule.Verb], counted(row.Units, rule.One, rule.Many), s.units.Weight(row.Grams), partOf(p.species.Names.Name, row.Part), p.bed.Name)
		return record{kind: "picking", summary: summary, bed: &p.BedID, planting: &p.ID}, nil
	})
	if err != nil && !errors.Is(err, errNotedBefore) {
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

func (s *state) readPicking(p *planting, in PickingInput) (store.PutPickingParams, *flora.HarvestRule, error) {
	var c checklist
	row := store.PutPickingParams{PlantingID: p.ID, Part: in.Part, Note: c.text("note", in.Note, longestNote), ClientKey: readClientKey(&c, in.ClientKey)}
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
		return row, nil, err
	}
	rule := part.Harvest
	gramsEach := harvest.GramsEach(rule, s.sizeShare(p, s.yearOfLife(p, calendar.SeasonOf(s.site.Latitude, day))))
	row.Units = s.readAmount(&c, rule, in.Amount, gramsEach)
	row.Grams = row.Units * gramsEach
	if err := c.err(); err != nil {
		return row, nil, err
	}
	s.judgeAmount(&c, p, part, day, in.TookAnyway, &row)
	return row, rule, c.err()
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
	if row.Units <= allowed+0.5 {
		return
	}
	if tookAnyway {
		row.TookAnyway = 1
		return
	}
	if view.Refusal != nil {
		c.add("amount", "Nothing may be taken on this day: %s If you took it all the same, say so, and it is noted.", view.Refusal.Why)
	} else {
		c.add("amount", "This is more than the allowance of %s. If you took it all the same, say so, and it is noted.", counted(allowed, rule.One, rule.Many))
	}
}

var leadingNumber = regexp.MustCompile(`^\s*([+-]?[0-9]+(?:[.,][0-9]+)?)\s*(.*)$`)

// readAmount reads an amount in the part's own unit, or as a weight.
func (s *state) readAmount(c *checklist, rule *flora.HarvestRule, text string, gramsEach float64) (units float64) {
	found := leadingNumber.FindStringSubmatch(text)
	if strings.TrimSpace(text) == "" || found == nil {
		c.add("amount", "Say how much, for example 6 %s or %s.", rule.Many, s.units.Weight(6*gramsEach))
		return 0
	}
	name := strings.ToLower(strings.TrimSpace(found[2]))
	if name == "" || name == strings.ToLower(rule.One) || name == strings.ToLower(rule.Many) {
		n, err := strconv.ParseFloat(strings.Replace(found[1], ",", ".", 1), 64)
		c.addError("amount", err)
		units = n
	} else {
		grams, err := unit.Parse(unit.Mass, text, s.units.MassUnit())
		if err != nil {
			c.add("amount", "%q is not an amount here; write %s, or a weight such as %s.", text, rule.Many, s.units.Weight(6*gramsEach))
			return 0
		}
		units = grams / gramsEach
	}
	if units <= 0 || math.IsInf(units, 0) || math.IsNaN(units) {
		c.add("amount", "An amount must be above nothing.")
	}
	return units
}
