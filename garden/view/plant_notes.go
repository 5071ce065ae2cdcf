package view

import (
	"bramblyacre/garden/plot"
)

// PlantNoteView is a note of the grower's own on a plant.
type PlantNoteView struct {
	ID     int64  `json:"id"`
	Kind   string `json:"kind" enum:"law,custom,note"`
	Author string `json:"author" doc:"Whose custom it is; several stand side by side"`
	Text   string `json:"text"`
}

// NotesOn are the notes on a plant; customs only where they are switched on.
func NotesOn(s *plot.State, speciesID string) []PlantNoteView {
	views := []PlantNoteView{}
	for _, n := range s.Notes {
		if n.SpeciesID == speciesID && n.RemovedOn == nil && (n.Kind != "custom" || s.Site.Customs != 0) {
			views = append(views, PlantNoteView{n.ID, n.Kind, n.Author, n.Text})
		}
	}
	return views
}

// customsOf are the customs on a plant as lines, each with its author: the grower's own
// steps, where the act is. Several stand side by side and no side is taken.
func customsOf(s *plot.State, speciesID string) []string {
	lines := []string{}
	for _, n := range NotesOn(s, speciesID) {
		if n.Kind == "custom" {
			lines = append(lines, n.Author+": "+n.Text)
		}
	}
	return lines
}
