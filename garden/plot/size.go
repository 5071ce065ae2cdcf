package plot

import (
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

// SizeShare is the planting's yield against full-grown plants: by age, and by
// the width last measured this season against the width expected then, or where nobody measured
// by the water that it lacked. rule is of the part that is taken on a day, nil for the top: roots and what is lifted
// through the winter are the work of years, so this season's lack alone does not move them, nor does the
// turn of the year give anything back.
func (s *State) SizeShare(p *Planting, year int, rule *flora.HarvestRule, on calendar.Date) float64 {
	share := phenology.AgeShare(p.Species, year)
	if scale, measured := s.measuredScale(p); measured || s.isOfYears(p, rule, on) {
		return share * scale
	}
	return share * s.GrownShare(p)
}

func (s *State) isOfYears(p *Planting, rule *flora.HarvestRule, on calendar.Date) bool {
	if rule == nil {
		return false
	}
	forecast, _ := s.ForecastOn(p, on)
	return rule.TakesPlant || forecast != nil && forecast.ThroughWinter(rule.From, rule.Until)
}

// GrownShare is what is left of a planting's growth of this season by the water that it lacked, 1 for all; 1 where
// its water cannot be reckoned.
func (s *State) GrownShare(p *Planting) float64 {
	if p.Aside || p.Bed.RemovedOn != nil {
		return 1
	}
	w, err := s.Water(p.Bed)
	if err != nil {
		return 1
	}
	if grown, has := w.Grown[p.ID]; has {
		return grown
	}
	return 1
}

// MeasuredScale is the last width measured this season against the expected one, 1 where nobody measured.
func (s *State) MeasuredScale(p *Planting) float64 {
	scale, _ := s.measuredScale(p)
	return scale
}

func (s *State) measuredScale(p *Planting) (scale float64, measured bool) {
	const least, most = 0.3, 1.5
	for i := len(p.Sightings) - 1; i >= 0 && p.Now != nil; i-- {
		seen := p.Sightings[i]
		if !s.Season.Contains(seen.Day) {
			break
		}
		if seen.Row.WidthM != nil {
			expected := p.Now.SizeOn(p.Species, p.Year, seen.Day).Width
			return math.Min(most, math.Max(least, *seen.Row.WidthM/expected)), true
		}
	}
	return 1, false
}
