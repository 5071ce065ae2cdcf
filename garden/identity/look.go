package identity

import (
	"context"
	"encoding/json"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spelling"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// LookInput is one visit's answers to the check.
type LookInput struct {
	Day string `json:"day" doc:"Today, or of one that a device kept the day on which it was made"`
	// Kept is true for a look that a device kept out of reach of the network.
	Kept bool   `json:"kept,omitempty" doc:"A device kept it without a network until now"`
	By   string `json:"by" doc:"Who looked"`
	// Answers are seen, not seen or cannot tell, by character.
	Answers map[string]string `json:"answers"`
	view.Sight
	Photos []string `json:"photos,omitempty" doc:"Of photographs kept before"`
	Note   string   `json:"note,omitempty"`
	// ClientKey makes a look that is sent twice, as after a lost connection, count once.
	ClientKey string `json:"clientKey,omitempty"`
}

// sending is how a look at something was sent. That a device kept it changes nothing of it.
func (in LookInput) sending(kind string, id int64) (journal.Sending, error) {
	content := in
	content.Kept = false
	return journal.SentAs(in.ClientKey, kind, id, content)
}

// NoteLook notes a look at a planting's characters.
func (u *Uses) NoteLook(ctx context.Context, plantingID int64, in LookInput) (journal.Entry, error) {
	sent, err := in.sending("look", plantingID)
	if err != nil {
		return journal.Entry{}, err
	}
	return u.plot.ChangeOnce(ctx, sent, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, plantingID)
		if err != nil {
			return journal.Record{}, err
		}
		if err := in.Sight.IsOf(u.plot, p.Rules, in.Answers); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		day := readLookDay(s, &c, in)
		if day < p.Started {
			c.Add("day", "The planting only began on %s.", p.Started.DayMonthYear())
		}
		forecast, _ := s.ForecastOn(p, day)
		row, err := readLook(ctx, s, d, &c, p.Rules, forecast, day, in)
		if err != nil {
			return journal.Record{}, err
		}
		row.PlantingID = &plantingID
		if _, err := LooksTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		after := p.Rules.Judge(append(plot.AsCore(s.Looks[plantingID]), coreLook(day, in)), p.Labelled())
		return journal.Record{
			Kind:     "check",
			Summary:  lookSummary(p.Species.Names.Name, p.Bed.Name, p.IdentityState, after.State, len(in.Answers)),
			Bed:      &p.BedID,
			Planting: &p.ID,
		}, nil
	})
}

// lookSummary is the ledger's line for a look.
func lookSummary(name, where string, before, after identity.State, answers int) string {
	summary := fmt.Sprintf("Checked %s in %s: %s", name, where, say.Counted(float64(answers), "character", "characters"))
	switch {
	case after == identity.Excluded && before != identity.Excluded:
		summary += "; it is something else, and nothing of it is for use"
	case after == identity.Sure && before != identity.Sure:
		summary += "; sure"
	case after != before:
		summary += "; " + string(after)
	}
	return summary
}

func coreLook(day calendar.Date, in LookInput) identity.Look {
	l := identity.Look{Day: day, By: in.By, Answers: map[string]identity.Answer{}}
	for id, answer := range in.Answers {
		l.Answers[id] = identity.Answer(answer)
	}
	return l
}

// readLookDay reads the day of a look. It is noted on its day: only what a device kept
// comes later. Two days typed in one sitting would prove nothing twice.
func readLookDay(s *plot.State, c *say.Checklist, in LookInput) calendar.Date {
	day := input.ReadDay(s, c, "day", in.Day)
	switch {
	case in.Kept && day < s.Today.AddDays(-input.LongestKeptDays):
		c.Add("day", "It was kept for longer than %d days: look again.", input.LongestKeptDays)
	case !in.Kept && day < s.Today:
		c.Add("day", "A look is noted on its day. Today is %s.", s.Today.DayMonth())
	}
	return day
}

// readLook checks a look's answers against what the species is known by and what can
// show on the day. forecast is of the plant's season, nil for none.
func readLook(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	c *say.Checklist,
	rules *identity.Rules,
	forecast *phenology.Forecast,
	day calendar.Date,
	in LookInput,
) (store.PutLookParams, error) {
	row := store.PutLookParams{
		Day:     day.String(),
		NotedOn: day.String(),
		ByWhom:  c.Name("by", in.By),
		Note:    c.Text("note", in.Note, say.LongestNote),
	}
	if spelling.PersonKey(row.ByWhom) == "" {
		c.Add("by", "Say who looked.")
	}
	view.CheckAnswers(c, rules, in.Answers)
	mayShow := mayShowOn(forecast, rules.Species, day)
	for _, character := range identity.Vocabulary() {
		if _, answered := in.Answers[character.ID]; answered && !mayShow(character) {
			c.Add(
				"answers",
				"%s: to be seen %s, and not on %s. Answer it then.",
				say.Capital(character.Name),
				showsWords(s, character, forecast, day),
				day.DayMonth(),
			)
		}
	}
	input.CheckPhotos(c, in.Photos, func(id string) bool {
		_, err := d.GetPhotograph(ctx, id)
		return err == nil
	})
	if err := c.Err(); err != nil {
		return row, err
	}
	answers, err := json.Marshal(in.Answers)
	if err != nil {
		return row, err
	}
	asked := flora.Shows{}
	for id := range in.Answers {
		asked[id] = rules.Species.Identity.Shows[id]
	}
	shown, err := json.Marshal(asked)
	if err != nil {
		return row, err
	}
	photos, err := json.Marshal(view.NonNil(in.Photos))
	row.Answers, row.Shown, row.Photos = string(answers), string(shown), string(photos)
	return row, err
}
