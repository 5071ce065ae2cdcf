package gather

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
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
	Where      string `json:"where,omitempty" doc:"Where on the plant it was taken"`
	Left       string `json:"left,omitempty" doc:"What was left, in words"`
	Weather    string `json:"weather,omitempty" doc:"In which weather"`
	Note       string `json:"note,omitempty"`
	ClientKey  string `json:"clientKey,omitempty"`
}

// Picked is the answer to a picking.
type Picked struct {
	Entry journal.Entry       `json:"entry"`
	Left  *view.AllowanceView `json:"left,omitempty" doc:"What may still be taken today"`
}

// NotePicking notes what was taken of a planting.
func (u *Uses) NotePicking(ctx context.Context, plantingID int64, in PickingInput) (Picked, error) {
	sent, err := journal.SentAs(in.ClientKey, "picking", plantingID, in)
	if err != nil {
		return Picked{}, err
	}
	entry, err := u.plot.ChangeOnce(ctx, sent, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, plantingID)
		if err != nil {
			return journal.Record{}, err
		}
		if in.SpeciesID != "" {
			if err := (view.Sight{SpeciesID: in.SpeciesID}).IsOf(u.plot, p.Rules, nil); err != nil {
				return journal.Record{}, err
			}
		}
		row, rule, weighed, err := readPicking(s, p, in)
		if err != nil {
			return journal.Record{}, err
		}
		if weighed != nil {
			if _, err := plot.MeasuresTable.Put(ctx, d, 0, *weighed); err != nil {
				return journal.Record{}, err
			}
		}
		if _, err := pickingsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		summary := fmt.Sprintf(
			"%s %s, %s, of %s in %s",
			took[rule.Verb],
			say.Counted(row.Units, rule.One, rule.Many),
			s.Units.Weight(row.Grams),
			say.PartOf(p.Species.Names.Name, row.Part),
			p.Bed.Name,
		)
		if row.CrownsBack > 0 {
			summary += ", the crowns put back"
		}
		return journal.Record{Kind: "picking", Summary: summary, Bed: &p.BedID, Planting: &p.ID}, nil
	})
	if err != nil {
		return Picked{}, err
	}
	s, err := u.plot.State(ctx)
	if err != nil {
		return Picked{}, err
	}
	picked := Picked{Entry: entry}
	if p, has := s.ByID[plantingID]; has {
		if part, has := p.Species.Part(in.Part); has && part.Harvest != nil {
			left, _ := view.Allowance(s, p, part, s.Today)
			picked.Left = &left
		}
	}
	return picked, nil
}

// longestWords is how long the few words on a picking may be.
const longestWords = 120

var took = map[string]string{"Cut": "Cut", "Pick": "Picked", "Lift": "Lifted", "Snip": "Snipped"}

func readPicking(
	s *plot.State,
	p *plot.Planting,
	in PickingInput,
) (row store.PutPickingParams, rule *flora.HarvestRule, weighed *store.PutMeasureParams, err error) {
	var c say.Checklist
	row = store.PutPickingParams{
		PlantingID: p.ID,
		Part:       in.Part,
		Note:       c.Text("note", in.Note, say.LongestNote),
		WhereOn:    c.Text("where", in.Where, longestWords),
		LeftWords:  c.Text("left", in.Left, longestWords),
		Weather:    c.Text("weather", in.Weather, longestWords),
		ClientKey:  say.ReadClientKey(in.ClientKey),
		NotedAfter: s.LastEntry,
	}
	day := input.ReadPastDay(s, &c, p, in.Day)
	row.Day = day.String()
	part, has := p.Species.Part(in.Part)
	switch {
	case !has:
		c.Add("part", "%s has no part called %q.", say.Capital(p.Species.Names.Name), in.Part)
	case part.Harvest == nil:
		c.Add("part", "The %s of %s is not used.", part.Name, p.Species.Names.Name)
	default:
		if r := harvest.MayUse(p.Species, part, p.IdentityState, p.Ground); r != nil {
			c.Add("part", "%s", view.ViewRefusal(p, part, r).Why)
		}
	}
	if err := c.Err(); err != nil {
		return row, nil, nil, err
	}
	rule = part.Harvest
	gramsEach := harvest.GramsEach(
		rule,
		s.SizeShare(p, s.YearOfLife(p, calendar.SeasonOf(s.Site.Latitude, day)), rule, day),
	)
	amount := input.ReadAmount(s, &c, p.Species, part, in.Amount, in.MeasureWeighs, gramsEach)
	row.Units, row.Grams = amount.Units, amount.Grams
	if in.CrownsBack {
		if !harvest.LeavesCrowns(p.Species, rule) {
			c.Add(
				"crownsBack",
				"%s has no crown that grows on when its %s is lifted.",
				say.Capital(p.Species.Names.Name),
				part.Name,
			)
		}
		row.CrownsBack = row.Units
	}
	if err := c.Err(); err != nil {
		return row, nil, nil, err
	}
	judgeAmount(s, &c, p, part, day, in.TookAnyway, &row)
	return row, rule, amount.Weighed, c.Err()
}

// judgeAmount refuses what the planting cannot have yielded, and asks back
// before noting more than the allowance.
func judgeAmount(
	s *plot.State,
	c *say.Checklist,
	p *plot.Planting,
	part flora.Part,
	day calendar.Date,
	tookAnyway bool,
	row *store.PutPickingParams,
) {
	rule := part.Harvest
	const mostOfFull = 3 // a good year's plants, and a generous hand
	most := float64(p.Plants) * rule.PerPlant.High * mostOfFull
	if rule.TakesPlant {
		most = float64(p.Standing())
	}
	if row.Units > most {
		c.Add(
			"amount",
			"%s is more than the %s here can have borne (%s at most).",
			say.Capital(
				say.Counted(row.Units, rule.One, rule.Many),
			),
			say.Counted(float64(p.Standing()), "plant", "plants"),
			say.Number(most),
		)
		return
	}
	if !s.Season.Contains(day) {
		// An earlier season's allowance is no longer known; the note stands as
		// the grower's word.
		return
	}
	view, a := view.Allowance(s, p, part, day)
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
		c.Ask(
			"amount",
			overdrawn,
			nil,
			"Nothing may be taken on this day: %s If you took it all the same, say so, and it is noted.",
			view.Refusal.Why,
		)
	case allowed == 0:
		c.Ask(
			"amount",
			overdrawn,
			nil,
			"Nothing more may be taken now. If you took it all the same, say so, and it is noted.",
		)
	default:
		c.Ask(
			"amount",
			overdrawn,
			nil,
			"This is more than the allowance of %s. If you took it all the same, say so, and it is noted.",
			say.Counted(allowed, rule.One, rule.Many),
		)
	}
}
