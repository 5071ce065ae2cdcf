package view

import (
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// NeedVersion is the version of what is noted of a need.
func NeedVersion(s *plot.State, species, part string) say.Version {
	if row, said := s.NeedRow(species, part); said {
		return say.VersionOf([]any{row.Grams, row.Typed, row.Weight})
	}
	return say.VersionOf(nil)
}
