// Package harvest computes when a part of a planting can be taken, how much of
// it today, and which limit decides.
package harvest

import (
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

// Window is the run of days on which a part can be taken.
type Window struct {
	Part flora.Part
	// Flush is the name of the flush, where the part is ready more than once a year or in some
	// months alone.
	Flush string
	phenology.Band
	season calendar.Season
}

// Age is how old a planting is in a season.
type Age struct {
	// Year is the year of life, 1 for the first.
	Year int
	// Seasons is how many seasons ago it was set, 0 for this one.
	Seasons int
	// Settles is how many seasons it is left alone after it was set.
	Settles int
}

// before is the age a season earlier.
func (a Age) before() Age { return Age{a.Year - 1, a.Seasons - 1, a.Settles} }

// Settled tells whether a planting has recovered from being set.
func (a Age) Settled() bool { return a.Seasons >= a.Settles }

// Windows returns the windows of every used part of a planting in its
// forecast's season, in the order of the species' parts; one that ripens in flushes has one
// for each. A part that is too young or too old this season, or not settled yet, has none.
func Windows(f *phenology.Forecast, species *flora.Species, age Age) []Window {
	var windows []Window
	for _, part := range species.Parts {
		if part.Harvest == nil {
			continue
		}
		for _, band := range f.Bands(part.Harvest.From, part.Harvest.Until, part.Harvest.Peak) {
			at := age
			if band.FromBefore { // a winter's rest belongs to the season before it
				at = age.before()
			}
			if !OfAge(part.Harvest, at) {
				continue
			}
			whole := Window{Part: part, Band: band, season: f.Season}
			if len(part.Harvest.Flushes) == 0 {
				windows = append(windows, whole)
			}
			for _, flush := range part.Harvest.Flushes {
				windows = append(windows, whole.within(flush))
			}
		}
	}
	return windows
}

// within is the window in the months of a flush alone.
func (w Window) within(flush flora.Flush) Window {
	w.Flush, w.ByDay = flush.Name, slices.Clone(w.ByDay)
	for i := range w.ByDay {
		if !flush.Season.Has(w.season.Start.AddDays(i).Month()) {
			w.ByDay[i] = 0
		}
	}
	w.Opens.Chance = 0 // its days are those of ByDay alone
	return w
}

// OfAge tells whether a rule allows taking at an age.
func OfAge(rule *flora.HarvestRule, age Age) bool {
	return age.Settled() && float64(age.Year) >= rule.MinYear.Value &&
		(rule.LastYear == nil || float64(age.Year) <= rule.LastYear.Value)
}

// ChanceOn returns the chance, 0–1, that the window is open on a day: 0 outside
// its season.
func (w Window) ChanceOn(day calendar.Date) float64 {
	if !w.season.Contains(day) {
		return 0
	}
	return w.ByDay[day.DaysSince(w.season.Start)]
}

// OpenOn tells whether a day lies within the window's likely days.
func (w Window) OpenOn(day calendar.Date) bool {
	first, last, opens := w.LikelyDays()
	return opens && day >= first && day <= last
}

// ReadyShare returns the expected share of plants inside a rule's stages on a
// day, 0–1; none outside the months of its flushes.
func ReadyShare(f *phenology.Forecast, rule *flora.HarvestRule, day calendar.Date) float64 {
	ripens := func(flush flora.Flush) bool { return flush.Season.Has(day.Month()) }
	if len(rule.Flushes) > 0 && !slices.ContainsFunc(rule.Flushes, ripens) {
		return 0
	}
	ready := 0.0
	for k, share := range f.SharesOn(day) {
		if f.Between(k, rule.From, rule.Until) {
			ready += share
		}
	}
	return min(1, ready)
}

// Season returns the season that the window belongs to.
func (w Window) Season() calendar.Season { return w.season }
