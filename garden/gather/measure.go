package gather

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// MeasureView is one of the grower's own measures.
type MeasureView struct {
	ID        int64   `json:"id"`
	Name      string  `json:"name" doc:"handful, bowl, cup"`
	SpeciesID string  `json:"speciesId"`
	Part      string  `json:"part"`
	Of        string  `json:"of" doc:"Of which plant and part"`
	Grams     float64 `json:"grams"`
	Weight    string  `json:"weight"`
}

// Measures returns the grower's own measures.
func (u *Uses) Measures(ctx context.Context) ([]MeasureView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	views := []MeasureView{}
	for _, m := range plot.Measures.Of(s) {
		name := m.SpeciesID
		if species, has := s.Lib.Species(m.SpeciesID); has {
			name = species.Names.Name
		}
		views = append(
			views,
			MeasureView{m.ID, m.Name, m.SpeciesID, m.Part, say.PartOf(name, m.Part), m.Grams, s.Units.Weight(m.Grams)},
		)
	}
	return views, nil
}

// RemoveMeasure forgets what a measure weighs: it is asked anew.
func (u *Uses) RemoveMeasure(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		all := plot.Measures.Of(s)
		at := slices.IndexFunc(all, func(m store.Measure) bool { return m.ID == id })
		if at < 0 {
			return journal.Record{}, say.NotFoundError{What: "measure"}
		}
		m := all[at]
		return journal.Record{
				Kind:    "measure",
				Summary: fmt.Sprintf("No longer says what a %s of %s weighs", m.Name, m.Part),
			}, plot.MeasuresTable.Drop(
				ctx,
				d,
				id,
			)
	})
}
