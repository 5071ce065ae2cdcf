package garden

import (
	"fmt"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/plan"
)

// The chances by which a night of frost comes that its job goes by: the first day is before
// all but the rarest years' frost, the best before nine in ten, the last as likely as not.
const (
	frostFirst, frostBest, frostLast = 0.02, 0.10, 0.50
	// frostNotice is how many days before the first day the job is told.
	frostNotice = 10
)

// frostJobs ask for shelter before the nights that a planting does not outlast unharmed.
func (s *state) frostJobs(p *planting, on calendar.Date) []job {
	season := s.season
	if s.next.Contains(on) {
		season = s.next
	}
	ensemble, made := s.sky.seasons[season]
	forecast, _ := s.on(p, on)
	limit, harm := mostTender(p.species)
	if !made || forecast == nil || harm == "" {
		return nil
	}
	warmer, _ := s.warmer(p.bed)
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
	j := s.jobFor(p, "care", "frost", season, first.AddDays(-frostNotice), last, on)
	j.Irreversible = harm == flora.Kills
	j.Minutes = 10
	j.view.Minutes, j.view.What = j.Minutes, p.species.Names.Name
	night := s.units.Temperature(limit.Value)
	j.view.Verb, j.view.Amount = "Cover", "against nights of "+night
	if s.forms[p.BedID].Shape == plan.Round {
		j.view.Verb, j.view.Amount = "Bring in", "before nights of "+night
	}
	j.view.Amount += " · " + minutesWords(j.Minutes)
	ends := "ends its growth for the year"
	if harm == flora.Kills {
		ends = "kills it"
	}
	chances := fmt.Sprintf("in 1 year of 10 by %s", best.DayMonth())
	if most {
		chances += fmt.Sprintf(", in 5 of 10 by %s", last.DayMonth())
	}
	j.view.Reason = fmt.Sprintf("A night at %s or below %s. The first may come about %s; such a night comes %s (%s).", night, ends, first.DayMonth(), chances, limit.Standing)
	j.view.Deadline = "best by " + best.DayMonth()
	if agenda.UrgencyOn(j.Job, on) == agenda.Closing {
		j.view.Deadline = daysLeft(on, last)
	}
	return []job{j}
}

// mostTender is the warmest night at which frost harms a species, and what it does; nothing
// where none is on record.
func mostTender(species *flora.Species) (limit flora.Figure, harm string) {
	for _, frost := range species.Growth.Frosts {
		tender := frost.Does == flora.Kills || species.Life.Habit == "shrub"
		if tender && (harm == "" || frost.Below.Value > limit.Value) {
			limit, harm = frost.Below, frost.Does
		}
	}
	return limit, harm
}
