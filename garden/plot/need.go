package plot

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/store"
	"encoding/json"
)

// NeedRow returns what was noted of a year's need of a part; false where nobody said.
func (s *State) NeedRow(species, part string) (row store.Need, said bool) {
	for _, need := range s.Needs {
		if need.SpeciesID == species && need.Part == part {
			return need, true
		}
	}
	return row, false
}

// NeedOf returns the grams a year, fresh, that the household needs of a part.
func (s *State) NeedOf(species, part string) (grams float64, said bool) {
	row, said := s.NeedRow(species, part)
	return row.Grams, said
}

// StillNeeded returns how many units of a planting's part are still needed this season, by
// what these plants weigh in a year of life; nil where nobody said how much is.
func (s *State) StillNeeded(p *Planting, part flora.Part, year int) *float64 {
	grams, said := s.NeedOf(p.Species.ID, part.Name)
	if !said {
		return nil
	}
	grams -= s.TakenGrams(p.Species.ID, part.Name)
	units := max(0, grams) / harvest.GramsEach(part.Harvest, s.SizeShare(p, year, part.Harvest, s.Today))
	return &units
}

// KeptGrams is the fresh weight of a picking without what was rejected at the table: nothing of one in which a stranger
// was found.
func (s *State) KeptGrams(picking store.Picking) float64 {
	grams := picking.Grams
	for _, sorting := range s.Sortings[picking.ID] {
		if foundStranger(sorting) {
			return 0
		}
		grams -= sorting.Rejected
	}
	return max(0, grams)
}

// foundStranger tells whether something in a picking was not seen to be what it was picked as.
func foundStranger(sorting store.Sorting) bool {
	var answers map[string]string
	if json.Unmarshal([]byte(sorting.Answers), &answers) != nil {
		return false // what cannot be read says nothing, here as in what the basket is fit for
	}
	for _, answer := range answers {
		if answer == string(identity.NotSeen) {
			return true
		}
	}
	return false
}

// LeftGrams is what is left of a picking in its basket: nothing was made of it yet, and it was not taken into the
// larder.
func (s *State) LeftGrams(picking store.Picking) float64 {
	grams := s.KeptGrams(picking) - s.StoredOf(picking.ID)
	for _, making := range s.Makings[picking.ID] {
		if making.Grams == nil {
			return 0
		}
		grams -= *making.Grams
	}
	return max(0, grams)
}

// TakenGrams sums what was taken of a part this season over all plantings, those since
// removed among them, without what was thrown out at the table.
func (s *State) TakenGrams(species, part string) (grams float64) {
	for _, p := range s.EverPlanted {
		if p.SpeciesID != species {
			continue
		}
		for _, picking := range p.Pickings {
			day, err := calendar.Parse(picking.Day)
			if err == nil && picking.Part == part && s.Season.Contains(day) {
				grams += s.KeptGrams(picking)
			}
		}
	}
	return grams
}
