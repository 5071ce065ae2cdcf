package larder

import (
	"context"
	"fmt"
	"strings"

	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

func jarParams(jar store.Jar) store.PutJarParams {
	return store.PutJarParams{
		ID: &jar.ID, ShelfID: jar.ShelfID, Vessel: jar.Vessel, Ml: jar.Ml, Name: jar.Name, OpenedOn: jar.OpenedOn,
		EndedOn: jar.EndedOn, Note: jar.Note,
	}
}

// JarWeighInput is what a jar is found to hold.
type JarWeighInput struct {
	Amount   string   `json:"amount" doc:"What is in it, without the jar, as typed"`
	Affirmed []string `json:"affirmed,omitempty"`
}

// WeighJar notes what a jar is found to hold: more or less than was reckoned.
func (u *Uses) WeighJar(ctx context.Context, jar int64, in JarWeighInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		h, err := standingJar(s, jar)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		var grams float64
		if h.lot.Density > 0 {
			grams, err = readLiquid(s, in.Amount, h.lot.Density)
		} else {
			grams, err = unit.Parse(unit.Mass, in.Amount, s.Units.MassUnit())
		}
		switch {
		case err != nil:
			c.AddError("amount", err)
		case !(grams >= 0) || grams > input.MostNeedGrams:
			c.Add("amount", "A jar holds nothing or more.")
		default:
			checkFits(s, &c, "amount", h.jar, h.stuff, grams)
			const more = 1.1
			if grams > h.grams*more+2 {
				c.Ask(
					"amount",
					"more",
					in.Affirmed,
					"That is %s more than was in it by what was noted. Is it weighed without the jar?",
					amount(s, grams-h.grams, h.lot.Density),
				)
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		row := store.PutJarFlowParams{
			JarID: jar, Day: s.Today.String(), Kind: flowWeighed, Grams: grams - h.grams, Typed: strings.TrimSpace(in.Amount),
		}
		if _, err := plot.JarFlowsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		if grams < leastGrams {
			ended := jarParams(h.jar)
			ended.EndedOn = &row.Day
			if _, err := plot.JarsTable.Put(ctx, d, jar, ended); err != nil {
				return journal.Record{}, err
			}
		}
		return journal.Record{
			Kind: kindStore,
			Summary: fmt.Sprintf("Weighed the jar of %s: %s, by what was noted %s", h.name(),
				amount(s, grams, h.lot.Density), amount(s, h.grams, h.lot.Density)),
		}, nil
	})
}

// MoveJarInput is where a jar stands.
type MoveJarInput struct {
	ShelfID int64 `json:"shelfId" doc:"0 for no shelf"`
}

// MoveJar puts a jar on another shelf.
func (u *Uses) MoveJar(ctx context.Context, id int64, in MoveJarInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		h, err := standingJar(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		row, to := jarParams(h.jar), "no shelf"
		row.ShelfID = nil
		if in.ShelfID != 0 {
			shelf, has := shelfByID(s, in.ShelfID)
			if !has {
				return journal.Record{}, say.NotFoundError{What: "shelf"}
			}
			row.ShelfID, to = &shelf.ID, shelf.Name
		}
		_, err = plot.JarsTable.Put(ctx, d, id, row)
		return journal.Record{Kind: kindStore, Summary: "Moved " + h.name() + " to " + to}, err
	})
}

// OpenJar notes that a jar was opened.
func (u *Uses) OpenJar(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		h, err := standingJar(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if h.jar.OpenedOn != nil {
			return journal.Record{}, say.ConflictError{Why: "It is open since " + dayMonthYear(*h.jar.OpenedOn) + "."}
		}
		row, today := jarParams(h.jar), s.Today.String()
		row.OpenedOn = &today
		_, err = plot.JarsTable.Put(ctx, d, id, row)
		return journal.Record{Kind: kindStore, Summary: "Opened " + h.name()}, err
	})
}
