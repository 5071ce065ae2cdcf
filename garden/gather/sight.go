package gather

import (
	"bramblyacre/garden/view"
)

// Sorting is a sorting by what a basket asks, with these answers.
func (v BasketView) Sorting(by string, answers map[string]string) SortingInput {
	return SortingInput{
		By:      by,
		Answers: answers,
		Sight: view.SightOf(v.SpeciesID, answers, func(id string) []view.StateView {
			for _, q := range v.Questions {
				if q.ID == id {
					return q.Shows
				}
			}
			return nil
		}),
	}
}
