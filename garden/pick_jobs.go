package garden

import (
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/calendar"
)

// gatherJobs are the pickings that are open or open soon.
var gatherJobs = jobSource{planting: (*state).pickJobs}

func (s *state) pickJobs(p *planting, on calendar.Date) []job {
	var jobs []job
	for _, span := range s.spans(p) {
		part := span.window.Part
		at := max(on, span.first)
		if s.refusal(p, part, at) != nil || span.last < on {
			continue
		}
		offer, _ := s.allowance(p, part, at)
		if !offer.Offered {
			continue
		}
		j := s.jobFor(p, "pick", part.Name, calendar.SeasonOf(s.site.Latitude, span.first), span.first, span.last, on)
		j.Minutes = math.Max(3, offer.Units*part.Harvest.MinutesEach.Value)
		j.view.Minutes = j.Minutes
		j.view.Verb, j.view.What, j.view.Part = offer.Verb, partOf(p.species.Names.Name, part.Name), part.Name
		j.view.Amount = lowerFirst(offer.Amount) + " · " + offer.Weight
		if on < span.first {
			j.view.Reason = strings.TrimSpace(fmt.Sprintf("Opens %s. %s %s", viewDates(span.window.Opens).Text, offer.Sign, lookedAt(p)))
		} else {
			j.view.Reason = strings.TrimSpace(offer.Sign + " " + regrowthWords(offer) + offer.Weather)
		}
		j.view.Caution = strings.Join(offer.Cautions, " ")
		jobs = append(jobs, j)
	}
	return jobs
}

// regrowthWords repeats the regrowth limit's reason where there is one.
func regrowthWords(view AllowanceView) string {
	for _, limit := range view.Limits {
		if limit.Kind == "regrowth" {
			return limit.Reason + " "
		}
	}
	return ""
}
