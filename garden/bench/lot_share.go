package bench

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

const yearDays = 365

// lotYears is how old a lot's seed is on a day, in years.
func lotYears(lot store.SeedLot, on calendar.Date) float64 {
	ripe := dayOf(&lot.RipeOn)
	if ripe == plot.NoDay || ripe > on {
		return 0
	}
	return float64(on.DaysSince(ripe)) / yearDays
}

// seenOfLot is what was counted of a lot: its newest test, if that is not too old, and every tray
// of it whose count is closed since; nil where there is neither.
func seenOfLot(s *plot.State, lot store.SeedLot) (share *propagation.Share, from string) {
	good := int(s.Lib.Bench().Seed.TestMonths.Value * yearDays / 12)
	lately := func(day calendar.Date) bool { return day != plot.NoDay && s.Today.DaysSince(day) <= good }
	see := func(up, of int, what string) {
		if share == nil {
			tested, err := propagation.Tested(up, of)
			if err != nil {
				return
			}
			share, from = &tested, what
			return
		}
		more := share.Seen(up, of)
		share, from = &more, from+" and "+what
	}
	var newest *store.SeedTest
	for _, test := range tests.Of(s) { // by day
		if test.LotID == lot.ID && lately(dayOf(&test.Day)) {
			newest = &test
		}
	}
	if newest != nil {
		see(int(newest.CameUp), int(newest.Tried), "a test")
	}
	for _, b := range batches.Of(s) {
		if b.LotID == nil || *b.LotID != lot.ID || b.BegunOn == nil || !lately(dayOf(b.BegunOn)) {
			continue
		}
		if up, closed := countedUp(s, b); closed {
			see(min(up, int(b.Starts)), int(b.Starts), "a tray")
		}
	}
	return share, from
}

// knownLot is a lot as an attempt takes it.
func knownLot(s *plot.State, lot store.SeedLot, on calendar.Date) *propagation.SeedLot {
	longer, err := s.Lib.Bench().Seed.Storage(lot.Storage)
	if err != nil {
		longer = s.Lib.Bench().Seed.Kitchen // the careful one
	}
	seen, _ := seenOfLot(s, lot)
	return &propagation.SeedLot{Years: lotYears(lot, on), Longer: longer, Seen: seen}
}

// seedsOf is about how many seeds are left in a lot, by the grower's own count or the species'
// figure; known is false where nobody can tell.
func seedsOf(lot store.SeedLot, row *flora.Propagation) (seeds float64, known bool) {
	switch {
	case lot.Grams == nil:
		return 0, false
	case *lot.Grams == 0:
		return 0, true
	case lot.SeedsGram != nil:
		return *lot.Grams * *lot.SeedsGram, true
	case row != nil && row.SeedsGram != nil:
		return *lot.Grams * row.SeedsGram.Value, true
	}
	return 0, false
}

// standingLots are the lots of a species that are not used up, those tested first, then the youngest.
func standingLots(s *plot.State, speciesID string) (standing []store.SeedLot) {
	for _, lot := range plot.SeedLots.Of(s) {
		if lot.SpeciesID == speciesID && lot.RemovedOn == nil {
			standing = append(standing, lot)
		}
	}
	return standing
}

// seedRow is a species' row for seed; nil where it has none.
func seedRow(species *flora.Species) *flora.Propagation {
	for i := range species.Propagations {
		if species.Propagations[i].Way == "seed" {
			return &species.Propagations[i]
		}
	}
	return nil
}

// aliveOf is the share of a lot that is alive, as a spread over what is not known: P10, P50, P90.
// Known is false where how long the seed lives is not on record and nothing was counted.
func aliveOf(s *plot.State, lot store.SeedLot, on calendar.Date) (spread [3]float64, known bool) {
	if seen, _ := seenOfLot(s, lot); seen != nil {
		return [3]float64{seen.Quantile(0.1), seen.Quantile(0.5), seen.Quantile(0.9)}, true
	}
	species, has := s.Lib.Species(lot.SpeciesID)
	if !has {
		return spread, false
	}
	row := seedRow(species)
	if row == nil || row.SeedLife == nil {
		return spread, false
	}
	return knownLot(s, lot, on).Alive(*row.SeedLife, s.Lib.Bench()), true
}
