package now

import (
	"fmt"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/care"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/plan"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

const (
	// nightMinutes is the work of covering a planting or carrying it in or out.
	nightMinutes = 10
	// nightsAhead is for how many nights ahead a cold one is told.
	nightsAhead = 3
	// frostRow and outRow are what the jobs before the first cold night and after the last are kept by.
	frostRow, outRow = "frost", "out"
)

// nightJobs ask for shelter before the nights that a planting does not outlast unharmed, in autumn and whenever such a
// night is at hand, and for what was sheltered to be taken out again.
func nightJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	season := s.Season
	if s.Next.Contains(on) {
		season = s.Next
	}
	ensemble, err := s.Sky.Ensemble(season)
	forecast, _ := s.ForecastOn(p, on)
	if err != nil || forecast == nil {
		return nil
	}
	var jobs []area.Job
	if j, wanted := outJob(s, p, ensemble, on); wanted {
		jobs = append(jobs, j)
	}
	if isSheltered(s, p, season) {
		return jobs
	}
	if j, wanted := frostJob(s, p, ensemble, on); wanted {
		jobs = append(jobs, j)
	}
	if j, wanted := coldNightJob(s, p, ensemble, on); wanted {
		jobs = append(jobs, j)
	}
	return jobs
}

// frostJob asks for shelter before the first night of autumn that harms a planting.
func frostJob(s *plot.State, p *plot.Planting, ensemble *climate.Ensemble, on calendar.Date) (area.Job, bool) {
	limit, harm := mostTender(p.Species)
	sheltered := func(row flora.Care) bool {
		return row.ByNight.Unit != "" && row.ByNight.Value >= limit.Value && s.Lib.Care().WorkOf(row).Name == care.Shelter
	}
	if harm == "" || slices.ContainsFunc(p.Species.Care, sheltered) { // its own row asks before
		return area.Job{}, false
	}
	nights, comes := view.NightsBefore(s, p, ensemble, limit.Value)
	if !comes {
		return area.Job{}, false
	}
	j := shelterJob(s, p, frostRow, ensemble.Season, harm, limit, nights.First, nights.Last, on)
	j.BestFirst, j.BestLast = nights.First, nights.Best
	j.View.Reason = fmt.Sprintf(
		"A night at %s or below %s. The first may come about %s; such a night comes %s (%s).",
		s.Units.Temperature(limit.Value), harmWords(harm), nights.Rare.DayMonth(), nights.ChanceWords(), limit.Standing)
	j.View.Deadline = "best by " + nights.Best.DayMonth()
	if agenda.UrgencyOn(j.Job, on) == agenda.Closing {
		j.View.Deadline = say.DaysLeft(on, nights.Last)
	}
	return j, true
}

// coldNightJob asks for shelter where one of the next nights is likely enough at or below what harms a planting at
// the stage that it is in.
func coldNightJob(s *plot.State, p *plot.Planting, ensemble *climate.Ensemble, on calendar.Date) (area.Job, bool) {
	limit, harm := tenderNow(s, p, on)
	if harm == "" || on != s.Today {
		return area.Job{}, false
	}
	warmer, _ := s.Warmer(p.Bed)
	likely := s.Work().NightChance
	for ahead := 1; ahead <= nightsAhead; ahead++ {
		at := on.AddDays(ahead).DaysSince(ensemble.Season.Start)
		if at >= ensemble.Season.Days() {
			break
		}
		cold := 0.0
		for m := range ensemble.Size() {
			if ensemble.Weather(m)[at].TMin+warmer.Value <= limit.Value {
				cold += 1 / float64(ensemble.Size())
			}
		}
		if cold < likely {
			continue
		}
		evening := on.AddDays(ahead - 1)
		j := shelterJob(s, p, "night-"+evening.String(), ensemble.Season, harm, limit, on, evening, on)
		j.View.Reason = fmt.Sprintf(
			"The night to %s is at %s or below in %s of what may come, and such a night %s (%s).",
			evening.AddDays(1).DayMonth(), s.Units.Temperature(limit.Value), say.InTen(cold), harmWords(harm), limit.Standing)
		return j, true
	}
	return area.Job{}, false
}

// outJob asks for what was sheltered through the winter to be taken out, by and by, when nights have warmed.
func outJob(s *plot.State, p *plot.Planting, ensemble *climate.Ensemble, on calendar.Date) (area.Job, bool) {
	limit, harm := mostTender(p.Species)
	season := ensemble.Season
	if harm == "" || !wasSheltered(s, p, season.Start.Year()-1) {
		return area.Job{}, false
	}
	warmer, _ := s.Warmer(p.Bed)
	half, tenth := ensemble.FrostDates(limit.Value-warmer.Value, 0.5), ensemble.FrostDates(limit.Value-warmer.Value, 0.1)
	first, best := season.Start, season.Start
	if half.HasLast {
		first = half.Last.AddDays(1)
	}
	if tenth.HasLast {
		best = tenth.Last.AddDays(1)
	}
	const lasts = 30
	j := area.NewJob(s, p, "care", outRow, season, first, best.AddDays(lasts), on)
	j.BestFirst, j.BestLast, j.Stake, j.Minutes = best, best.AddDays(lasts/2), 0.3, nightMinutes
	j.View.What, j.View.Minutes = p.Species.Names.Name, j.Minutes
	j.View.Verb, j.View.Amount = "Uncover", "on mild days first"
	if isPot(s, p) {
		j.View.Verb, j.View.Amount = "Take out", "for some hours a day at first, out of noon sun and wind, for a week"
	}
	j.View.Amount += " · " + say.MinutesWords(j.Minutes)
	j.View.Reason = fmt.Sprintf(
		"It was sheltered in autumn. A night at %s or below comes after %s in 1 year of 10.",
		s.Units.Temperature(limit.Value), best.AddDays(-1).DayMonth())
	j.View.Cost = "It grows weak and pale in the dark."
	return j, true
}

// shelterJob is a job to cover a planting, or to bring its pot in.
func shelterJob(
	s *plot.State, p *plot.Planting, row string, season calendar.Season, harm string, limit flora.Figure,
	first, last, on calendar.Date,
) area.Job {
	j := area.NewJob(s, p, "care", row, season, first, last, on)
	j.Irreversible, j.Stake, j.Minutes = harm == flora.Kills, 0.4, nightMinutes
	j.View.Cost = "The night " + harmWords(harm) + "."
	if j.Irreversible {
		j.Stake = 1
	}
	night := s.Units.Temperature(limit.Value)
	j.View.Minutes, j.View.What = j.Minutes, p.Species.Names.Name
	j.View.Verb, j.View.Amount = "Cover", "against nights of "+night
	if isPot(s, p) {
		j.View.Verb, j.View.Amount = "Bring in", "before nights of "+night
	}
	j.View.Amount += " · " + say.MinutesWords(j.Minutes)
	return j
}

func isPot(s *plot.State, p *plot.Planting) bool { return s.Forms[p.BedID].Shape == plan.Round }

// wasSheltered tells whether a planting was noted as sheltered in the autumn of the season that began in a year.
func wasSheltered(s *plot.State, p *plot.Planting, year int) bool {
	done := func(row string) bool {
		answer, has := s.Answer(view.CareKey(p, row, year))
		return has && answer.Answer == Done
	}
	if done(frostRow) {
		return true
	}
	return slices.ContainsFunc(p.Species.Care, func(row flora.Care) bool {
		return row.ByNight.Unit != "" && s.Lib.Care().WorkOf(row).Name == care.Shelter && done(row.ID)
	})
}

// isSheltered tells whether a planting is under cover: it was brought there this season, or in the last and not
// taken out since.
func isSheltered(s *plot.State, p *plot.Planting, season calendar.Season) bool {
	year := season.Start.Year()
	out, has := s.Answer(view.CareKey(p, outRow, year))
	return wasSheltered(s, p, year) || wasSheltered(s, p, year-1) && (!has || out.Answer != Done)
}

func harmWords(harm string) string {
	switch harm {
	case flora.Kills:
		return "kills it"
	case flora.Harms:
		return "harms it"
	}
	return "ends its growth for the year"
}

// mostTender is the warmest night at which frost harms a species, and what it does; nothing
// where none is on record.
func mostTender(species *flora.Species) (limit flora.Figure, harm string) {
	for _, frost := range species.Tender {
		tender := frost.Does != flora.EndsTheYear || species.Life.Habit == "shrub"
		if tender && frost.From == frost.Until && (harm == "" || frost.Below.Value > limit.Value) {
			limit, harm = frost.Below, frost.Does
		}
	}
	return limit, harm
}

// tenderNow is the warmest night at which frost harms a planting at the stage that it is likely in.
func tenderNow(s *plot.State, p *plot.Planting, on calendar.Date) (limit flora.Figure, harm string) {
	forecast, _ := s.ForecastOn(p, on)
	if forecast == nil || s.NotUpYet(p, on) {
		return limit, ""
	}
	index, _ := forecast.StageOn(on)
	if stage := forecast.Stages[index]; stage != flora.Resting || p.Species.Life.KeepsLeaf {
		limit, harm = mostTender(p.Species)
		for _, frost := range p.Species.Tender {
			within := frost.From != frost.Until && stage >= frost.From && stage < frost.Until
			if within && (harm == "" || frost.Below.Value > limit.Value) {
				limit, harm = frost.Below, frost.Does
			}
		}
	}
	return limit, harm
}
