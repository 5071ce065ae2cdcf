package garden

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
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
	noCaution = "No caution on record here. That does not mean it is safe."
	askFirst  = "Ask a doctor or pharmacist before you use any plant as medicine. No dose is given here."
)

// cautionsOf are the cautions about a part, or with "" about the whole plant, of one preparation where one is named.
// Those that are for someone of the household come first, then those for everyone.
func (s *state) cautionsOf(species *flora.Species, part, preparation string) CautionsView {
	v := CautionsView{List: []CautionView{}, Ask: askFirst}
	var here []string
	for _, caution := range species.Cautions {
		if part != "" && !caution.Concerns(part) || preparation != "" && len(caution.Preparations) > 0 && !slices.Contains(caution.Preparations, preparation) {
			continue
		}
		if preparation != "" && !reaches(preparation, caution.Route) {
			continue
		}
		view := CautionView{capital(caution.Who), caution.Text, caution.Route, s.concerned(caution)}
		for _, name := range view.Names {
			if !slices.Contains(here, name) {
				here = append(here, name)
			}
		}
		v.List = append(v.List, view)
	}
	slices.SortStableFunc(v.List, func(a, b CautionView) int { return cautionRank(a) - cautionRank(b) })
	if len(here) > 0 {
		v.Here = fmt.Sprintf("For %s here: read before use.", joined(here))
	}
	if len(v.List) == 0 {
		v.None = noCaution
	}
	return v
}

func cautionRank(c CautionView) int {
	switch {
	case len(c.Names) > 0:
		return 0
	case c.Who == capital(flora.Everyone):
		return 1
	}
	return 2
}

// routesOf are the ways by which each preparation reaches a person.
var routesOf = map[string][]string{
	"food": {"by mouth"}, "tea": {"by mouth"}, "tincture": {"by mouth"}, "vinegar": {"by mouth"}, "syrup": {"by mouth"}, "honey": {"by mouth"},
	"infused oil": {"on the skin", "by mouth"}, "salve": {"on the skin"}, "bath": {"on the skin", "breathed"}, "steam": {"breathed"},
}

// reaches tells whether a preparation reaches a person by a route. Whoever makes it
// handles the plant.
func reaches(preparation, route string) bool {
	return route == "handling" || slices.Contains(routesOf[preparation], route)
}

// concerned are the names of those of the household that a caution is for. One for
// everyone names nobody.
func (s *state) concerned(caution flora.Caution) []string {
	names := []string{}
	for _, person := range s.standingPeople() {
		own := s.circumstancesOf(person)
		if slices.ContainsFunc(caution.For(), func(who string) bool { return slices.Contains(own, who) }) {
			names = append(names, person.Name)
		}
	}
	return names
}

// cautionLines are the cautions of a part as lines, each with whom it is for here.
func (s *state) cautionLines(species *flora.Species, part string) []string {
	lines := []string{}
	for _, c := range s.cautionsOf(species, part, "").List {
		lines = append(lines, cautionLine(c))
	}
	if len(lines) == 0 {
		lines = append(lines, noCaution)
	}
	return lines
}

func cautionLine(c CautionView) string {
	if len(c.Names) > 0 {
		return fmt.Sprintf("%s (%s): %s", joined(c.Names), lowerFirst(c.Who), c.Text)
	}
	return c.Who + ": " + c.Text
}
