package now

import (
	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/view"
)

// asideJobs ask to see to a planting whose plant cannot be worked out.
func asideJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	j := area.NewJob(s, p, "care", "aside", s.Season, s.Today, s.Next.End, on)
	j.View.Verb, j.View.What = "See to the file of", p.SpeciesID
	j.View.Deadline = ""
	j.View.Reason = view.NoForecast(p) + " Mend the file under Plants, or take its last change back in the ledger."
	return []area.Job{j}
}
