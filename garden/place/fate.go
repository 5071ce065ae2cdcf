package place

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// The outcomes of a planting.
const (
	throve = "throve"
	failed = "failed"
)

// causes are why a planting failed or throve; other is told in the note.
var causes = map[string][]string{
	failed: {
		"too dry",
		"too wet",
		"rotted",
		"too shady",
		"scorched",
		"frozen",
		"eaten",
		"crowded out",
		"poisoned by a tree",
		"wrong soil",
		"never took",
		"not known",
	},
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
func (u *Uses) NoteFate(ctx context.Context, plantingID int64, in FateInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, has := s.ByID[plantingID]
		if !has {
			return journal.Record{}, say.NotFoundError{What: "planting"}
		}
		var c say.Checklist
		row := store.PutFateParams{
			PlantingID: plantingID,
			Outcome:    in.Outcome,
			Cause:      in.Cause,
			Day:        in.Day,
			Note:       c.Text("note", in.Note, say.LongestNote),
		}
		if known, has := causes[in.Outcome]; !has {
			c.Add("outcome", "Say whether it throve or failed.")
		} else if !slices.Contains(known, in.Cause) {
			c.Add("cause", "Choose why: %s.", say.OrList(known))
		}
		if in.Day == "" {
			row.Day = s.Today.String()
		}
		input.ReadPastDay(s, &c, p, row.Day)
		if in.Gone && p.RemovedOn != nil {
			c.Add("gone", "It is off the plan already.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := fatesTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		summary := fmt.Sprintf("%s %s in %s: %s", say.Capital(p.Species.Names.Name), in.Outcome, p.Bed.Name, in.Cause)
		if in.Gone {
			gone := plot.PlantingParams(p.Planting)
			gone.RemovedOn = &row.Day
			if _, err := plot.PlantingsTable.Put(ctx, d, p.ID, gone); err != nil {
				return journal.Record{}, err
			}
			summary += "; removed"
		}
		return journal.Record{Kind: "planting", Summary: summary, Bed: &p.BedID, Planting: &p.ID}, nil
	})
}

func viewFates(rows []store.Fate) []FateView {
	views := []FateView{}
	for _, row := range rows {
		words := say.Capital(row.Outcome) + ": " + row.Cause
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
