package spread

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/spread"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// BalanceView is the worth and the harm of kinds that get about by themselves.
type BalanceView struct {
	Kinds []KindBalance `json:"kinds"`
}

// KindBalance is one kind in the balance.
type KindBalance struct {
	SpeciesID string        `json:"speciesId"`
	Name      string        `json:"name"`
	Where     string        `json:"where" doc:"Where it stands, or came up"`
	Rows      []BalanceLine `json:"rows"`
	For       int           `json:"for" doc:"What speaks for it, summed"`
	Against   int           `json:"against"`
	Words     string        `json:"words"`
	Law       LawView       `json:"law"`
}

// BalanceLine is one thing that speaks for a kind or against it.
type BalanceLine struct {
	Subject string `json:"subject"`
	Side    string `json:"side" enum:"for,against,neither,not on record"`
	Weight  int    `json:"weight" doc:"0 to 3"`
	Words   string `json:"words"`
}

// Balance weighs the kinds that spread here or came up, and the one that is asked for.
func (u *Uses) Balance(ctx context.Context, speciesID string) (BalanceView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return BalanceView{}, err
	}
	where := map[string][]string{}
	for _, p := range s.Plantings {
		if spreads(p) {
			where[p.SpeciesID] = append(where[p.SpeciesID], p.Bed.Name)
		}
	}
	for _, row := range plot.Volunteers.Of(s) {
		if row.EndedOn == nil {
			where[row.SpeciesID] = append(where[row.SpeciesID], "came up by itself")
		}
	}
	if speciesID != "" {
		if _, has := s.Lib.Species(speciesID); !has {
			return BalanceView{}, say.Faults{{Field: "species", Message: "Choose a plant of the library."}}
		}
		where[speciesID] = append(where[speciesID], "")
	}
	r, err := u.reckon(s)
	if err != nil {
		return BalanceView{}, say.ConflictError{Why: say.Sentence(err.Error())}
	}
	v := BalanceView{Kinds: []KindBalance{}}
	for id, places := range where {
		if species, has := s.Lib.Species(id); has {
			v.Kinds = append(v.Kinds, r.balanceOf(species, say.Distinct(places)))
		}
	}
	slices.SortFunc(v.Kinds, func(a, b KindBalance) int {
		return cmp.Or(cmp.Compare(b.Against-b.For, a.Against-a.For), cmp.Compare(a.Name, b.Name))
	})
	return v, nil
}

// byLaw is what it weighs that a kind stands on the household's own list: as much as anything can.
const byLaw = 3

func (r *reckoning) balanceOf(species *flora.Species, places []string) KindBalance {
	s := r.state
	places = slices.DeleteFunc(slices.Clone(places), func(place string) bool { return place == "" })
	rows := spread.Balance(species)
	v := KindBalance{
		SpeciesID: species.ID, Name: species.Names.Name, Where: say.Joined(places), Rows: []BalanceLine{},
		Law: lawOf(s, species.ID),
	}
	for _, row := range rows {
		line := BalanceLine{string(row.Subject), string(row.Side), int(row.Weight), balanceWords(s, species, row)}
		if row.Subject == spread.LawList && v.Law.Listed != "" {
			// What the household found goes before what the file reminds of.
			line.Words = v.Law.Words
			switch v.Law.Listed {
			case plot.ListedYes:
				line.Side, line.Weight = string(spread.Against), byLaw
			case plot.ListedNo:
				line.Side, line.Weight = string(spread.Neither), 0
			}
		}
		switch spread.Side(line.Side) {
		case spread.For:
			v.For += line.Weight
		case spread.Against:
			v.Against += line.Weight
		}
		v.Rows = append(v.Rows, line)
	}
	next := r.neighbours(species)
	v.Against += next.Weight
	v.Rows = append(v.Rows, next)
	switch by := v.For - v.Against; {
	case by >= 2:
		v.Words = "More speaks for it than against it."
	case by <= -2:
		v.Words = "More speaks against it: hold it, or be rid of it."
	default:
		v.Words = "As much speaks for it as against it: it depends on where it stands."
	}
	return v
}

// neighbours is the row of a kind's neighbours: whether its stands here get beyond the boundary, were nothing done.
func (r *reckoning) neighbours(species *flora.Species) BalanceLine {
	line := BalanceLine{
		Subject: "neighbours", Side: string(spread.Neither), Words: "None of it stands here: it depends on where it is set.",
	}
	var beyond spread.Target
	for _, t := range r.ground.targets {
		if t.Key == neighbourKey {
			beyond = t.Target
		}
	}
	most := -1.0
	for _, one := range r.order {
		if one.planting.SpeciesID != species.ID {
			continue
		}
		when := one.Reached(beyond, nil)
		if chance := when.By(spread.Years); chance > most {
			most = chance
			line.Words = fmt.Sprintf(
				"Were nothing done it gets beyond the boundary from %s: %s.",
				one.planting.Bed.Name, r.whenWords(when),
			)
		}
	}
	for _, bound := range []float64{0.2, 0.5} { // chances: guesses of ours, there to weigh and for nothing else
		if most >= bound {
			line.Side, line.Weight = string(spread.Against), line.Weight+1
		}
	}
	return line
}

// balanceWords say a row of the balance.
func balanceWords(s *plot.State, species *flora.Species, row spread.BalanceRow) string {
	if row.Side == spread.Unknown {
		return "Not on record."
	}
	text := row.Text
	switch row.Subject {
	case spread.CoverSoil:
		if row.Weight > 0 {
			return "It covers the ground, holds it or feeds it."
		}
		return "Not grown for that."
	case spread.Food:
		if len(row.Parts) == 0 {
			return "No part is eaten."
		}
		return say.Capital(say.Joined(row.Parts)) + ", once it is proved."
	case spread.Fodder:
		return fmt.Sprintf("Hens: %s. %s", species.Household.Hens, text)
	case spread.Pace:
		if row.Figure == nil {
			return "By seed alone. " + text
		}
		return fmt.Sprintf("About %s a year (%s). %s", s.Units.GroundLength(row.Figure.Value), row.Figure.Standing, text)
	case spread.Shed:
		return fmt.Sprintf("About %s seeds a plant (%s). %s", roundly(row.Figure.Value), row.Figure.Standing, text)
	case spread.SoilBank:
		words := fmt.Sprintf(
			"Its seed lives about %s years in the ground (%s).",
			say.Number(row.Figure.Value),
			row.Figure.Standing,
		)
		if text != "" {
			words += " " + say.Sentence("Wakes: "+say.LowerFirst(text))
		}
		return words
	case spread.Pieces:
		return fmt.Sprintf("Of pieces left in the ground %.0f %% grow again (%s).", 100*row.Figure.Value, row.Figure.Standing)
	case spread.Harm:
		switch {
		case row.Weight == 0:
			return "It is not among the poisonous; its cautions stand on its page."
		case flora.IsDangerous(species.Identity.Danger):
			return say.Capital(species.Identity.Danger) + ". " + text
		}
		return "Mind your hands, or who takes it for another. " + text
	case spread.LawList:
		if text == "" {
			return "No list is known of here; your own decides."
		}
		return text
	}
	return text
}
