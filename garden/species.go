package garden

import (
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/spelling"
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

// warningsBeforeSetting are what to know of a plant where it is chosen and set.
func warningsBeforeSetting(s *flora.Species) []string {
	warnings := []string{}
	if s.Identity.Danger == "deadly" || s.Identity.Danger == "poisonous" {
		warnings = append(warnings, warningOf(s))
	}
	if s.Law != "" {
		warnings = append(warnings, "By law: "+sentence(s.Law))
	}
	switch s.Site.Spread {
	case "runs", "seeds about":
		warnings = append(warnings, sentence(strings.TrimSpace("It "+s.Site.Spread+". "+s.Site.SpreadNote)))
	}
	if children := forChildren(s); children.Answer != nothingOnRecord {
		warnings = append(warnings, "Near small children: "+children.Answer)
	}
	if s.Household.Hens == "harmful" {
		warnings = append(warnings, "Near hens: "+forHens(s).Answer)
	}
	return warnings
}

// Species lists the library's plants.
func (g *Garden) Species() []SpeciesChoice {
	choices := []SpeciesChoice{}
	for _, s := range g.lib().AllSpecies() {
		names := spelling.Words(s.Names.Name + " " + s.Names.Botanical)
		for _, common := range s.Names.Common {
			names += " " + spelling.Words(common.Name)
		}
		choices = append(choices, SpeciesChoice{s.ID, capital(s.Names.Name), s.Names.Botanical, names, string(s.Life.Form), warningsBeforeSetting(s)})
	}
	return choices
}
