package larder

import (
	"context"
	"fmt"
	"strconv"
	"strings"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// BoughtInput is what was bought, ready to keep, in its jar.
type BoughtInput struct {
	SpeciesID string `json:"speciesId"`
	Part      string `json:"part"`
	// Making is what it is: dried, or something made.
	Making string    `json:"making,omitempty" doc:"dried where it is left out"`
	From   string    `json:"from" doc:"Where it was bought"`
	Day    string    `json:"day,omitempty" doc:"Empty for today"`
	Keeps  string    `json:"keeps,omitempty" doc:"How many months it keeps; empty for what is usual"`
	Amount string    `json:"amount" doc:"As typed"`
	Jar    FillInput `json:"jar"`
	Note   string    `json:"note,omitempty"`
}

// mostKeepsMonths is how long anything keeps.
const mostKeepsMonths = 240

// Buy notes what was bought: it stands beside the own until the own replaces it.
func (u *Uses) Buy(ctx context.Context, in BoughtInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		species, has := s.Lib.Species(in.SpeciesID)
		if !has {
			c.Add("speciesId", "Choose the plant that it is of.")
			return journal.Record{}, c.Err()
		}
		part, has := species.Part(in.Part)
		if !has {
			c.Add("part", "%s has no part called %q.", say.Capital(species.Names.Name), in.Part)
			return journal.Record{}, c.Err()
		}
		if in.Making == "" {
			in.Making = makingDried
		}
		making, known := s.Lib.Keeping().Making(in.Making)
		if !known || in.Making == makingMix {
			c.Add("making", "Choose what it is.")
		}
		if !mayBeUsed(part) || making.Word != "" && !part.MayMake(making.Word) {
			c.Add("part", "%s may not be kept as this, by what is known of it: %s.",
				say.Capital(say.PartOf(species.Names.Name, part.Name)), mayWords(part))
		}
		row := store.PutLotParams{
			Making: in.Making, SpeciesID: species.ID, Part: part.Name, BoughtFrom: c.Name("from", in.From),
			Note: c.Text("note", in.Note, say.LongestNote), KeepsMonths: readKeeps(&c, in.Keeps, keepsMonths(s, part)),
			Cautions: toldCautions([]partOf{{species, part.Name}}, making),
		}
		if liquid, wet := s.Lib.Keeping().Liquid(making.Liquid); wet {
			row.Density = liquid.Weight.Value
		}
		if making.Keeps != nil && strings.TrimSpace(in.Keeps) == "" {
			row.KeepsMonths = making.Keeps.Value
		}
		if row.BoughtFrom == "" {
			c.Add("from", "Say where it was bought.")
		}
		day := s.Today
		if in.Day != "" {
			day = input.ReadDayWithin(s, &c, "day", in.Day, 366*mostYearsAgo)
		}
		grams := readBought(s, &c, in.Amount, row.Density)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		at := plot.MomentText(day.Time().Add(pickedHour * time.Hour))
		row.BegunAt, row.EndedAt, row.Grams = at, &at, &grams
		lot, err := begin(ctx, s, d, row, []flow{{side: sideAdded, name: "bought: " + row.BoughtFrom, grams: grams}}, 0)
		if err != nil {
			return journal.Record{}, err
		}
		st := stuffOf(s, lot)
		in.Jar.JarID, in.Jar.Amount = 0, ""
		var jar store.Jar
		readVessel(s, &c, "jar.", in.Jar, st, &jar)
		checkFits(s, &c, "amount", jar, st, grams)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if err := putFilled(ctx, d, jar, day, lot.ID, grams, in.Amount); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind:    kindStore,
			Summary: fmt.Sprintf("Bought %s of %s from %s", amount(s, grams, row.Density), st.name(), row.BoughtFrom),
		}, nil
	})
}

// putFilled writes a new jar with what is filled into it.
func putFilled(
	ctx context.Context, d *journal.Draft, jar store.Jar, day calendar.Date, lot int64, grams float64, typed string,
) error {
	written, err := plot.JarsTable.Put(ctx, d, 0, store.PutJarParams{
		ShelfID: jar.ShelfID, Vessel: jar.Vessel, Ml: jar.Ml, Name: jar.Name,
	})
	if err != nil {
		return err
	}
	_, err = plot.JarFlowsTable.Put(ctx, d, 0, store.PutJarFlowParams{
		JarID: written.ID, Day: day.String(), Kind: flowFilled, Grams: grams, LotID: &lot, Typed: strings.TrimSpace(typed),
	})
	return err
}

func readBought(s *plot.State, c *say.Checklist, text string, density float64) (grams float64) {
	var err error
	if density > 0 {
		grams, err = readLiquid(s, text, density)
	} else {
		grams, err = unit.Parse(unit.Mass, strings.TrimSuffix(strings.ToLower(strings.TrimSpace(text)), " dried"),
			s.Units.MassUnit())
	}
	switch {
	case err != nil:
		c.AddError("amount", err)
	case !(grams >= leastGrams && grams <= input.MostNeedGrams):
		c.Add("amount", "An amount must be above nothing, and no more than a tonne.")
	}
	return grams
}

// readKeeps reads for how many months something keeps.
func readKeeps(c *say.Checklist, text string, usual float64) float64 {
	text = strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(text), "months"))
	if text == "" {
		return usual
	}
	months, err := strconv.ParseFloat(text, 64)
	if err != nil || !(months > 0 && months <= mostKeepsMonths) {
		c.Add("keeps", "Say how many months it keeps: above 0, and no more than %d.", mostKeepsMonths)
		return usual
	}
	return months
}
