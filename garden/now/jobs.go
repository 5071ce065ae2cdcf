package now

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/care"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// jobs returns everything there is to do on a day or soon after, in order.
func (u *Uses) jobs(s *plot.State, on calendar.Date) []area.Job {
	var jobs []area.Job
	for _, source := range u.jobSources {
		jobs = append(jobs, source.All(s, on)...)
	}
	var wanted []area.Job
	for _, j := range jobs {
		if answered(s, &j, on) && agenda.UrgencyOn(j.Job, on) != agenda.Neither {
			wanted = append(wanted, j)
		}
	}
	wanted = asOne(wanted, on)
	order(wanted, on)
	for i := range wanted {
		finish(&wanted[i])
	}
	return wanted
}

// finish says of a job what is said of all: its best days, and whether it can be made good.
func finish(j *area.Job) {
	if j.Stake == 0 {
		j.Stake = unsaidStake
	}
	j.View.Lasting = j.Irreversible
	if j.BestFirst != 0 && (j.BestFirst > j.First || j.BestLast < j.Last) && !strings.Contains(j.View.Deadline, "best") {
		j.View.Best = calendar.Span(j.BestFirst, j.BestLast)
	}
}

// unsaidStake is what a job costs that is left, where nothing says more.
const unsaidStake = 0.2

// jobs are the jobs of looking after and of the round.
var jobs = area.Source{
	Planting: func(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
		if p.Aside {
			return asideJobs(s, p, on)
		}
		return slices.Concat(careJobs(s, p, on), nightJobs(s, p, on), troubleJobs(s, p, on))
	},
	Plot:        roundJobs,
	SeesToAside: true,
}

func order(jobs []area.Job, on calendar.Date) {
	plain := make([]agenda.Job, len(jobs))
	byKey := map[string]area.Job{}
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
func answered(s *plot.State, j *area.Job, on calendar.Date) (wanted bool) {
	answer, has := s.Answer(j.Key)
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
	j.View.First, j.View.Last, j.View.PutOff = j.First, j.Last, true
	j.View.Deadline = "put off to " + until.DayMonth()
	return true
}

// careJobs are the rows of a species' care that are wanted of a planting, this season and, shortly before its end, the
// next.
func careJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	var jobs []area.Job
	for _, season := range say.Distinct([]calendar.Season{seasonOf(s, on), seasonOf(s, on.AddDays(comingDays))}) {
		for _, due := range view.CareOf(s, p, max(season.Start, on)) {
			if !due.Wanted {
				continue
			}
			row := due.Row
			j := area.NewJob(s, p, "care", row.ID, season, due.First, due.Last, on)
			j.BestFirst, j.BestLast = due.BestFirst, due.BestLast
			j.Irreversible, j.Stake, j.Minutes = row.Irreversible, due.Work.Stake.Value, due.Minutes
			if _, harm := mostTender(p.Species); row.ByNight.Unit != "" && harm == flora.Kills {
				j.Irreversible, j.Stake = true, 1
			}
			switch due.Work.Weather {
			case care.DryDay:
				j.Wants = agenda.DryDay
			case care.Roof:
				j.Wants = agenda.UnderRoof
			}
			j.View.Minutes = j.Minutes
			j.View.Verb, j.View.What = row.Verb, p.Species.Names.Name
			if p.IdentityState != identity.Sure {
				j.View.What += " (unproven)"
			}
			j.Detail = row.What
			j.View.Amount = row.What + " · " + say.MinutesWords(j.Minutes)
			j.View.Reason, j.View.Cost = due.WhyWords(p.Species), due.CostWords()
			if ends, known := endWords[row.Until]; row.Irreversible && known && row.ByNight.Unit == "" {
				j.View.Reason = fmt.Sprintf("%s about %s. %s", ends, due.Closes.P50.DayMonth(), j.View.Reason)
			}
			jobs = append(jobs, j)
		}
	}
	return jobs
}

// comingDays is how far ahead a season's jobs are told.
const comingDays = 21

// seasonOf is the season of the two that are forecast that a day lies in.
func seasonOf(s *plot.State, on calendar.Date) calendar.Season {
	if s.Next.Contains(on) {
		return s.Next
	}
	return s.Season
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
func roundJobs(s *plot.State, on calendar.Date) []area.Job {
	if on != s.Today {
		return nil
	}
	waiting, beds, sample := 0, map[int64]bool{}, flora.Resting
	for _, p := range s.Plantings {
		if p.Now == nil || !LookDue(s, p) {
			continue
		}
		waiting++
		beds[p.BedID] = true
		index, _ := p.Now.StageOn(on)
		sample = p.Now.Stages[index]
	}
	if waiting == 0 {
		return nil
	}
	j := area.Job{
		Job: agenda.Job{
			Key:     roundKey,
			First:   on,
			Last:    on.AddDays(roundEveryDays),
			Minutes: float64(2 * waiting),
			Stake:   unsaidStake,
		},
	}
	j.View = area.JobView{
		Key:      roundKey,
		Kind:     "round",
		Verb:     "Walk",
		What:     "a round",
		Bed:      say.Counted(float64(len(beds)), "bed", "beds"),
		Stage:    sample,
		Amount:   say.Counted(float64(waiting), "planting", "plantings") + " · " + say.MinutesWords(j.Minutes),
		Reason:   "Not looked at for two weeks or more: each look makes the dates narrower.",
		Deadline: "when you can",
		First:    j.First,
		Last:     j.Last,
		Minutes:  j.Minutes,
	}
	return []area.Job{j}
}

// LookDue tells whether a planting that grows has gone long without a look.
func LookDue(s *plot.State, p *plot.Planting) bool {
	index, _ := p.Now.StageOn(s.Today)
	if p.Now.Stages[index] == flora.Resting {
		return false
	}
	since := p.Started
	if len(p.Sightings) > 0 {
		since = max(since, p.Sightings[len(p.Sightings)-1].Day)
	}
	return s.Today.DaysSince(since) >= roundEveryDays
}
