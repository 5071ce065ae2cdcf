package spread

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// LawView is what the household found on its own list of a kind, with the reminder.
type LawView struct {
	// Reminder is what the library reminds of; empty where it knows of no list. It is no legal advice.
	Reminder string        `json:"reminder"`
	Listed   string        `json:"listed" enum:",yes,no,unsure" doc:"What was found; empty where nobody looked"`
	Day      calendar.Date `json:"day"`
	Note     string        `json:"note"`
	Words    string        `json:"words"`
	Version  say.Version   `json:"version"`
}

// lawOf is what is known of a kind and the law.
func lawOf(s *plot.State, speciesID string) LawView {
	v := LawView{Day: s.Today, Version: say.VersionOf(store.LawNote{})}
	if species, has := s.Lib.Species(speciesID); has {
		v.Reminder = species.Law
	}
	v.Words = "No list is known of here. Your own authority's list decides: look it up where a plant spreads."
	if v.Reminder != "" {
		v.Words = "It may stand on a list where you live. Look yours up, and note what you found: this program knows no country's law."
	}
	if row, looked := s.LawFound(speciesID); looked {
		v.Listed, v.Note, v.Version = row.Listed, row.Note, say.VersionOf(row)
		if day, err := calendar.Parse(row.Day); err == nil {
			v.Day = day
		}
		v.Words = map[string]string{
			plot.ListedYes:    "It stands on your list, as you found on %s.",
			plot.ListedNo:     "It does not stand on your list, as you found on %s. Lists change: look again from time to time.",
			plot.ListedUnsure: "On %s you could not tell. Ask your authority.",
		}[row.Listed]
		v.Words = fmt.Sprintf(v.Words, v.Day.DayMonthYear())
	}
	return v
}

// LawInput is what was found on the household's own list.
type LawInput struct {
	Listed string `json:"listed" enum:"yes,no,unsure"`
	Day    string `json:"day"`
	Note   string `json:"note,omitempty" doc:"Which list, and where it was found"`
}

// NoteLaw notes what was found of a kind on the household's own list.
func (u *Uses) NoteLaw(ctx context.Context, speciesID string, seen say.Version, in LawInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		species, has := s.Lib.Species(speciesID)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "plant"}
		}
		before, _ := s.LawFound(speciesID)
		if err := seen.IsOf(say.VersionOf(before), "what was found of "+species.Names.Name); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		if in.Listed != plot.ListedYes && in.Listed != plot.ListedNo && in.Listed != plot.ListedUnsure {
			c.Add("listed", "Say whether it stands on your list, does not, or that you could not tell.")
		}
		row := store.PutLawNoteParams{
			SpeciesID: speciesID,
			Day:       in.Day,
			Listed:    in.Listed,
			Note:      c.Text("note", in.Note, say.LongestNote),
		}
		if day, err := calendar.Parse(in.Day); err != nil {
			c.Add("day", "This is not a whole day. Type one like 27 May 2031.")
		} else if day > s.Today {
			c.Add("day", "%s has not come yet. Today is %s.", day.DayMonthYear(), s.Today.DayMonth())
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if before.ID != 0 {
			row.ID = &before.ID
		}
		_, err := plot.LawNotesTable.Put(ctx, d, before.ID, row)
		words := map[string]string{
			plot.ListedYes:    "stands on your list",
			plot.ListedNo:     "does not stand on your list",
			plot.ListedUnsure: "may stand on your list",
		}[in.Listed]
		return journal.Record{
			Kind:    kindSpread,
			Summary: fmt.Sprintf("Looked up the law: %s %s", species.Names.Name, words),
		}, err
	})
}
