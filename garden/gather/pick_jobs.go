package gather

import (
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// jobs are the pickings that are open or open soon.
var jobs = area.Source{Planting: pickJobs}

func pickJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	var jobs []area.Job
	for _, span := range s.Spans(p) {
		part := span.Window.Part
		at := max(on, span.First)
		if view.Refusal(s, p, part, at) != nil || span.Last < on {
			continue
		}
		offer, _ := view.Allowance(s, p, part, at)
		if !offer.Offered {
			continue
		}
		j := area.NewJob(s, p, "pick", part.Name, calendar.SeasonOf(s.Site.Latitude, span.First), span.First, span.Last, on)
		j.Minutes = math.Max(3, offer.Units*part.Harvest.MinutesEach.Value)
		j.View.Minutes = j.Minutes
		j.Stake, j.Wants = pickStake(s, p, part, on), agenda.DryDay
		j.View.Verb, j.View.What, j.View.Part = offer.Verb, view.PartOf(p.Species.Names.Name, part.Name), part.Name
		j.View.Amount = say.LowerFirst(offer.Amount) + " · " + offer.Weight
		if on < span.First {
			j.View.Reason = strings.TrimSpace(
				fmt.Sprintf("Opens %s. %s %s", say.ViewDates(span.Window.Opens).Text, offer.Sign, plot.LookedAt(p)),
			)
		} else {
			j.View.Reason = strings.TrimSpace(offer.Sign + " " + regrowthWords(offer) + offer.Weather)
		}
		j.View.Caution = strings.Join(offer.Cautions, " ")
		jobs = append(jobs, j)
	}
	return jobs
}

// pickStake is what is lost where a part is not picked: its year, where the household still needs of it, little where
// it has what it needs, and less than half where nobody said.
func pickStake(s *plot.State, p *plot.Planting, part flora.Part, on calendar.Date) float64 {
	const unsaid, covered = 0.3, 0.05
	needed := s.StillNeeded(p, part, s.YearOfLife(p, calendar.SeasonOf(s.Site.Latitude, on)))
	switch {
	case needed == nil:
		return unsaid
	case *needed <= 0:
		return covered
	}
	return 1
}

// regrowthWords repeats the regrowth limit's reason where there is one.
func regrowthWords(view view.AllowanceView) string {
	for _, limit := range view.Limits {
		if limit.Kind == "regrowth" {
			return limit.Reason + " "
		}
	}
	return ""
}
