package plot

import (
	"strings"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
)

// Marks are the signs of trouble that a round asks for.
var Marks = func() (all []string) {
	for _, t := range agenda.Troubles() {
		all = append(all, t.Mark)
	}
	return all
}()

// TroublesOf are the signs that a planting's last look marked, with the day, while they are
// worth doing something about.
func (p *Planting) TroublesOf(on calendar.Date) (found []agenda.Trouble, seen sighting) {
	if len(p.Sightings) == 0 {
		return nil, seen
	}
	seen = p.Sightings[len(p.Sightings)-1]
	for mark := range strings.SplitSeq(seen.Row.Marks, ",") {
		if t, is := agenda.TroubleOf(mark); is && on >= seen.Day && on.DaysSince(seen.Day) <= t.Days {
			found = append(found, t)
		}
	}
	return found, seen
}
