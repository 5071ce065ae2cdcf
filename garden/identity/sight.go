package identity

import (
	"bramblyacre/garden/view"
)

// Look is a look at what a check shows, with these answers.
func (v CheckView) Look(day, by string, answers map[string]string) LookInput {
	return LookInput{
		Day:     day,
		By:      by,
		Answers: answers,
		Sight: view.SightOf(v.SpeciesID, answers, func(id string) []view.StateView {
			for _, known := range v.Known {
				if known.ID == id {
					return known.Shows
				}
			}
			return nil
		}),
	}
}
