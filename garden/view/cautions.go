package view

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// CautionView is one caution at the place where the act is.
type CautionView struct {
	Who   string   `json:"who"`
	Text  string   `json:"text"`
	Route string   `json:"route" enum:"by mouth,on the skin,breathed,handling"`
	Names []string `json:"names" doc:"Who of the household it is for; everyone's names nobody"`
}

// CautionsView are the cautions of a part, those that are for someone here first.
type CautionsView struct {
	List []CautionView `json:"list"`
	// Here says in one line who of the household is to mind something.
	Here string `json:"here" doc:"Who of the household is to mind something; empty for nobody on record"`
	None string `json:"none" doc:"What to say where there is no caution on record"`
	Ask  string `json:"ask" doc:"Whom to ask"`
}

// What every page of use says.
const (
	NoCaution = "No caution on record here. That does not mean it is safe."
	AskFirst  = "Ask a doctor or pharmacist before you use any plant as medicine. No dose is given here."
)

// CautionsOf are the cautions about a part, or with "" about the whole plant, of one preparation where one is named.
// Those that are for someone of the household come first, then those for everyone.
func CautionsOf(s *plot.State, species *flora.Species, part, preparation string) CautionsView {
	return ViewCautions(s, ConcernedCautions(species, part, preparation))
}

// ConcernedCautions are the cautions of a species about a part, or with "" about the whole plant, of one preparation
// where one is named.
func ConcernedCautions(species *flora.Species, part, preparation string) (all []flora.Caution) {
	for _, caution := range species.Cautions {
		if part != "" && !caution.Concerns(part) ||
			preparation != "" && len(caution.Preparations) > 0 && !slices.Contains(caution.Preparations, preparation) {
			continue
		}
		if preparation != "" && !reaches(preparation, caution.Route) {
			continue
		}
		all = append(all, caution)
	}
	return all
}

// ViewCautions shows cautions, those first that are for someone of the household, then those for everyone.
func ViewCautions(s *plot.State, all []flora.Caution) CautionsView {
	v := CautionsView{List: []CautionView{}, Ask: AskFirst}
	var here []string
	for _, caution := range all {
		view := CautionView{say.Capital(caution.Who), caution.Text, caution.Route, concerned(s, caution)}
		for _, name := range view.Names {
			if !slices.Contains(here, name) {
				here = append(here, name)
			}
		}
		v.List = append(v.List, view)
	}
	slices.SortStableFunc(v.List, func(a, b CautionView) int { return cautionRank(a) - cautionRank(b) })
	if len(here) > 0 {
		v.Here = fmt.Sprintf("For %s here: read before use.", say.Joined(here))
	}
	if len(v.List) == 0 {
		v.None = NoCaution
	}
	return v
}

func cautionRank(c CautionView) int {
	switch {
	case len(c.Names) > 0:
		return 0
	case c.Who == say.Capital(flora.Everyone):
		return 1
	}
	return 2
}

// reaches tells whether a preparation reaches a person by a route. Whoever makes it
// handles the plant.
func reaches(preparation, route string) bool {
	return route == "handling" || slices.Contains(flora.RoutesOf[preparation], route)
}

// concerned are the names of those of the household that a caution is for. One for
// everyone names nobody.
func concerned(s *plot.State, caution flora.Caution) []string {
	names := []string{}
	for _, person := range s.StandingPeople() {
		own := s.CircumstancesOf(person)
		if slices.ContainsFunc(caution.For(), func(who string) bool { return slices.Contains(own, who) }) {
			names = append(names, person.Name)
		}
	}
	return names
}

// CautionLines are the cautions of a part as lines, each with whom it is for here.
func CautionLines(s *plot.State, species *flora.Species, part string) []string {
	lines := []string{}
	for _, c := range CautionsOf(s, species, part, "").List {
		lines = append(lines, CautionLine(c))
	}
	if len(lines) == 0 {
		lines = append(lines, NoCaution)
	}
	return lines
}

// CautionLine is a caution in a line.
func CautionLine(c CautionView) string {
	if len(c.Names) > 0 {
		return fmt.Sprintf("%s (%s): %s", say.Joined(c.Names), say.LowerFirst(c.Who), c.Text)
	}
	return c.Who + ": " + c.Text
}

// CircumstanceView is a circumstance to tick.
type CircumstanceView struct {
	ID  string `json:"id"`
	Ask string `json:"ask"`
}
