package plot

import (
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/care"
)

// Marks are the signs of trouble that a round asks for.
func (s *State) Marks() (all []string) {
	for _, t := range s.Lib.Care().Troubles {
		all = append(all, t.Mark)
	}
	return all
}

// TroublesOf are the signs that a planting's last look marked, with the day, while they are
// worth doing something about.
func (s *State) TroublesOf(p *Planting, on calendar.Date) (found []care.Trouble, seen sighting) {
	if len(p.Sightings) == 0 {
		return nil, seen
	}
	seen = p.Sightings[len(p.Sightings)-1]
	for mark := range strings.SplitSeq(seen.Row.Marks, ",") {
		if t, is := s.Lib.Care().Trouble(mark); is && on >= seen.Day && on.DaysSince(seen.Day) <= t.Days {
			found = append(found, t)
		}
	}
	return found, seen
}

const (
	// latelyDays is for how many days back weather counts as of late.
	latelyDays = 14
	// A fortnight is wet from so many mm of rain, dry below so many; cold by a night at or below 0 °C, warm by a mean of
	// its highest temperatures of 22 °C or more: round figures of ours.
	wetMM, dryMM, coldC, warmC = 40.0, 10.0, 0.0, 22.0
)

// Lately is what the weather of the last fortnight was, as far as it was read, with its rain in mm, its lowest
// temperature and the mean of its highest in °C.
func (s *State) Lately() (lately []care.Lately, rainMM, lowC, highC float64, known bool) {
	days, err := s.Sky.Read(s.Today.AddDays(-latelyDays), s.Today)
	if err != nil {
		return nil, 0, 0, 0, false
	}
	whole := 0
	for _, day := range days {
		if !day.Whole() {
			continue
		}
		if whole == 0 || day.Day.TMin < lowC {
			lowC = day.Day.TMin
		}
		rainMM += day.Day.Rain
		highC += day.Day.TMax
		whole++
	}
	if whole < latelyDays/2 {
		return nil, 0, 0, 0, false
	}
	highC /= float64(whole)
	for _, is := range []struct {
		what care.Lately
		so   bool
	}{{care.Wet, rainMM >= wetMM}, {care.Dry, rainMM <= dryMM}, {care.Cold, lowC <= coldC}, {care.Warm, highC >= warmC}} {
		if is.so {
			lately = append(lately, is.what)
		}
	}
	return lately, rainMM, lowC, highC, true
}
