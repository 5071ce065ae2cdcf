package garden

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/store"
)

// LookInput is one visit's answers to the check.
type LookInput struct {
	Day string `json:"day"`
	By  string `json:"by" doc:"Who looked"`
	// Answers are seen, not seen or cannot tell, by character.
	Answers map[string]string `json:"answers"`
	Photos  []string          `json:"photos,omitempty" doc:"Of photographs kept before"`
	Note    string            `json:"note,omitempty"`
}

// mostPhotos is how many photographs a look may hold.
const mostPhotos = 12

// NoteLook notes a look at a planting's characters.
func (g *Garden) NoteLook(ctx context.Context, plantingID int64, in LookInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		p, err := s.standingPlanting(plantingID)
		if err != nil {
			return record{}, err
		}
		var c checklist
		day := s.readPastDay(&c, p, in.Day)
		row, err := readLook(ctx, d, &c, p.rules, day, in)
		if err != nil {
			return record{}, err
		}
		row.PlantingID = &plantingID
		if _, err := put(ctx, d, "looks", 0, row, lookID); err != nil {
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

// readLook checks a look's answers against what the species is known by.
func readLook(ctx context.Context, d *draft, c *checklist, rules *identity.Rules, day calendar.Date, in LookInput) (store.PutLookParams, error) {
	row := store.PutLookParams{Day: day.String(), ByWhom: c.text("by", in.By, longestName), Note: c.text("note", in.Note, longestNote)}
	if row.ByWhom == "" {
		c.add("by", "Say who looked.")
	}
	checkAnswers(c, rules, in.Answers)
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
