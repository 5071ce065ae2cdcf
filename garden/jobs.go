package garden

import (
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
)

// jobs returns everything there is to do on a day or soon after, in order.
func (g *Garden) jobs(s *state, on calendar.Date) []job {
	var jobs []job
	for _, source := range g.jobSources {
		jobs = append(jobs, source.all(s, on)...)
	}
	var wanted []job
	for _, j := range jobs {
		if s.answered(&j, on) && agenda.UrgencyOn(j.Job, on) != agenda.Neither {
			wanted = append(wanted, j)
		}
	}
	order(wanted, on)
	return wanted
}

// nowJobs are the jobs of looking after and of the round.
var nowJobs = jobSource{
	planting: func(s *state, p *planting, on calendar.Date) []job {
		if p.aside {
			return s.asideJobs(p, on)
		}
		return slices.Concat(s.careJobs(p, on), s.frostJobs(p, on), s.troubleJobs(p, on))
	},
	plot:        (*state).roundJobs,
	seesToAside: true,
}

func order(jobs []job, on calendar.Date) {
	plain := make([]agenda.Job, len(jobs))
	byKey := map[string]job{}
	for i, j := range jobs {
		plain[i] = j.Job
		byKey[j.Key] = j
	}
	agenda.Order(plain, on)
	for i, j := range plain {
		jobs[i] = byKey[j.Key]
	}
}

// answered applies what the grower said of a job: done and skipped ones are no
// longer wanted, and one put off begins later.
func (s *state) answered(j *job, on calendar.Date) (wanted bool) {
	answer, has := s.answers[j.Key]
	if !has {
		return true
	}
	if answer.Answer != NotYet || answer.UntilDay == nil {
		return false
	}
	until, err := calendar.Parse(*answer.UntilDay)
	if err != nil || until <= on {
		return true
	}
	j.First = max(j.First, until)
	j.Last = max(j.Last, until)
	j.view.First, j.view.Last, j.view.PutOff = j.First, j.Last, true
	j.view.Deadline = "put off to " + until.DayMonth()
	return true
}

func lookedAt(p *planting) string {
	if len(p.sightings) == 0 {
		return "Never looked at, so wide."
	}
	return ""
}

func (s *state) careJobs(p *planting, on calendar.Date) []job {
	var jobs []job
	for _, care := range p.species.Care {
		if p.now == nil || p.year < care.MinYear {
			continue
		}
		for _, band := range p.now.Bands(care.From, care.Until, care.From) {
			first, last, opens := band.LikelyDays()
			if !opens {
				continue
			}
			j := s.jobFor(p, "care", care.ID, s.season, first, last, on)
			j.Irreversible = care.Irreversible
			j.Minutes = math.Max(2, float64(p.standing())*care.MinutesEach.Value)
			j.view.Minutes = j.Minutes
			j.view.Verb, j.view.What = care.Verb, p.species.Names.Name
			if p.identity != identity.Sure {
				j.view.What += " (unproven)"
			}
			j.view.Amount = care.What + " · " + minutesWords(j.Minutes)
			j.view.Reason = care.Why
			if care.Irreversible {
				j.view.Reason = fmt.Sprintf("%s about %s. %s", endWords[care.Until], band.Closes.P50.DayMonth(), care.Why)
			}
			jobs = append(jobs, j)
		}
	}
	return jobs
}

// endWords say what ends a band that must not be missed.
var endWords = map[flora.Stage]string{
	flora.SettingSeed: "Seed sets", flora.Ripe: "Seed is ripe", flora.FullFlower: "In full flower",
}

const (
	// roundEveryDays is how long a growing planting may go without a look.
	roundEveryDays = 14
	roundKey       = "round"
)

// roundJobs asks for a walk when plantings have gone long without a look.
func (s *state) roundJobs(on calendar.Date) []job {
	if on != s.today {
		return nil
	}
	waiting, beds, sample := 0, map[int64]bool{}, flora.Resting
	for _, p := range s.plantings {
		if p.now == nil || !s.lookDue(p) {
			continue
		}
		waiting++
		beds[p.BedID] = true
		index, _ := p.now.StageOn(on)
		sample = p.now.Stages[index]
	}
	if waiting == 0 {
		return nil
	}
	j := job{Job: agenda.Job{Key: roundKey, First: on, Last: on.AddDays(roundEveryDays), Minutes: float64(2 * waiting)}}
	j.view = JobView{
		Key: roundKey, Kind: "round", Verb: "Walk", What: "a round", Bed: counted(float64(len(beds)), "bed", "beds"), Stage: sample,
		Amount:   counted(float64(waiting), "planting", "plantings") + " · " + minutesWords(j.Minutes),
		Reason:   "Not looked at for two weeks or more: each look makes the dates narrower.",
		Deadline: "when you can", First: j.First, Last: j.Last, Minutes: j.Minutes,
	}
	return []job{j}
}

// lookDue tells whether a planting that grows has gone long without a look.
func (s *state) lookDue(p *planting) bool {
	index, _ := p.now.StageOn(s.today)
	if p.now.Stages[index] == flora.Resting {
		return false
	}
	since := p.started
	if len(p.sightings) > 0 {
		since = max(since, p.sightings[len(p.sightings)-1].Day)
	}
	return s.today.DaysSince(since) >= roundEveryDays
}

// notUpYet tells whether a sowing likely still lies in the ground: there is nothing to look
// at.
func (s *state) notUpYet(p *planting, on calendar.Date) bool {
	forecast, year := s.on(p, on)
	if forecast == nil || !p.origin.FromStart || year != 1 {
		return false
	}
	index, _ := forecast.StageOn(on)
	return index == 0 && on.DaysSince(p.started) < forecast.Season.Days()
}
