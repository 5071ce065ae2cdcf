package plot

import (
	"maps"

	"bramblyacre/core/ground"
	"bramblyacre/store"
)

const (
	// moistureDays is over how many days back a bed's reckoned water is taken for its moisture, and leastMoistureDays
	// fewer than that tell nothing.
	moistureDays, leastMoistureDays = 90, 45
)

// groundOf is what is known of a bed's ground. Where nobody said how moist it is and no sign or test told, its reckoned
// water does: that of the days behind and of those ahead.
func (s *State) groundOf(bed store.Bed) map[string]ground.Belief {
	believed := s.Beliefs[bed.ID]
	moisture, has := believed[ground.Moisture]
	if !has || len(moisture.Evidence) > 0 {
		return believed
	}
	w, err := s.Water(bed)
	if err != nil {
		return believed // what cannot be reckoned says nothing
	}
	gone, days := 0.0, 0
	for _, day := range w.Past[max(0, len(w.Past)-moistureDays):] {
		gone += day.Gone
		days++
	}
	for _, day := range w.Ahead {
		gone += day.P50
		days++
	}
	if days < leastMoistureDays {
		return believed
	}
	with := maps.Clone(believed)
	with[ground.Moisture] = ground.Weigh(moisture.Aspect, ground.ReckonedMoisture(gone/float64(days), days))
	return with
}
