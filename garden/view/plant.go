package view

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

var errNoForecast = errors.New("this planting has lived its life; nothing is forecast for it")

// NoForecast says why nothing is forecast for a planting.
func NoForecast(p *plot.Planting) string {
	if p.Aside {
		return "The file of this plant cannot be read or worked out, so nothing is forecast or offered of it. Everything noted is kept."
	}
	return say.Sentence(errNoForecast.Error())
}

// WarningOf says what a plant is that harms, or is never used.
func WarningOf(s *flora.Species) string {
	switch {
	case s.Identity.Danger == "deadly":
		return "Deadly: it kills."
	case s.Identity.Danger == "poisonous" && s.IsUsed():
		return "Poisonous by mouth."
	case s.Identity.Danger == "poisonous":
		return "Poisonous."
	case !s.IsUsed():
		return "Not used."
	}
	return ""
}

// HereWords say what stands of a species on the plot.
func HereWords(s *plot.State, speciesID string) string {
	plants, beds := 0, []string{}
	for _, p := range s.Plantings {
		if p.SpeciesID == speciesID {
			plants += p.Standing()
			if !slices.Contains(beds, p.Bed.Name) {
				beds = append(beds, p.Bed.Name)
			}
		}
	}
	if len(beds) == 0 {
		return ""
	}
	return fmt.Sprintf("%s in %s", say.Counted(float64(plants), "plant", "plants"), say.Joined(beds))
}

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
