package garden

import "bramblyacre/core/calendar"

// asideJobs ask to see to a planting whose plant cannot be worked out.
func (s *state) asideJobs(p *planting, on calendar.Date) []job {
	j := s.jobFor(p, "care", "aside", s.season, s.today, s.next.End, on)
	j.view.Verb, j.view.What = "See to the file of", p.SpeciesID
	j.view.Deadline = ""
	j.view.Reason = p.noForecast() + " Mend the file under Plants, or take its last change back in the ledger."
	return []job{j}
}
