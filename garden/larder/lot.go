package larder

import (
	"context"
	"fmt"
	"math"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// flow is what goes into a lot, is added to it or lost.
type flow struct {
	side, name string
	picking    int64
	jarFlow    int64
	grams      float64
}

// begin writes a new lot with what goes into it. Its number is the next of its year, after those that the same entry
// writes ahead of it.
func begin(
	ctx context.Context, s *plot.State, d *journal.Draft, row store.PutLotParams, flows []flow, ahead int,
) (store.Lot, error) {
	year, err := calendar.Parse(row.BegunAt[:len("2031-05-27")])
	if err != nil {
		return store.Lot{}, err
	}
	newest := int64(0)
	for _, lot := range plot.Lots.Of(s) {
		if lot.Year == int64(year.Year()) {
			newest = max(newest, lot.Number)
		}
	}
	row.Year, row.Number = int64(year.Year()), newest+1+int64(ahead)
	lot, err := plot.LotsTable.Put(ctx, d, 0, row)
	if err != nil {
		return lot, err
	}
	return lot, putFlows(ctx, d, lot.ID, flows)
}

func putFlows(ctx context.Context, d *journal.Draft, lot int64, flows []flow) error {
	for _, f := range flows {
		row := store.PutLotFlowParams{LotID: lot, Side: f.side, Name: f.name, Grams: f.grams}
		if f.picking != 0 {
			row.PickingID = &f.picking
		}
		if f.jarFlow != 0 {
			row.JarFlowID = &f.jarFlow
		}
		if _, err := plot.LotFlowsTable.Put(ctx, d, 0, row); err != nil {
			return err
		}
	}
	return nil
}

// lotParams are a lot as it is written whole.
func lotParams(lot store.Lot) store.PutLotParams {
	return store.PutLotParams{
		ID: &lot.ID, Year: lot.Year, Number: lot.Number, Making: lot.Making, SpeciesID: lot.SpeciesID, Part: lot.Part,
		Name: lot.Name, RecipeID: lot.RecipeID, Fresh: lot.Fresh, BegunAt: lot.BegunAt, EndedAt: lot.EndedAt, Tray: lot.Tray,
		Days: lot.Days, Grams: lot.Grams, Density: lot.Density, KeepsMonths: lot.KeepsMonths, Strength: lot.Strength,
		BoughtFrom: lot.BoughtFrom, Cautions: lot.Cautions, Note: lot.Note, Celsius: lot.Celsius, MovingAir: lot.MovingAir,
	}
}

// underWay is a lot that is not done yet.
func underWay(s *plot.State, id int64) (stuff, error) {
	lot, has := s.LotByID(id)
	if !has {
		return stuff{}, say.NotFoundError{What: "lot"}
	}
	st := stuffOf(s, lot)
	if lot.EndedAt != nil {
		return st, say.ConflictError{Why: say.Capital(st.name()) + " is done already: lot " + lotLabel(lot) + "."}
	}
	return st, nil
}

// end writes that a lot is done: what it weighs, and what was lost on the way by name, so that what went in is what
// came out and what was lost.
func end(
	ctx context.Context, s *plot.State, d *journal.Draft, lot store.Lot, at time.Time, grams float64, lost string,
) error {
	in := 0.0
	for _, f := range s.FlowsOfLot(lot.ID) {
		if f.Side == sideLoss {
			in -= f.Grams
		} else {
			in += f.Grams
		}
	}
	return endOf(ctx, d, lot, at, grams, in, lost)
}

// endOf is end for a lot into which so much went.
func endOf(
	ctx context.Context, d *journal.Draft, lot store.Lot, at time.Time, grams, in float64, lost string,
) error {
	// A balance to a hundredth of a gram: less than any kitchen scale tells.
	const balance = 0.005
	row := lotParams(lot)
	text := plot.MomentText(at)
	row.EndedAt, row.Grams, row.Tray = &text, &grams, nil
	if _, err := plot.LotsTable.Put(ctx, d, lot.ID, row); err != nil {
		return err
	}
	switch missing := in - grams; {
	case missing > balance:
		return putFlows(ctx, d, lot.ID, []flow{{side: sideLoss, name: lost, grams: missing}})
	case missing < -balance:
		return putFlows(ctx, d, lot.ID, []flow{{side: sideAdded, name: gained, grams: -missing}})
	}
	return nil
}

// gained is what a lot weighs more than what went in: what blanching soaked in, or what a scale and a measuring jug do
// not agree on.
const gained = "water taken up, or measured otherwise"

// readMoment reads a moment that has come: empty for now.
func readMoment(c *say.Checklist, field, text string, now time.Time) time.Time {
	if text == "" {
		return now
	}
	at, err := plot.ParseMoment(text)
	switch endOfToday := now.Truncate(24 * time.Hour).Add(24 * time.Hour); {
	case err != nil:
		c.Add(field, "This is no day and time. Type one like 2031-05-27T08:30.")
		return now
	case !at.Before(endOfToday):
		c.Add(field, "This has not come yet.")
	case at.Before(now.AddDate(-mostYearsAgo, 0, 0)):
		c.Add(field, "This is too long ago.")
	}
	return at
}

// mostYearsAgo is how long ago something in the larder can have been made.
const mostYearsAgo = 30

// momentWords say when something is, as seen from now: "15:30", "Wednesday 9:00", "3 June 9:00".
func momentWords(now, at time.Time) string {
	at = at.Round(30 * time.Minute)
	clock := at.Format("15:04")
	if at.Hour() < 10 {
		clock = clock[1:]
	}
	days := int(math.Round(at.Truncate(24*time.Hour).Sub(now.Truncate(24*time.Hour)).Hours() / 24))
	switch {
	case days == 0:
		return "today " + clock
	case days > 0 && days < 7:
		return at.Weekday().String() + " " + clock
	}
	return calendar.OfTime(at).DayMonth() + ", " + clock
}

// spanWords say from when to when: "today 15:30–17:30", "Wednesday 22:00 – Thursday 2:30".
func spanWords(now, from, to time.Time) string {
	first, last := momentWords(now, from), momentWords(now, to)
	if first == last {
		return first
	}
	day := func(words string) int {
		at := len(words)
		for at > 0 && words[at-1] != ' ' {
			at--
		}
		return at
	}
	if i := day(first); first[:i] == last[:day(last)] {
		return fmt.Sprintf("%s–%s", first, last[i:])
	}
	return first + " – " + last
}
