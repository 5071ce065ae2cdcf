package identity

import (
	"fmt"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// jobs are the checks that are owed, of plantings and of finds.
var jobs = area.Source{Planting: checkJobs, Plot: findJobs}

// checkStake is what a check that is left costs: the plant is not used this year. It puts jobs in an order.
const checkStake = 0.5

// checkJobs asks for the proof of a planting that could be used were it sure.
func checkJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	if p.IdentityState == identity.Sure || p.Ground != "" || !p.Species.IsUsed() || !s.Season.Contains(on) ||
		s.NotUpYet(p, on) {
		return nil
	}
	j := area.NewJob(s, p, "check", "identity", s.Season, s.Season.Start, s.Next.End, on)
	j.Minutes, j.Stake = 10, checkStake
	j.View.Minutes = j.Minutes
	j.View.Verb, j.View.What = "Check", p.Species.Names.Name
	j.View.Deadline = "before use"
	if p.IdentityState == identity.Excluded {
		j.View.Amount = "a check contradicted: it is something else"
		j.View.Reason = view.ProofWords(s, p.Rules, p.Finding, s.Looks[p.ID], p.Labelled())
		return []area.Job{j}
	}
	j.View.Amount = "unproven · nothing that is owed shows now"
	forecast, _ := s.ForecastOn(p, on)
	if now := askedNow(s, p.Rules, p.Finding, s.Looks[p.ID], p.Labelled(), forecast, on); len(now) > 0 {
		j.View.Amount = askedWords(now)
	}
	j.View.Reason = "Nothing of it is for use yet. " + view.ProofWords(s, p.Rules, p.Finding, s.Looks[p.ID], p.Labelled())
	for _, d := range p.Finding.DangersOwed {
		if at := slices.IndexFunc(
			p.Species.LookAlikes,
			func(l flora.LookAlike) bool { return l.ID == d.ID && d.Listed && l.Decides != "" },
		); at >= 0 {
			j.View.Reason = fmt.Sprintf(
				"Nothing of it is for use yet. First %s (%s): %s",
				d.Name,
				d.Danger,
				p.Species.LookAlikes[at].Decides,
			)
			break
		}
	}
	return []area.Job{j}
}

// findJobs ask for the check of each find while something that is owed shows.
func findJobs(s *plot.State, on calendar.Date) []area.Job {
	var jobs []area.Job
	for _, f := range s.Finds {
		rules := s.Lib.Rules(f.SpeciesID)
		if f.RemovedOn != nil || rules == nil {
			continue
		}
		finding := rules.Judge(plot.AsCore(s.FindLook[f.ID]), false)
		if finding.State != identity.Unproven {
			continue
		}
		forecast, err := s.Typical(rules.Species, rules.Species.FullGrownYear())
		if err != nil {
			continue // without a usual year nothing is known to show
		}
		day := s.ThisSeason(on)
		now := askedNow(s, rules, finding, s.FindLook[f.ID], false, forecast, day)
		if len(now) == 0 {
			continue
		}
		index, _ := forecast.StageOn(day)
		j := area.Job{
			Job: agenda.Job{Key: fmt.Sprintf("check:find:%d", f.ID), First: s.Season.Start, Last: s.Next.End, Minutes: 10},
		}
		j.View = area.JobView{
			Key:    j.Key,
			Kind:   "check",
			Verb:   "Check",
			What:   "the find, as " + rules.Species.Names.Name,
			FindID: f.ID,
			Bed:    f.Place,
			Stage:  forecast.Stages[index],
			Amount: askedWords(
				now,
			),
			Reason:   view.ProofWords(s, rules, finding, s.FindLook[f.ID], false),
			Deadline: "before use",
			First:    j.First,
			Last:     j.Last,
			Minutes:  j.Minutes,
		}
		jobs = append(jobs, j)
	}
	return jobs
}

// askedNow are the questions of a check that show on a day and are needed, for whoever
// of the household is furthest with a look that counts now.
func askedNow(
	s *plot.State,
	rules *identity.Rules,
	finding identity.Finding,
	looks []plot.Look,
	labelled bool,
	forecast *phenology.Forecast,
	on calendar.Date,
) []identity.Question {
	if forecast == nil {
		return nil
	}
	var fewest []identity.Question
	for i, by := range append(view.Lookers(s, looks), "") {
		reading, from := rules.Reading(plot.AsCore(looks), by, labelled)
		if from > on {
			continue
		}
		needed := slices.DeleteFunc(
			rules.Questions(finding, reading, view.ShowsOn(forecast, rules.Species, on)),
			func(q identity.Question) bool { return !q.Needed },
		)
		if i == 0 || fewest == nil || len(needed) > 0 && len(needed) < len(fewest) {
			fewest = needed
		}
	}
	return fewest
}

func askedWords(now []identity.Question) string {
	return "unproven · " + say.Counted(
		float64(len(now)),
		"character to look at",
		"characters to look at",
	) + ", first the " + now[0].Character.Name
}
