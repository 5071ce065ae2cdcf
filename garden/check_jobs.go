package garden

import (
	"fmt"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
)

// identityJobs are the checks that are owed, of plantings and of finds.
var identityJobs = jobSource{planting: (*state).checkJobs, plot: (*state).findJobs}

// checkJobs asks for the proof of a planting that could be used were it sure.
func (s *state) checkJobs(p *planting, on calendar.Date) []job {
	if p.identity == identity.Sure || p.ground != "" || !p.species.IsUsed() || !s.season.Contains(on) || s.notUpYet(p, on) {
		return nil
	}
	j := s.jobFor(p, "check", "identity", s.season, s.season.Start, s.next.End, on)
	j.Minutes = 10
	j.view.Minutes = j.Minutes
	j.view.Verb, j.view.What = "Check", p.species.Names.Name
	j.view.Deadline = "before use"
	if p.identity == identity.Excluded {
		j.view.Amount = "a check contradicted: it is something else"
		j.view.Reason = s.proofWords(p.rules, p.finding, s.looks[p.ID], p.labelled())
		return []job{j}
	}
	j.view.Amount = "unproven · nothing that is owed shows now"
	forecast, _ := s.on(p, on)
	if now := s.askedNow(p.rules, s.looks[p.ID], p.labelled(), forecast, on); len(now) > 0 {
		j.view.Amount = askedWords(now)
	}
	j.view.Reason = "Nothing of it is for use yet. " + s.proofWords(p.rules, p.finding, s.looks[p.ID], p.labelled())
	for _, d := range p.finding.DangersOwed {
		if at := slices.IndexFunc(p.species.LookAlikes, func(l flora.LookAlike) bool { return l.ID == d.ID && d.Listed && l.Decides != "" }); at >= 0 {
			j.view.Reason = fmt.Sprintf("Nothing of it is for use yet. First %s (%s): %s", d.Name, d.Danger, p.species.LookAlikes[at].Decides)
			break
		}
	}
	return []job{j}
}

// findJobs ask for the check of each find while something that is owed shows.
func (s *state) findJobs(on calendar.Date) []job {
	var jobs []job
	for _, f := range s.finds {
		rules := s.lib.Rules(f.SpeciesID)
		if f.RemovedOn != nil || rules == nil {
			continue
		}
		finding := rules.Judge(asCore(s.findLook[f.ID]), false)
		if finding.State != identity.Unproven {
			continue
		}
		forecast, err := s.typical(rules.Species, fullGrownYear(rules.Species))
		if err != nil {
			continue // without a usual year nothing is known to show
		}
		day := s.thisSeason(on)
		now := s.askedNow(rules, s.findLook[f.ID], false, forecast, day)
		if len(now) == 0 {
			continue
		}
		index, _ := forecast.StageOn(day)
		j := job{Job: agenda.Job{Key: fmt.Sprintf("check:find:%d", f.ID), First: s.season.Start, Last: s.next.End, Minutes: 10}}
		j.view = JobView{
			Key: j.Key, Kind: "check", Verb: "Check", What: "the find, as " + rules.Species.Names.Name, FindID: f.ID, Bed: f.Place, Stage: forecast.Stages[index],
			Amount: askedWords(now), Reason: s.proofWords(rules, finding, s.findLook[f.ID], false), Deadline: "before use", First: j.First, Last: j.Last, Minutes: j.Minutes,
		}
		jobs = append(jobs, j)
	}
	return jobs
}

// askedNow are the questions of a check that show on a day and are needed, for whoever
// of the household is furthest with a look that counts now.
func (s *state) askedNow(rules *identity.Rules, looks []look, labelled bool, forecast *phenology.Forecast, on calendar.Date) []identity.Question {
	if forecast == nil {
		return nil
	}
	finding := rules.Judge(asCore(looks), labelled)
	var fewest []identity.Question
	for i, by := range append(s.lookers(looks), "") {
		reading, from := rules.Reading(asCore(looks), by, labelled)
		if from > on {
			continue
		}
		needed := slices.DeleteFunc(rules.Questions(finding, reading, showsOn(forecast, rules.Species, on)), func(q identity.Question) bool { return !q.Needed })
		if i == 0 || fewest == nil || len(needed) > 0 && len(needed) < len(fewest) {
			fewest = needed
		}
	}
	return fewest
}

func askedWords(now []identity.Question) string {
	return "unproven · " + counted(float64(len(now)), "character to look at", "characters to look at") + ", first the " + now[0].Character.Name
}
