package garden

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/store"
)

// PlantNoteView is a note of the grower's own on a plant.
type PlantNoteView struct {
	ID     int64  `json:"id"`
	Kind   string `json:"kind" enum:"law,custom,note"`
	Author string `json:"author" doc:"Whose custom it is; several stand side by side"`
	Text   string `json:"text"`
}

// PlantNoteInput is such a note as written.
type PlantNoteInput struct {
	Kind   string `json:"kind" enum:"law,custom,note"`
	Author string `json:"author,omitempty"`
	Text   string `json:"text"`
}

var noteKinds = []string{"law", "custom", "note"}

// notesOn are the notes on a plant; customs only where they are switched on.
func (s *state) notesOn(speciesID string) []PlantNoteView {
	views := []PlantNoteView{}
	for _, n := range s.notes {
		if n.SpeciesID == speciesID && n.RemovedOn == nil && (n.Kind != "custom" || s.site.Customs != 0) {
			views = append(views, PlantNoteView{n.ID, n.Kind, n.Author, n.Text})
		}
	}
	return views
}

// customsOf are the customs on a plant as lines, each with its author: the grower's own
// steps, where the act is. Several stand side by side and no side is taken.
func (s *state) customsOf(speciesID string) []string {
	lines := []string{}
	for _, n := range s.notesOn(speciesID) {
		if n.Kind == "custom" {
			lines = append(lines, n.Author+": "+n.Text)
		}
	}
	return lines
}

// AddPlantNote notes something of the grower's own on a plant: what the local list says,
// a custom, or anything else.
func (g *Garden) AddPlantNote(ctx context.Context, speciesID string, in PlantNoteInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		species, has := s.lib.Species(speciesID)
		if !has {
			return record{}, NotFoundError{"plant in the library"}
		}
		var c checklist
		row := store.PutPlantNoteParams{SpeciesID: speciesID, Kind: in.Kind, Author: c.name("author", in.Author), Text: c.text("text", in.Text, longestNote)}
		if !slices.Contains(noteKinds, in.Kind) {
			c.add("kind", "A note is on law, a custom, or a note.")
		}
		if row.Text == "" {
			c.add("text", "Write the note.")
		}
		if in.Kind == "custom" && s.site.Customs == 0 {
			c.add("kind", "Customs are switched off. Switch them on in Settings first.")
		}
		if in.Kind == "custom" && row.Author == "" {
			c.add("author", "Say whose custom it is: authors disagree, and several can stand side by side.")
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		if _, err := plantNotesTable.Put(ctx, d, 0, row); err != nil {
			return record{}, err
		}
		return record{kind: "plant note", summary: fmt.Sprintf("Noted on %s: %s", species.Names.Name, row.Text)}, nil
	})
}

// RemovePlantNote takes a note off a plant.
func (g *Garden) RemovePlantNote(ctx context.Context, id int64) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		for _, n := range s.notes {
			if n.ID != id || n.RemovedOn != nil {
				continue
			}
			today := s.today.String()
			row := store.PutPlantNoteParams{ID: &id, SpeciesID: n.SpeciesID, Kind: n.Kind, Author: n.Author, Text: n.Text, RemovedOn: &today}
			if _, err := plantNotesTable.Put(ctx, d, id, row); err != nil {
				return record{}, err
			}
			return record{kind: "plant note", summary: "Took a note off: " + n.Text}, nil
		}
		return record{}, NotFoundError{"note"}
	})
}
