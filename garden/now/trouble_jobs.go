package now

import (
	"fmt"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// troubleStakes are what a trouble that is left costs of a planting's year, by how soon something is to be done: they
// put jobs in an order.
var troubleStakes = map[string]float64{"today": 0.6, "this week": 0.3, "can wait": 0.1}

// troubleJobs ask to do something about what the last look marked. Done is done for that
// look: the next may mark it again.
func troubleJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	var jobs []area.Job
	found, seen := s.TroublesOf(p, on)
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
		j.Minutes, j.Stake = t.Minutes, troubleStakes[t.Urgent]
		j.View.Trouble = t.Mark
		j.View.Minutes, j.View.Verb, j.View.What = t.Minutes, t.Verb, p.Species.Names.Name
		j.View.Amount = t.What + " · " + say.MinutesWords(t.Minutes)
		j.View.Reason = fmt.Sprintf("Seen on %s: %s. %s", seen.Day.DayMonth(), t.Mark, t.Why)
		jobs = append(jobs, j)
	}
	return jobs
}
