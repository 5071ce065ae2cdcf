package plot

import (
	"math"

	"bramblyacre/core/phenology"
)

// SizeShare is the planting's yield against full-grown plants: by age, and by
// the width last measured this season against the width expected then.
func (s *State) SizeShare(p *Planting, year int) float64 {
	return phenology.AgeShare(p.Species, year) * s.MeasuredScale(p)
}

// MeasuredScale is the last width measured this season against the expected one.
func (s *State) MeasuredScale(p *Planting) float64 {
	const least, most = 0.3, 1.5
	for i := len(p.Sightings) - 1; i >= 0 && p.Now != nil; i-- {
		seen := p.Sightings[i]
		if !s.Season.Contains(seen.Day) {
			break
		}
		if seen.Row.WidthM != nil {
			expected := p.Now.SizeOn(p.Species, p.Year, seen.Day).Width
			return math.Min(most, math.Max(least, *seen.Row.WidthM/expected))
		}
	}
	return 1
}
