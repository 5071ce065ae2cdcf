package garden

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spelling"
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
	Sight
	Photos []string `json:"photos,omitempty" doc:"Of photographs kept before"`
	Note   string   `json:"note,omitempty"`
	// ClientKey makes a look that is sent twice, as after a lost connection, count once.
	ClientKey string `json:"clientKey,omitempty"`
}

// sending is how a look at something was sent. That a device kept it changes nothing of it.
func (in LookInput) sending(kind string, id int64) (sending, error) {
	content := in
	content.Kept = false
	return sentAs(in.ClientKey, kind, id, content)
}

// mostPhotos is how many photographs a look may hold.
const mostPhotos = 12

// NoteLook notes a look at a planting's characters.
func (g *Garden) NoteLook(ctx context.Context, plantingID int64, in LookInput) (Entry, error) {
	sent, err := in.sending("look", plantingID)
	if err != nil {
		return Entry{}, err
	}
	return g.changeOnce(ctx, sent, func(s *state, d *draft) (record, error) {
		p, err := s.standingPlanting(plantingID)
		if err != nil {
			return record{}, err
		}
		if err := in.Sight.isOf(g, p.rules, in.Answers); err != nil {
			return record{}, err
		}
		var c checklist
		day := s.readLookDay(&c, in)
		if day < p.started {
			c.add("day", "The planting only began on %s.", p.started)
		}
		forecast, _ := s.on(p, day)
		row, err := s.readLook(ctx, d, &c, p.rules, forecast, day, in)
		if err != nil {
			return record{}, err
		}
		row.PlantingID = &plantingID
		if _, err := looksTable.Put(ctx, d, 0, row); err != nil {
			return record{}, err
		}
		after := p.rules.Judge(append(asCore(s.looks[plantingID]), coreLook(day, in)), p.labelled())
		return record{kind: "check", summary: lookSummary(p.species.Names.Name, p.bed.Name, p.identity, after.State, len(in.Answers)), bed: &p.BedID, planting: &p.ID}, nil
	})
}

// lookSummary is the ledger's line for a look.
func lookSummary(name, where string, before, after identity.State, answers int) string {
	summary := fmt.Sprintf("Checked %s in %s: %s", name, where, counted(float64(answers), "character", "characters"))
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

// longestKeptDays is how long a device may have kept a look.
const longestKeptDays = 60

// readLookDay reads the day of a look. It is noted on its day: only what a device kept
// comes later. Two days typed in one sitting would prove nothing twice.
func (s *state) readLookDay(c *checklist, in LookInput) calendar.Date {
	day := s.readDay(c, "day", in.Day)
	switch {
	case in.Kept && day < s.today.AddDays(-longestKeptDays):
		c.add("day", "It was kept for longer than %d days: look again.", longestKeptDays)
	case !in.Kept && day < s.today:
		c.add("day", "A look is noted on its day. Today is %s.", s.today.DayMonth())
	}
	return day
}

// readLook checks a look's answers against what the species is known by and what can
// show on the day. forecast is of the plant's season, nil for none.
func (s *state) readLook(ctx context.Context, d *draft, c *checklist, rules *identity.Rules, forecast *phenology.Forecast, day calendar.Date, in LookInput) (store.PutLookParams, error) {
	row := store.PutLookParams{Day: day.String(), NotedOn: day.String(), ByWhom: c.name("by", in.By), Note: c.text("note", in.Note, longestNote)}
	if spelling.PersonKey(row.ByWhom) == "" {
		c.add("by", "Say who looked.")
	}
	checkAnswers(c, rules, in.Answers)
	mayShow := mayShowOn(forecast, rules.Species, day)
	for _, character := range identity.Vocabulary() {
		if _, answered := in.Answers[character.ID]; answered && !mayShow(character) {
			c.add("answers", "%s: to be seen %s, and not on %s. Answer it then.", capital(character.Name), s.showsWords(character, forecast, day), day.DayMonth())
		}
	}
	if len(in.Photos) > mostPhotos {
		c.add("photos", "%d photographs are the most for one look.", mostPhotos)
	}
	for _, sum := range in.Photos {
		if _, err := d.GetPhotograph(ctx, sum); err != nil {
			c.add("photos", "One of the photographs is not kept here. Add it again.")
			break
		}
	}
	if err := c.err(); err != nil {
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
	photos, err := json.Marshal(nonNil(in.Photos))
	row.Answers, row.Shown, row.Photos = string(answers), string(shown), string(photos)
	return row, err
}

func checkAnswers(c *checklist, rules *identity.Rules, answers map[string]string) {
	if len(answers) == 0 {
		c.add("answers", "Answer at least one question.")
	}
	for id, answer := range answers {
		if _, known := rules.Species.Identity.Shows[id]; !known {
			c.add("answers", "%q is no character on record for %s.", id, rules.Species.Names.Name)
		}
		if _, err := identity.ParseAnswer(answer); err != nil {
			c.addError("answers", err)
		}
	}
	slices.SortFunc(c.faults, func(a, b Fault) int {
		return slices.Compare([]string{a.Field, a.Message}, []string{b.Field, b.Message})
	})
}
