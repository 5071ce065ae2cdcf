package view

import (
	"fmt"
	"slices"

	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// Memory says what became of a species before, the newest first: in one bed, or
// with 0 anywhere on the plot.
func Memory(s *plot.State, bedID int64, speciesID string) []string {
	type past struct {
		day, words string
	}
	var found []past
	for _, p := range s.EverPlanted {
		if p.SpeciesID != speciesID || bedID != 0 && p.BedID != bedID {
			continue
		}
		for _, row := range s.Fates[p.ID] {
			words := fmt.Sprintf("%s here in %s: %s.", say.Capital(row.Outcome), row.Day[:4], row.Cause)
			if bedID == 0 {
				words = fmt.Sprintf("%s in %s in %s: %s.", say.Capital(row.Outcome), p.Bed.Name, row.Day[:4], row.Cause)
			}
			if row.Note != "" {
				words += " " + say.Sentence(row.Note)
			}
			found = append(found, past{row.Day, words})
		}
	}
	slices.SortStableFunc(found, func(a, b past) int { return say.CompareTexts(b.day, a.day) })
	words := []string{}
	for _, f := range found {
		words = append(words, f.words)
	}
	return words
}
