package garden

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/store"
)

// The outcomes of a planting.
const (
	throve = "throve"
	failed = "failed"
)

// causes are why a planting failed or throve; other is told in the note.
var causes = map[string][]string{
	failed: {"too dry", "too wet", "rotted", "too shady", "scorched", "frozen", "eaten", "crowded out", "poisoned by a tree", "wrong soil", "never took", "not known"},
	throve: {"the spot suits it", "after mulching", "after watering", "after moving", "not known"},
}

// FateInput is what became of a planting, and why.
type FateInput struct {
	Outcome string `json:"outcome" doc:"throve or failed"`
	Cause   string `json:"cause"`
	Day     string `json:"day,omitempty" doc:"Today where it is left out"`
	Note    string `json:"note,omitempty"`
	// Gone also removes the planting from the plan.
	Gone bool `json:"gone,omitempty" doc:"It is gone: take it off the plan, too"`
}

// FateView is what became of a planting.
type FateView struct {
	ID      int64  `json:"id"`
	Outcome string `json:"outcome"`
	Words   string `json:"words"`
}

// NoteFate writes what became of a planting into the plot's memory.
func (g *Garden) NoteFate(ctx context.Context, plantingID int64, in FateInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		p, has := s.byID[plantingID]
		if !has {
			return record{}, NotFoundError{"planting"}
		}
		var c checklist
		row := store.PutFateParams{PlantingID: plantingID, Outcome: in.Outcome, Cause: in.Cause, Day: in.Day, Note: c.text("note", in.Note, longestNote)}
		if known, has := causes[in.Outcome]; !has {
			c.add("outcome", "Say whether it throve or failed.")
		} else if !slices.Contains(known, in.Cause) {
			c.add("cause", "Choose why: %s.", orList(known))
		}
		if in.Day == "" {
			row.Day = s.today.String()
		}
		if day, err := calendar.Parse(row.Day); err != nil {
			c.addError("day", err)
		} else if day > s.today || day < p.started {
			c.add("day", "The day lies between %s %d and today.", p.started.DayMonth(), p.started.Year())
		}
		if in.Gone && p.RemovedOn != nil {
			c.add("gone", "It is off the plan already.")
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		if _, err := fatesTable.Put(ctx, d, 0, row); err != nil {
			return record{}, err
		}
		summary := fmt.Sprintf("%s %s in %s: %s", capital(p.species.Names.Name), in.Outcome, p.bed.Name, in.Cause)
		if in.Gone {
			gone := plantingParams(p.Planting)
			gone.RemovedOn = &row.Day
			if _, err := plantingsTable.Put(ctx, d, p.ID, gone); err != nil {
				return record{}, err
			}
			summary += "; removed"
		}
		return record{kind: "planting", summary: summary, bed: &p.BedID, planting: &p.ID}, nil
	})
}

func viewFates(rows []store.Fate) []FateView {
	views := []FateView{}
	for _, row := range rows {
		words := capital(row.Outcome) + ": " + row.Cause
		if day, err := calendar.Parse(row.Day); err == nil {
			words += fmt.Sprintf(", %s %d", day.DayMonth(), day.Year())
		}
		if row.Note != "" {
			words += ". " + row.Note
		}
		views = append(views, FateView{row.ID, row.Outcome, words})
	}
	return views
}

// memory says what became of a species before, the newest first: in one bed, or
// with 0 anywhere on the plot.
func (s *state) memory(bedID int64, speciesID string) []string {
	type past struct {
		day, words string
	}
	var found []past
	for _, p := range s.all {
		if p.SpeciesID != speciesID || bedID != 0 && p.BedID != bedID {
			continue
		}
		for _, row := range s.fates[p.ID] {
			words := fmt.Sprintf("%s here in %s: %s.", capital(row.Outcome), row.Day[:4], row.Cause)
			if bedID == 0 {
				words = fmt.Sprintf("%s in %s in %s: %s.", capital(row.Outcome), p.bed.Name, row.Day[:4], row.Cause)
			}
			if row.Note != "" {
				words += " " + sentence(row.Note)
			}
			found = append(found, past{row.Day, words})
		}
	}
	slices.SortStableFunc(found, func(a, b past) int { return compareTexts(b.day, a.day) })
	words := []string{}
	for _, f := range found {
		words = append(words, f.words)
	}
	return words
}
