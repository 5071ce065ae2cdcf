package identity

import (
	"context"
	"fmt"

	"bramblyacre/core/flora"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// FindPlantingInput says where a find is set, or stands already as a planting.
type FindPlantingInput struct {
	BedID  int64 `json:"bedId"`
	Plants int   `json:"plants"`
	// Year is the year of its life that it was found in.
	Year     int      `json:"year,omitempty" doc:"The year of its life that it was found in; 0 where nobody knows"`
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
}

// PlantFind makes a planting of a find, with every look at it: what proved the find
// proves the planting, and what is still owed stays owed. The find goes off the list.
func (u *Uses) PlantFind(ctx context.Context, id int64, in FindPlantingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		f, err := find(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		row, err := input.ReadPlanting(
			u.plot,
			s,
			input.PlantingInput{
				BedID:     in.BedID,
				SpeciesID: f.SpeciesID,
				Plants:    in.Plants,
				StartedOn: f.Day,
				Origin:    string(flora.FromFound),
				Year:      in.Year,
				Affirmed:  in.Affirmed,
				Note:      "Found: " + f.Place,
			},
			nil,
		)
		if err != nil {
			return journal.Record{}, err
		}
		row.CountedOn, row.CountedAfter = s.Today.String(), s.LastEntry
		planting, err := plot.PlantingsTable.Put(ctx, d, 0, row)
		if err != nil {
			return journal.Record{}, err
		}
		for _, l := range s.FindLook[id] {
			moved := store.PutLookParams{
				ID:         &l.Row.ID,
				PlantingID: &planting.ID,
				Day:        l.Row.Day,
				ByWhom:     l.Row.ByWhom,
				Answers:    l.Row.Answers,
				Shown:      l.Row.Shown,
				Photos:     l.Row.Photos,
				Note:       l.Row.Note,
				NotedOn:    l.Row.NotedOn,
			}
			if _, err := LooksTable.Put(ctx, d, l.Row.ID, moved); err != nil {
				return journal.Record{}, err
			}
		}
		today, gone := s.Today.String(), findParams(f)
		gone.RemovedOn = &today
		if _, err := findsTable.Put(ctx, d, id, gone); err != nil {
			return journal.Record{}, err
		}
		species, _ := s.Lib.Species(f.SpeciesID)
		summary := fmt.Sprintf(
			"Set the find %s as %s, %s, in %s",
			f.Place,
			species.Names.Name,
			say.Counted(float64(in.Plants), "plant", "plants"),
			s.BedByID[in.BedID].Name,
		)
		return journal.Record{Kind: "find", Summary: summary, Bed: &in.BedID, Planting: &planting.ID}, nil
	})
}
