package larder

import (
	"context"
	"fmt"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// takeFrom writes what leaves a jar: it is opened with the first, and ends with the last.
func takeFrom(
	ctx context.Context, s *plot.State, d *journal.Draft, h holding, row store.PutJarFlowParams,
) (store.JarFlow, error) {
	row.JarID = h.jar.ID
	if h.grams+row.Grams < leastGrams {
		row.Grams = -h.grams // no crumb is left over of a rounding
	}
	out, err := plot.JarFlowsTable.Put(ctx, d, 0, row)
	if err != nil {
		return out, err
	}
	jar := jarParams(h.jar)
	switch {
	case h.grams+row.Grams < leastGrams:
		jar.EndedOn = &row.Day
	case h.jar.OpenedOn == nil:
		jar.OpenedOn = &row.Day
	default:
		return out, nil
	}
	_, err = plot.JarsTable.Put(ctx, d, h.jar.ID, jar)
	return out, err
}

// TakeInput is what is taken out of a jar, and what for.
type TakeInput struct {
	Amount string `json:"amount,omitempty" doc:"As typed: a cup, 2 spoons, 15 g; empty for all of it"`
	Kind   string `json:"kind" enum:"taken,given,thrown"`
	Day    string `json:"day,omitempty" doc:"Empty for today"`
	Whom   string `json:"whom,omitempty" doc:"To whom it was given"`
	Why    string `json:"why,omitempty" doc:"Why it was thrown out"`
	// MeasureWeighs is what one of the measure in the amount weighs, where it was asked.
	MeasureWeighs string `json:"measureWeighs,omitempty" doc:"What one cup or spoon weighs, as typed; kept"`
}

// takenWords is how each kind is said of what was taken.
var takenWords = map[string]string{flowTaken: "Took", flowGiven: "Gave away", flowThrown: "Threw out"}

// Take takes something out of a jar: used, given away or thrown out. What is held back may be thrown out alone.
func (u *Uses) Take(ctx context.Context, jar int64, in TakeInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		h, err := standingJar(s, jar)
		if err != nil {
			return journal.Record{}, err
		}
		if why := heldOf(s).whyJar(h); why != "" && in.Kind != flowThrown {
			return journal.Record{}, say.ConflictError{Why: "Nothing is taken of it: it is held back. " + why}
		}
		var c say.Checklist
		row := store.PutJarFlowParams{Kind: in.Kind, Day: s.Today.String(), Typed: strings.TrimSpace(in.Amount)}
		if _, known := takenWords[in.Kind]; !known {
			c.Add("kind", "It was used, given away or thrown out.")
		}
		if in.Day != "" {
			row.Day = input.ReadDayWithin(s, &c, "day", in.Day, 366*mostYearsAgo).String()
		}
		if filled := s.FlowsOfJar(jar)[0].Day; c.Err() == nil && row.Day < filled {
			c.Add("day", "The jar was only filled on %s.", dayMonthYear(filled))
		}
		row.Whom, row.Why = c.Name("whom", in.Whom), c.Text("why", in.Why, say.LongestNote)
		switch {
		case in.Kind == flowGiven && row.Whom == "":
			c.Add("whom", "Say to whom: they are told if something is wrong with it later.")
		case in.Kind == flowThrown && row.Why == "":
			c.Add("why", "Say why: stale, damp, mouldy, too old.")
		}
		grams, weighed := readJarAmount(s, &c, "amount", h, in.Amount, in.MeasureWeighs, 0)
		row.Grams = -grams
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if weighed != nil {
			if _, err := plot.MeasuresTable.Put(ctx, d, 0, *weighed); err != nil {
				return journal.Record{}, err
			}
		}
		if _, err := takeFrom(ctx, s, d, h, row); err != nil {
			return journal.Record{}, err
		}
		words := fmt.Sprintf("%s %s of %s", takenWords[in.Kind], amount(s, grams, h.lot.Density), h.name())
		switch in.Kind {
		case flowGiven:
			words += " to " + row.Whom
		case flowThrown:
			words += ": " + row.Why
		}
		return journal.Record{Kind: kindStore, Summary: words}, nil
	})
}

func dayMonthYear(text string) string {
	day, err := calendar.Parse(text)
	if err != nil {
		return text
	}
	return day.DayMonthYear()
}
