package plants

import (
	"context"

	"bramblyacre/core/spelling"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// SpeciesChoice is a plant that can be planted.
type SpeciesChoice struct {
	ID        string `json:"id"`
	Name      string `json:"name"`
	Botanical string `json:"botanical"`
	Names     string `json:"names" doc:"Every name, for searching"`
	Form      string `json:"form"`
	// Warnings are what to know before it is set: the law, children, hens, how it spreads.
	Warnings []string `json:"warnings" doc:"What to know before it is set: the law, children, hens, how it spreads"`
}

// Likenesses are what the drawings of all plants of the library in force follow.
func (u *Uses) Likenesses(ctx context.Context) ([]view.Likeness, error) {
	state, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	all := []view.Likeness{}
	for _, s := range state.Lib.AllSpecies() {
		all = append(all, view.LikenessOf(s))
	}
	return all, nil
}

// Species lists the plants of the library in force, the grower's own among them.
func (u *Uses) Species(ctx context.Context) ([]SpeciesChoice, error) {
	state, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	choices := []SpeciesChoice{}
	for _, s := range state.Lib.AllSpecies() {
		names := spelling.Words(s.Names.Name + " " + s.Names.Botanical)
		for _, common := range s.Names.Common {
			names += " " + spelling.Words(common.Name)
		}
		choices = append(
			choices,
			SpeciesChoice{
				s.ID,
				say.Capital(s.Names.Name),
				s.Names.Botanical,
				names,
				string(s.Life.Form),
				view.WarningsBeforeSetting(s),
			},
		)
	}
	return choices, nil
}
