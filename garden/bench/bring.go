package bench

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// mostLines is the most lines that one file brings.
const mostLines = 2000

// speciesNamed finds a plant by its botanical name, or else by one of its names; the two have to
// agree where both stand.
func speciesNamed(s *plot.State, plant, botanical string) (string, error) {
	var found *flora.Species
	for _, species := range s.Lib.AllSpecies() {
		if botanical != "" && slices.ContainsFunc(append([]string{species.Names.Botanical}, species.Names.Former...),
			func(name string) bool { return strings.EqualFold(name, botanical) }) {
			found = species
			break
		}
	}
	if found == nil && botanical != "" {
		return "", say.Faults{{Field: "botanical name", Message: fmt.Sprintf("%q is no plant of the library.", botanical)}}
	}
	if found != nil {
		return found.ID, nil
	}
	var named []*flora.Species
	for _, species := range s.Lib.AllSpecies() {
		if strings.EqualFold(species.Names.Name, plant) || strings.EqualFold(species.ID, plant) {
			named = append(named, species)
		}
	}
	if len(named) != 1 {
		return "", say.Faults{
			{Field: "plant", Message: fmt.Sprintf("%q is no plant of the library; write its botanical name.", plant)},
		}
	}
	return named[0].ID, nil
}

func wholeField(text, name string) (int, error) {
	if text == "" {
		return 0, nil
	}
	n := 0
	if _, err := fmt.Sscanf(text, "%d", &n); err != nil || fmt.Sprint(n) != text {
		return 0, say.Faults{{Field: name, Message: fmt.Sprintf("%s: %q is not a whole number.", say.Capital(name), text)}}
	}
	return n, nil
}
