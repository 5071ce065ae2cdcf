package garden

import (
	"fmt"
	"strings"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
)

// marks are the signs of trouble that a round asks for.
var marks = func() (all []string) {
	for _, t := range agenda.Troubles() {
		all = append(all, t.Mark)
	}
	return all
}()

// troublesOf are the signs that a planting's last look marked, with the day, while they are
// worth doing something about.
func (p *planting) troublesOf(on calendar.Date) (found []agenda.Trouble, seen sighting) {
	if len(p.sightings) == 0 {
		return nil, seen
	}
	seen = p.sightings[len(p.sightings)-1]
	for mark := range strings.SplitSeq(seen.row.Marks, ",") {
		if t, is := agenda.TroubleOf(mark); is && on >= seen.Day && on.DaysSince(seen.Day) <= t.Days {
			found = append(found, t)
		}
	}
	return found, seen
}

// troubleJobs ask to do something about what the last look marked. Done is done for that
// look: the next may mark it again.
func (s *state) troubleJobs(p *planting, on calendar.Date) []job {
	var jobs []job
	found, seen := p.troublesOf(on)
	for _, t := range found {
		j := s.jobFor(p, "care", fmt.Sprintf("seen-%d-%s", seen.row.ID, strings.ReplaceAll(t.Mark, " ", "-")), s.season, seen.Day, seen.Day.AddDays(t.Days), on)
		j.Minutes = t.Minutes
		j.view.Minutes, j.view.Verb, j.view.What = t.Minutes, t.Verb, p.species.Names.Name
		j.view.Amount = t.What + " · " + minutesWords(t.Minutes)
		j.view.Reason = fmt.Sprintf("Seen on %s: %s. %s", seen.Day.DayMonth(), t.Mark, t.Why)
		jobs = append(jobs, j)
	}
	return jobs
}

// troubleNotices are what to mind of the last look where something is picked.
func (p *planting) troubleNotices(on calendar.Date) []string {
	var words []string
	found, seen := p.troublesOf(on)
	for _, t := range found {
		if t.Picking != "" {
			words = append(words, fmt.Sprintf("Seen on %s: %s. %s", seen.Day.DayMonth(), t.Mark, t.Picking))
		}
	}
	return words
}
