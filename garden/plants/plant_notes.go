package plants

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// PlantNoteInput is such a note as written.
type PlantNoteInput struct {
	Kind   string `json:"kind" enum:"law,custom,note"`
	Author string `json:"author,omitempty"`
	Text   string `json:"text"`
}

var noteKinds = []string{"law", "custom", "note"}

// AddPlantNote notes something of the grower's own on a plant: what the local list says,
// a custom, or anything else.
func (u *Uses) AddPlantNote(ctx context.Context, speciesID string, in PlantNoteInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		species, has := s.Lib.Species(speciesID)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "plant in the library"}
		}
		var c say.Checklist
		row := store.PutPlantNoteParams{
			SpeciesID: speciesID,
			Kind:      in.Kind,
			Author:    c.Name("author", in.Author),
			Text:      c.Text("text", in.Text, say.LongestNote),
		}
		if !slices.Contains(noteKinds, in.Kind) {
			c.Add("kind", "A note is on law, a custom, or a note.")
		}
		if row.Text == "" {
			c.Add("text", "Write the note.")
		}
		if in.Kind == "custom" && s.Site.Customs == 0 {
			c.Add("kind", "Customs are switched off. Switch them on in Settings first.")
		}
		if in.Kind == "custom" && row.Author == "" {
			c.Add("author", "Say whose custom it is: authors disagree, and several can stand side by side.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := plantNotesTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: "plant note", Summary: fmt.Sprintf("Noted on %s: %s", species.Names.Name, row.Text)}, nil
	})
}

// RemovePlantNote takes a note off a plant.
func (u *Uses) RemovePlantNote(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for _, n := range s.Notes {
			if n.ID != id || n.RemovedOn != nil {
				continue
			}
			today := s.Today.String()
			row := store.PutPlantNoteParams{
				ID:        &id,
				SpeciesID: n.SpeciesID,
				Kind:      n.Kind,
				Author:    n.Author,
				Text:      n.Text,
				RemovedOn: &today,
			}
			if _, err := plantNotesTable.Put(ctx, d, id, row); err != nil {
				return journal.Record{}, err
			}
			return journal.Record{Kind: "plant note", Summary: "Took a note off: " + n.Text}, nil
		}
		return journal.Record{}, say.NotFoundError{What: "note"}
	})
}
