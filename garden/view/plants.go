package view

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

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
