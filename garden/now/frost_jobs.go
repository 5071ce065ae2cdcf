package now

import (
	"fmt"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/plan"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// The chances by which a night of frost comes that its job goes by: the first day is before
// all but the rarest years' frost, the best before nine in ten, the last as likely as not.
const (
	frostFirst, frostBest, frostLast = 0.02, 0.10, 0.50
	// frostNotice is how many days before the first day the job is told.
	frostNotice = 10
)

// frostJobs ask for shelter before the nights that a planting does not outlast unharmed.
func frostJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	season := s.Season
	if s.Next.Contains(on) {
		season = s.Next
	}
	ensemble, err := s.Sky.Ensemble(season)
	forecast, _ := s.ForecastOn(p, on)
	limit, harm := mostTender(p.Species)
	if err != nil || forecast == nil || harm == "" {
		return nil
	}
	warmer, _ := s.Warmer(p.Bed)
	at := limit.Value - warmer.Value
	dates := func(chance float64) (calendar.Date, bool) {
		d := ensemble.FrostDates(at, chance)
		return d.First, d.HasFirst
	}
	best, comes := dates(frostBest)
	if !comes {
		return nil // fewer than one autumn in ten has such a night
	}
	first, _ := dates(frostFirst)
	last, most := dates(frostLast)
	if !most {
		last = season.End
	}
	first = min(first, best)
	j := area.NewJob(s, p, "care", "frost", season, first.AddDays(-frostNotice), last, on)
	j.Irreversible = harm == flora.Kills
	j.Minutes = 10
	j.View.Minutes, j.View.What = j.Minutes, p.Species.Names.Name
	night := s.Units.Temperature(limit.Value)
	j.View.Verb, j.View.Amount = "Cover", "against nights of "+night
	if s.Forms[p.BedID].Shape == plan.Round {
		j.View.Verb, j.View.Amount = "Bring in", "before nights of "+night
	}
	j.View.Amount += " · " + say.MinutesWords(j.Minutes)
	ends := "ends its growth for the year"
	if harm == flora.Kills {
		ends = "kills it"
	}
	chances := fmt.Sprintf("in 1 year of 10 by %s", best.DayMonth())
	if most {
		chances += fmt.Sprintf(", in 5 of 10 by %s", last.DayMonth())
	}
	j.View.Reason = fmt.Sprintf(
		"A night at %s or below %s. The first may come about %s; such a night comes %s (%s).",
		night,
		ends,
		first.DayMonth(),
		chances,
		limit.Standing,
	)
	j.View.Deadline = "best by " + best.DayMonth()
	if agenda.UrgencyOn(j.Job, on) == agenda.Closing {
		j.View.Deadline = say.DaysLeft(on, last)
	}
	return []area.Job{j}
}

// mostTender is the warmest night at which frost harms a species, and what it does; nothing
// where none is on record.
func mostTender(species *flora.Species) (limit flora.Figure, harm string) {
	for _, frost := range species.Tender {
		tender := frost.Does != flora.EndsTheYear || species.Life.Habit == "shrub"
		if tender && (harm == "" || frost.Below.Value > limit.Value) {
			limit, harm = frost.Below, frost.Does
		}
	}
	return limit, harm
}
