package now

import (
	"fmt"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// troubleJobs ask to do something about what the last look marked. Done is done for that
// look: the next may mark it again.
func troubleJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	var jobs []area.Job
	found, seen := p.TroublesOf(on)
	for _, t := range found {
		j := area.NewJob(
			s,
			p,
			"care",
			fmt.Sprintf("seen-%d-%s", seen.Row.ID, strings.ReplaceAll(t.Mark, " ", "-")),
			s.Season,
			seen.Day,
			seen.Day.AddDays(t.Days),
			on,
		)
		j.Minutes = t.Minutes
		j.View.Minutes, j.View.Verb, j.View.What = t.Minutes, t.Verb, p.Species.Names.Name
		j.View.Amount = t.What + " · " + say.MinutesWords(t.Minutes)
		j.View.Reason = fmt.Sprintf("Seen on %s: %s. %s", seen.Day.DayMonth(), t.Mark, t.Why)
		jobs = append(jobs, j)
	}
	return jobs
}
