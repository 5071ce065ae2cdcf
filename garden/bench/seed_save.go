package bench

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// SaveSeedView is seed to save this year.
type SaveSeedView struct {
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	When      string `json:"when"`
	Why       string `json:"why"`
	Mothers   string `json:"mothers"`
	PlantID   int64  `json:"plantingId"`
	// First and Last are the days in which it is likely ripe.
	First calendar.Date `json:"first"`
	Last  calendar.Date `json:"last"`

	bed string
}

// seedToSave is what seed to save this year: of what seeds here this season and is on the shelf no
// more, or getting old, or was raised from few mothers.
func seedToSave(s *plot.State) []SaveSeedView {
	saves := []SaveSeedView{}
	seen := map[string]bool{}
	lore := s.Lib.Bench().Seed
	mothers, err := propagation.MothersToSaveFrom(lore.Keep.Value, int(lore.Generations.Value))
	if err != nil {
		return saves
	}
	for _, p := range s.Plantings {
		row := seedRow(p.Species)
		if seen[p.SpeciesID] || p.Aside || row == nil || !row.IsAdvised() || p.Now == nil {
			continue
		}
		bands := p.Now.Bands(flora.Ripe, flora.DyingBack, flora.Ripe)
		if len(bands) == 0 {
			continue
		}
		first, last, opens := bands[0].LikelyDays()
		if !opens || last < s.Today {
			continue
		}
		why := whySave(s, p.SpeciesID)
		if why == "" {
			continue
		}
		seen[p.SpeciesID] = true
		saves = append(saves, SaveSeedView{
			SpeciesID: p.SpeciesID, Name: p.Species.Names.Name, PlantID: p.ID, Why: why,
			When: "ripe about " + calendar.Span(first, last), Mothers: mothersWords(p, mothers, lore),
			First: first, Last: last, bed: p.Bed.Name,
		})
	}
	return saves
}

func mothersWords(p *plot.Planting, mothers int, lore propagation.SeedOf) string {
	words := fmt.Sprintf("From %d mothers or more, so that the kind keeps %s in 10 of what varies over %s generations.",
		mothers, say.Number(lore.Keep.Value*10), say.Number(lore.Generations.Value))
	if standing := p.Standing(); standing < mothers {
		words += fmt.Sprintf(" %d stand here: take of all of them, and fetch seed from elsewhere now and then.", standing)
	}
	return words
}

// whySave says why seed of a species is worth saving this year; empty where it is not.
func whySave(s *plot.State, speciesID string) string {
	standing := standingLots(s, speciesID)
	if len(standing) == 0 {
		for _, wish := range wishes.Of(s) {
			if wish.SpeciesID == speciesID && wish.EndedOn == nil {
				return "wished for, and no seed of it is on the shelf"
			}
		}
		if species, has := s.Lib.Species(speciesID); has && species.Life.Form != flora.Perennial {
			return "it does not live on by itself, and no seed of it is on the shelf"
		}
		return ""
	}
	for _, lot := range standing {
		if alive, known := aliveOf(s, lot, s.Today.AddDays(yearDays)); !known || alive[1] >= s.Lib.Bench().Seed.Poor.Value {
			return ""
		}
	}
	return "what is on the shelf is getting old"
}
