package larder

import (
	"context"
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/station"
	"bramblyacre/store"
)

// WeighingInput is what a tray weighs now.
type WeighingInput struct {
	At     string `json:"at,omitempty" doc:"Day and time; empty for now"`
	Amount string `json:"amount" doc:"Without the tray, as typed"`
	// Simulated is true where the drier's scale told it.
	Simulated bool `json:"simulated,omitempty" doc:"Read off the simulated scale"`
}

// dryingLot is a lot that dries.
func dryingLot(s *plot.State, id int64) (tray, error) {
	st, err := underWay(s, id)
	if err != nil {
		return tray{}, err
	}
	if st.lot.Making != makingDried {
		return tray{}, say.ConflictError{Why: say.Capital(st.name()) + " is not in the drier."}
	}
	return trayOf(s, st.lot), nil
}

// WeighTray notes what a tray weighs now: its finish is told anew by it.
func (u *Uses) WeighTray(ctx context.Context, lot int64, in WeighingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		t, err := dryingLot(s, lot)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		at := readMoment(&c, "at", in.At, u.plot.Moment())
		if at.Before(t.loaded) {
			c.Add("at", "It was only laid in at %s.", momentWords(u.plot.Moment(), t.loaded))
		}
		grams, err := unit.Parse(unit.Mass, in.Amount, s.Units.MassUnit())
		switch {
		case err != nil:
			c.AddError("amount", err)
		case !(grams > 0):
			c.Add("amount", "A tray with something on it weighs more than nothing.")
		case grams > t.fresh*scaleError:
			c.Add("amount", "It was %s when it was laid in: it does not get heavier. Weigh it without the tray.",
				amount(s, t.fresh, 0))
		}
		for _, w := range s.WeightsOfLot(lot) {
			if w.At == plot.MomentText(at) {
				c.Add("at", "It was weighed at this minute already.")
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		row := store.PutTrayWeightParams{LotID: lot, At: plot.MomentText(at), Grams: grams, Source: "by hand"}
		if in.Simulated {
			row.Source = "simulated scale"
		}
		_, err = plot.TrayWeightsTable.Put(ctx, d, 0, row)
		return journal.Record{
			Kind:    kindStore,
			Summary: fmt.Sprintf("Weighed %s in the drier: %s", t.name(), amount(s, grams, 0)),
		}, err
	})
}

// ScaleView is what the drier's scale reads of a tray now.
type ScaleView struct {
	Source    string `json:"source"`
	Simulated bool   `json:"simulated"`
	Amount    string `json:"amount" doc:"As it may be typed"`
	At        string `json:"at"`
}

// scale is the drier's scale: a stand-in, which reckons by what is known of a part before it is weighed.
func scaleOf(s *plot.State) station.TrayScale {
	return station.NewSimulatedTrayScale(uint64(s.Site.WeatherSeed), func(id int64, hours float64) (float64, error) {
		t, err := dryingLot(s, id)
		if err != nil {
			return 0, err
		}
		if !t.known {
			return t.fresh, nil
		}
		t.weights = nil
		t = trayOf(s, t.lot)
		return t.forecast.GramsAfter(hours), nil
	})
}

// ReadScale reads a tray off the drier's scale.
func (u *Uses) ReadScale(ctx context.Context, lot int64) (ScaleView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return ScaleView{}, err
	}
	t, err := dryingLot(s, lot)
	if err != nil {
		return ScaleView{}, err
	}
	now, scale := u.plot.Moment(), scaleOf(s)
	grams, err := scale.Grams(lot, t.hoursSince(now))
	if err != nil {
		return ScaleView{}, err
	}
	return ScaleView{
		Source: scale.Name(), Simulated: scale.Simulated(), At: plot.MomentText(now),
		Amount: amount(s, math.Min(grams, t.fresh), 0),
	}, nil
}

// MoveDryingInput moves what lies on a tray to another, or a part of it.
type MoveDryingInput struct {
	Tray int64 `json:"tray" minimum:"1"`
	// Share is how much of it, as a share; all where nothing is said.
	Percent int `json:"percent,omitempty" minimum:"0" maximum:"99" doc:"How much of it in percent; 0 for all"`
}

// MoveTray moves what dries late apart, or all of it to another tray.
func (u *Uses) MoveTray(ctx context.Context, lot int64, in MoveDryingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		t, err := dryingLot(s, lot)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		checkTray(s, &c, "tray", in.Tray)
		if in.Percent < 0 || in.Percent > 99 {
			c.Add("percent", "A part of it is from 1 to 99 %%; leave it out for all of it.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if in.Percent == 0 {
			row := lotParams(t.lot)
			row.Tray = &in.Tray
			_, err := plot.LotsTable.Put(ctx, d, lot, row)
			return journal.Record{
				Kind: kindStore, Summary: fmt.Sprintf("Moved %s from tray %d to tray %d", t.name(), t.number, in.Tray),
			}, err
		}
		return journal.Record{
			Kind:    kindStore,
			Summary: fmt.Sprintf("Moved %d %% of %s apart, to tray %d", in.Percent, t.name(), in.Tray),
		}, splitTray(ctx, s, d, t, in.Tray, float64(in.Percent)/100)
	})
}

// splitTray moves a share of what dries to a tray of its own, with its share of what went in and of what was weighed:
// it is a lot of its own from then on.
func splitTray(ctx context.Context, s *plot.State, d *journal.Draft, t tray, to int64, share float64) error {
	row := lotParams(t.lot)
	row.ID, row.Tray = nil, &to
	var moved []flow
	for _, f := range s.FlowsOfLot(t.lot.ID) {
		part := flow{side: f.Side, name: f.Name, grams: f.Grams * share}
		if f.PickingID != nil {
			part.picking = *f.PickingID
		}
		if f.JarFlowID != nil {
			part.jarFlow = *f.JarFlowID
		}
		moved = append(moved, part)
		left := store.PutLotFlowParams{
			ID: &f.ID, LotID: f.LotID, Side: f.Side, Name: f.Name, PickingID: f.PickingID, JarFlowID: f.JarFlowID,
			Grams: f.Grams * (1 - share),
		}
		if _, err := plot.LotFlowsTable.Put(ctx, d, f.ID, left); err != nil {
			return err
		}
	}
	apart, err := begin(ctx, s, d, row, moved, 0)
	if err != nil {
		return err
	}
	for _, w := range s.WeightsOfLot(t.lot.ID) {
		stays := store.PutTrayWeightParams{
			ID:     &w.ID,
			LotID:  w.LotID,
			At:     w.At,
			Grams:  w.Grams * (1 - share),
			Source: w.Source,
		}
		if _, err := plot.TrayWeightsTable.Put(ctx, d, w.ID, stays); err != nil {
			return err
		}
		goes := store.PutTrayWeightParams{LotID: apart.ID, At: w.At, Grams: w.Grams * share, Source: w.Source}
		if _, err := plot.TrayWeightsTable.Put(ctx, d, 0, goes); err != nil {
			return err
		}
	}
	return nil
}

// FinishTrayInput is a tray that is taken out dry.
type FinishTrayInput struct {
	At     string `json:"at,omitempty" doc:"Day and time; empty for now"`
	Amount string `json:"amount" doc:"What it weighs, dry, as typed"`
	Tested bool   `json:"tested" doc:"It passed the test in the hand"`
	Note   string `json:"note,omitempty"`
	// Affirmed are the questions that were answered with yes.
	Affirmed []string `json:"affirmed,omitempty"`
}

// FinishTray takes a tray out of the drier once the test in the hand says that it is dry.
func (u *Uses) FinishTray(ctx context.Context, lot int64, in FinishTrayInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		t, err := dryingLot(s, lot)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		at := readMoment(&c, "at", in.At, u.plot.Moment())
		if at.Before(t.loaded) {
			c.Add("at", "It was only laid in at %s.", momentWords(u.plot.Moment(), t.loaded))
		}
		grams, err := unit.Parse(unit.Mass, in.Amount, s.Units.MassUnit())
		if err != nil {
			c.AddError("amount", err)
		} else {
			checkDry(s, &c, t, grams, in.Affirmed)
		}
		if !in.Tested {
			c.Add("tested", "Test it in the hand first: %s It ends the drying, not the clock.", testWords(t))
		}
		t.lot.Note = strings.TrimSpace(t.lot.Note + "\n" + c.Text("note", in.Note, say.LongestNote))
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindStore,
			Summary: fmt.Sprintf("Took %s out of the drier: %s of %s", t.name(), amount(s, grams, 0),
				amount(s, t.fresh, 0)),
		}, end(ctx, s, d, t.lot, at, grams, "water gone")
	})
}

// checkDry refuses a dried weight that cannot be, and asks about one that is not dry or hardly anything.
func checkDry(s *plot.State, c *say.Checklist, t tray, grams float64, affirmed []string) {
	switch {
	case !(grams > 0):
		c.Add("amount", "What is dried weighs something. If it spoilt, throw it out.")
		return
	case grams > t.fresh:
		c.Add("amount", "It was %s fresh: dried it cannot weigh more. Weigh it without the tray.", amount(s, t.fresh, 0))
		return
	}
	for _, w := range t.weights {
		if grams > w.Grams*scaleError {
			c.Add("amount", "It weighed %s in the drier: it cannot weigh more now.", amount(s, w.Grams, 0))
			return
		}
	}
	if !t.one || t.part.Keep.Water == nil {
		return
	}
	water := t.part.Keep.Water
	const damp, thin = 0.2, 0.5
	// At the least water that it may have held fresh, it holds more than a fifth still.
	if driest := t.fresh * (1 - water.Low) / (1 - damp); grams > driest {
		held := 1 - t.fresh*(1-water.Value)/grams
		c.Ask("amount", "damp", affirmed,
			"By this weight about %.0f %% of it is water still, and it moulds in a jar. Is it dry all the same?", 100*held)
	}
	if solid := t.fresh * (1 - water.High); grams < thin*solid {
		c.Ask("amount", "light", affirmed, "That is very little of %s. Was some of it lost, or eaten?", amount(s, t.fresh, 0))
	}
}

// testWords are the test in the hand.
func testWords(t tray) string {
	if t.part.Keep.Done != "" {
		return t.part.Keep.Done
	}
	return "Stalks snap, leaves crumble, seeds rattle."
}

// DiscardInput says why a lot that is under way was thrown out.
type DiscardInput struct {
	Why string `json:"why"`
}

// DiscardLot throws out what is under way, or what of a lot is not in a jar: it moulded, was forgotten, fell, or was a
// crumb left over.
func (u *Uses) DiscardLot(ctx context.Context, lot int64, in DiscardInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, has := s.LotByID(lot)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "lot"}
		}
		if !isLeft(s, row) {
			return journal.Record{}, say.ConflictError{Why: "Nothing is left of this lot: it is in its jars. Throw those out."}
		}
		var c say.Checklist
		why := c.Text("why", in.Why, say.LongestNote)
		if why == "" {
			c.Add("why", "Say why, so that it goes better next time: mouldy, too long, dropped.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		at := u.plot.Moment()
		if row.EndedAt != nil {
			at, _ = plot.ParseMoment(*row.EndedAt)
		}
		return journal.Record{Kind: kindStore, Summary: "Threw out " + stuffOf(s, row).name() + ": " + why},
			end(ctx, s, d, row, at, s.FilledOf(lot), "thrown out: "+why)
	})
}
