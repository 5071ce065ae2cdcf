package garden

import (
	"encoding/json"

	"bramblyacre/core/calendar"
	"bramblyacre/store"
)

// find returns a find that is kept.
func (s *state) find(id int64) (store.Find, error) {
	for _, f := range s.finds {
		if f.ID == id && f.RemovedOn == nil && s.lib.Rules(f.SpeciesID) != nil {
			return f, nil
		}
	}
	return store.Find{}, NotFoundError{"find"}
}

func findParams(f store.Find) store.PutFindParams {
	return store.PutFindParams{ID: &f.ID, Day: f.Day, Place: f.Place, SpeciesID: f.SpeciesID, Seen: f.Seen, Note: f.Note, RemovedOn: f.RemovedOn}
}

func storeFind(c *checklist, s *state, in FindInput) store.PutFindParams {
	row := store.PutFindParams{Day: s.readDay(c, "day", in.Day).String(), Place: c.name("place", in.Place), SpeciesID: in.SpeciesID, Note: c.text("note", in.Note, longestNote)}
	if row.Place == "" {
		c.add("place", "Say where it stands.")
	}
	if species, has := s.lib.Species(in.SpeciesID); !has || !species.IsUsed() {
		c.add("speciesId", "Choose a plant that is used: only those have a check.")
	}
	seen, err := json.Marshal(in.Seen)
	c.addError("seen", err)
	row.Seen = string(seen)
	return row
}

// readDay reads a day that has come, within a long life.
func (s *state) readDay(c *checklist, field, text string) calendar.Date {
	day, err := calendar.Parse(text)
	switch {
	case err != nil:
		c.addError(field, err)
	case day > s.today:
		c.add(field, "%s has not come yet. Today is %s.", day.DayMonth(), s.today.DayMonth())
	case day < s.today.AddDays(-longestAgoDays):
		c.add(field, "%s is too long ago.", text)
	}
	return day
}
