package view

import (
	"bramblyacre/garden/plot"
)

func KeptNeedWords(s *plot.State, species, part string) string {
	grams, said := s.NeedOf(species, part)
	if !said {
		return ""
	}
	return s.Units.Weight(grams)
}
