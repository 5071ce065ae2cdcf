package larder

import (
	"fmt"

	"bramblyacre/core/harvest"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/plot"
)

// mostYearsToOwn is how many years ahead it is asked when the own plot bears enough.
const mostYearsToOwn = 40

// boughtWords say that some of a product was bought, where, and when the own is expected to replace it; empty where
// nothing of it was bought.
func boughtWords(s *plot.State, l line) string {
	from := ""
	for _, h := range l.jars {
		for _, lot := range h.lots {
			if lot.BoughtFrom != "" {
				from = lot.BoughtFrom
			}
		}
	}
	if from == "" {
		return ""
	}
	words := "bought: " + from
	if !l.one || l.part.Harvest == nil {
		return words
	}
	need := 0.0
	if l.known {
		need, _ = l.use.Over(yearOfDays)
	}
	first, covers := ownFrom(s, l.stuff, need)
	switch {
	case first == 0:
		return words + "; none of your own stands"
	case covers == 0 && need > 0:
		return fmt.Sprintf("%s; own from %d on, but not all of it from what stands", words, first)
	case covers == first || need == 0:
		return fmt.Sprintf("%s; your own is expected in %d", words, first)
	}
	return fmt.Sprintf("%s; own from %d on, all of it about %d", words, first, covers)
}

// ownFrom is the year in which the own plants bear any for the first time, and that in which they bear as much as is
// needed, in grams dried, in a middling year; 0 for not within the years that are asked about.
func ownFrom(s *plot.State, st stuff, need float64) (first, covers int) {
	y, _, known := yieldOf(s, st)
	if !known {
		return 0, 0
	}
	rule := st.part.Harvest
	season := s.Season
	for ahead := range mostYearsToOwn {
		sum := 0.0
		for _, p := range s.Plantings {
			if p.SpeciesID != st.species.ID || p.Aside {
				continue
			}
			age := s.Age(p, season)
			if harvest.AgeRefusal(
				rule,
				harvest.Age{Year: age.Year + ahead, Seasons: age.Seasons + ahead, Settles: age.Settles},
			) != nil {
				continue
			}
			sum += float64(p.Standing()) * y.Each.Mean * phenology.AgeShare(p.Species, age.Year+ahead)
		}
		year := s.Today.Year() + ahead
		if sum > 0 && first == 0 {
			first = year
		}
		if sum > 0 && sum >= need {
			return first, year
		}
	}
	return first, 0
}
