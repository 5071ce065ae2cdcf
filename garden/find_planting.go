package garden

import (
	"context"
	"fmt"

	"bramblyacre/core/flora"
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
func (g *Garden) PlantFind(ctx context.Context, id int64, in FindPlantingInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		f, err := s.find(id)
		if err != nil {
			return record{}, err
		}
		row, err := g.readPlanting(s, PlantingInput{BedID: in.BedID, SpeciesID: f.SpeciesID, Plants: in.Plants, StartedOn: f.Day, Origin: string(flora.FromFound), Year: in.Year, Affirmed: in.Affirmed, Note: "Found: " + f.Place}, nil)
		if err != nil {
			return record{}, err
		}
		row.CountedOn, row.CountedAfter = s.today.String(), s.lastEntry
		planting, err := plantingsTable.Put(ctx, d, 0, row)
		if err != nil {
			return record{}, err
		}
		for _, l := range s.findLook[id] {
			moved := store.PutLookParams{ID: &l.row.ID, PlantingID: &planting.ID, Day: l.row.Day, ByWhom: l.row.ByWhom, Answers: l.row.Answers, Shown: l.row.Shown, Photos: l.row.Photos, Note: l.row.Note, NotedOn: l.row.NotedOn}
			if _, err := looksTable.Put(ctx, d, l.row.ID, moved); err != nil {
				return record{}, err
			}
		}
		today, gone := s.today.String(), findParams(f)
		gone.RemovedOn = &today
		if _, err := findsTable.Put(ctx, d, id, gone); err != nil {
			return record{}, err
		}
		species, _ := s.lib.Species(f.SpeciesID)
		summary := fmt.Sprintf("Set the find %s as %s, %s, in %s", f.Place, species.Names.Name, counted(float64(in.Plants), "plant", "plants"), s.bedByID[in.BedID].Name)
		return record{kind: "find", summary: summary, bed: &in.BedID, planting: &planting.ID}, nil
	})
}
