// Package harvest computes when a part of a planting can be taken, how much of
// it today, and which limit decides.
package harvest

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

// Window is the run of days on which a part can be taken.
type Window struct {
	Part flora.Part
	phenology.Band
	season calendar.Season
}

// Windows returns the windows of every used part of a planting in its
// forecast's season, in the order of the species' parts. A part that is too
// young or too old this season has none.
func Windows(f *phenology.Forecast, species *flora.Species, yearOfLife int) []Window {
	var windows []Window
	for _, part := range species.Parts {
		if part.Harvest == nil {
			continue
		}
		for _, band := range f.Bands(part.Harvest.From, part.Harvest.Until, part.Harvest.Peak) {
			if OfAge(part.Harvest, bandYear(band, yearOfLife)) {
				windows = append(windows, Window{part, band, f.Season})
			}
		}
	}
	return windows
}

// bandYear is the year of life that a band counts for: a winter's rest belongs
// to the year before it.
func bandYear(band phenology.Band, yearOfLife int) int {
	if band.FromBefore {
		return yearOfLife - 1
	}
	return yearOfLife
}

// OfAge tells whether a rule allows taking in a year of life.
func OfAge(rule *flora.HarvestRule, yearOfLife int) bool {
	return float64(yearOfLife) >= rule.MinYear.Value &&
		(rule.LastYear == nil || float64(yearOfLife) <= rule.LastYear.Value)
}

// ChanceOn returns the chance, 0–1, that the window is open on a day: 0 outside
// its season.
func (w Window) ChanceOn(day calendar.Date) float64 {
	if !w.season.Contains(day) {
		return 0
	}
	return w.ByDay[day.DaysSince(w.season.Start)]
}

// openFrom is the chance from which a window counts as open.
const openFrom = 0.5

// OpenOn tells whether the window is more likely open than not on a day.
func (w Window) OpenOn(day calendar.Date) bool { return w.ChanceOn(day) >= openFrom }

// FirstDay returns the first day on which the window is more likely open than
// not, and LastDay the last; ok is false if it never is.
func (w Window) FirstDay() (day calendar.Date, ok bool) {
	for i, chance := range w.ByDay {
		if chance >= openFrom {
			return w.season.Start.AddDays(i), true
		}
	}
	return 0, false
}

// LastDay returns the last day on which the window is more likely open than
// not; ok is false if it never is.
func (w Window) LastDay() (day calendar.Date, ok bool) {
	for i := len(w.ByDay) - 1; i >= 0; i-- {
		if w.ByDay[i] >= openFrom {
			return w.season.Start.AddDays(i), true
		}
	}
	return 0, false
}

// ReadyShare returns the expected share of plants inside a rule's stages on a
// day, 0–1.
func ReadyShare(f *phenology.Forecast, rule *flora.HarvestRule, day calendar.Date) float64 {
	ready := 0.0
	past := false
	for k, share := range f.SharesOn(day) {
		stage := f.Stages[k]
		yearEnd := k > 0 && stage == flora.Resting
		switch {
		case rule.ThroughWinter():
			past = past || k > 0 && (stage >= rule.From || yearEnd)
			if past || stage < rule.Until {
				ready += share
			}
		case k > 0 && stage >= rule.From && stage < rule.Until:
			ready += share
		}
	}
	return min(1, ready)
}

// Season returns the season that the window belongs to.
func (w Window) Season() calendar.Season { return w.season }
