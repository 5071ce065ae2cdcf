package identity

import (
	"encoding/json"

	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// find returns a find that is kept.
func find(s *plot.State, id int64) (store.Find, error) {
	for _, f := range s.Finds {
		if f.ID == id && f.RemovedOn == nil && s.Lib.Rules(f.SpeciesID) != nil {
			return f, nil
		}
	}
	return store.Find{}, say.NotFoundError{What: "find"}
}

func findParams(f store.Find) store.PutFindParams {
	return store.PutFindParams{
		ID:        &f.ID,
		Day:       f.Day,
		Place:     f.Place,
		SpeciesID: f.SpeciesID,
		Seen:      f.Seen,
		Note:      f.Note,
		RemovedOn: f.RemovedOn,
	}
}

func storeFind(c *say.Checklist, s *plot.State, in FindInput) store.PutFindParams {
	row := store.PutFindParams{
		Day:       input.ReadDay(s, c, "day", in.Day).String(),
		Place:     c.Name("place", in.Place),
		SpeciesID: in.SpeciesID,
		Note:      c.Text("note", in.Note, say.LongestNote),
	}
	if row.Place == "" {
		c.Add("place", "Say where it stands.")
	}
	if species, has := s.Lib.Species(in.SpeciesID); !has || !species.IsUsed() {
		c.Add("speciesId", "Choose a plant that is used: only those have a check.")
	}
	seen, err := json.Marshal(in.Seen)
	c.AddError("seen", err)
	row.Seen = string(seen)
	return row
}
