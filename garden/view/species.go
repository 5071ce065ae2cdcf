package view

import (
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/garden/say"
)

// WarningsBeforeSetting are what to know of a plant where it is chosen and set.
func WarningsBeforeSetting(s *flora.Species) []string {
	warnings := []string{}
	if s.Identity.Danger == "deadly" || s.Identity.Danger == "poisonous" {
		warnings = append(warnings, WarningOf(s))
	}
	if s.Law != "" {
		warnings = append(warnings, "By law: "+say.Sentence(s.Law))
	}
	switch s.Site.Spread {
	case "runs", "seeds about":
		warnings = append(warnings, say.Sentence(strings.TrimSpace("It "+s.Site.Spread+". "+s.Site.SpreadNote)))
	}
	if children := forChildren(s); children.Answer != nothingOnRecord {
		warnings = append(warnings, "Near small children: "+children.Answer)
	}
	if s.Household.Hens == "harmful" {
		warnings = append(warnings, "Near hens: "+forHens(s).Answer)
	}
	return warnings
}
