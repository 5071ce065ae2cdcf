package plot

import (
	"bramblyacre/core/calendar"
)

func LookedAt(p *Planting) string {
	if len(p.Sightings) == 0 {
		return "Never looked at, so wide."
	}
	return ""
}

// NotUpYet tells whether a sowing likely still lies in the ground: there is nothing to look
// at.
func (s *State) NotUpYet(p *Planting, on calendar.Date) bool {
	forecast, year := s.ForecastOn(p, on)
	if forecast == nil || !p.OriginRow.FromStart || year != 1 {
		return false
	}
	index, _ := forecast.StageOn(on)
	return index == 0 && on.DaysSince(p.Started) < forecast.Season.Days()
}
