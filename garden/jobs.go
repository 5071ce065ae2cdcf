package garden

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
)

// JobView is one thing to do, with its amount, its reason and its last day.
type JobView struct {
	Key        string        `json:"key"`
	Kind       string        `json:"kind" enum:"pick,care,check,round"`
	Verb       string        `json:"verb"`
	What       string        `json:"what"`
	PlantingID int64         `json:"plantingId"`
	FindID     int64         `json:"findId" doc:"Where it is the check of a find; 0 else"`
	Part       string        `json:"part"`
	Bed        string        `json:"bed"`
	Stage      flora.Stage   `json:"stage"`
	Amount     string        `json:"amount"`
	Reason     string        `json:"reason"`
	Deadline   string        `json:"deadline"`
	First      calendar.Date `json:"first"`
	Last       calendar.Date `json:"last"`
	Minutes    float64       `json:"minutes"`
	Caution    string        `json:"caution" doc:"The usual cautions in a line; empty where none is on record"`
	PutOff     bool          `json:"putOff" doc:"The grower said not yet"`
}

type job struct {
	agenda.Job
	view JobView
}

// jobs returns everything there is to do on a day or soon after, in order.
func (s *state) jobs(on calendar.Date) []job {
	var jobs []job
	for _, p := range s.plantings {
		jobs = append(jobs, s.plantingJobs(p, on)...)
	}
	jobs = append(jobs, s.findJobs(on)...)
	jobs = append(jobs, s.roundJobs(on)...)
	var wanted []job
	for _, j := range jobs {
		if s.answered(&j, on) && agenda.UrgencyOn(j.Job, on) != agenda.Neither {
			wanted = append(wanted, j)
		}
	}
	order(wanted, on)
	return wanted
}

// plantingJobs are what there is to do for one planting.
func (s *state) plantingJobs(p *planting, on calendar.Date) []job {
	if p.aside {
		return s.asideJobs(p, on)
	}
	return slices.Concat(s.pickJobs(p, on), s.careJobs(p, on), s.frostJobs(p, on), s.troubleJobs(p, on), s.checkJobs(p, on))
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

func (s *state) jobFor(p *planting, kind, detail string, season calendar.Season, first, last calendar.Date, on calendar.Date) job {
	key := fmt.Sprintf("%s:%d:%s:%d", kind, p.ID, detail, season.Start.Year())
	j := job{Job: agenda.Job{Key: key, First: first, Last: last}}
	stage := flora.Resting
	if forecast, _ := s.on(p, on); forecast != nil {
		index, _ := forecast.StageOn(on)
		stage = forecast.Stages[index]
	}
	j.view = JobView{Key: key, Kind: kind, PlantingID: p.ID, Bed: p.bed.Name, Stage: stage, First: first, Last: last}
	if on < first {
		j.view.Deadline = "from about " + first.DayMonth()
	} else {
		j.view.Deadline = daysLeft(on, last)
	}
	return j
}

func (s *state) pickJobs(p *planting, on calendar.Date) []job {
	var jobs []job
	for _, span := range s.spans(p) {
		part := span.window.Part
		at := max(on, span.first)
		if s.refusal(p, part, at) != nil || span.last < on {
			continue
		}
		view, _ := s.allowance(p, part, at)
		if !view.Offered {
			continue
		}
		j := s.jobFor(p, "pick", part.Name, calendar.SeasonOf(s.site.Latitude, span.first), span.first, span.last, on)
		j.Minutes = math.Max(3, view.Units*part.Harvest.MinutesEach.Value)
		j.view.Minutes = j.Minutes
		j.view.Verb, j.view.What, j.view.Part = view.Verb, partOf(p.species.Names.Name, part.Name), part.Name
		j.view.Amount = lowerFirst(view.Amount) + " · " + view.Weight
		if on < span.first {
			j.view.Reason = strings.TrimSpace(fmt.Sprintf("Opens %s. %s %s", viewDates(span.window.Opens).Text, view.Sign, lookedAt(p)))
		} else {
			j.view.Reason = strings.TrimSpace(view.Sign + " " + regrowthWords(view) + view.Weather)
		}
		j.view.Caution = strings.Join(view.Cautions, " ")
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
