package plot

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

// ThisSeason is a day of the next season as the same day of this one: a usual year
// is the same.
func (s *State) ThisSeason(on calendar.Date) calendar.Date {
	if !s.Next.Contains(on) {
		return on
	}
	return min(s.Season.Start.AddDays(on.DaysSince(s.Next.Start)), s.Season.End)
}

// FullGrownYear is the year of life in which a species shows all that it has: its
// last for a biennial.
func FullGrownYear(s *flora.Species) int {
	switch s.Life.Form {
	case flora.Annual:
		return 1
	case flora.Biennial:
		return 2
	}
	return max(1, int(s.Life.FullAge.Value))
}

// Typical forecasts this season for a species in a year of life, as nobody has
// looked at it: at the usual pace, in the open. A year that begins with a sowing begins
// on its usual day, as far into the season as at the station that tells it.
func (s *State) Typical(species *flora.Species, year int) (*phenology.Forecast, error) {
	key := usualYear{species, year}
	if known, has := s.Usual.Load(key); has {
		return known.(*phenology.Forecast), nil
	}
	daylight, made := s.Sky.daylight[s.Season]
	if !made {
		var err error
		if daylight, err = phenology.NewDaylight(s.Site.Latitude, s.Season); err != nil {
			return nil, err
		}
	}
	plan, err := phenology.NewPlan(species, year, daylight, s.usualStart(species, year, s.Season))
	if err != nil {
		return nil, fmt.Errorf("forecast %s: %w", species.ID, err)
	}
	forecast := plan.Forecast(s.Sky.Seasons[s.Season], phenology.PriorPace(), nil)
	s.Usual.Store(key, forecast)
	return forecast, nil
}

// usualYear is a year of a species' life, as nobody has looked at it.
type usualYear struct {
	species *flora.Species
	year    int
}
