package now

import (
	"fmt"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/say"
)

// asOne makes the same work on several plantings of a kind in one bed one job, where it can be done on the same days:
// it is done in one go, and answered in one.
func asOne(jobs []area.Job, on calendar.Date) []area.Job {
	type work struct {
		verb, detail, what string
		bed                int64
		urgency            agenda.Urgency
	}
	at := map[work]int{}
	var all []area.Job
	for _, j := range jobs {
		if j.Detail == "" {
			all = append(all, j)
			continue
		}
		key := work{j.View.Verb, j.Detail, j.View.What, j.Bed, agenda.UrgencyOn(j.Job, on)}
		i, has := at[key]
		if !has || max(all[i].First, j.First) > min(all[i].Last, j.Last) {
			at[key] = len(all)
			all = append(all, j)
			continue
		}
		all[i] = joined(all[i], j, on)
	}
	return all
}

// joined is one job of two.
func joined(a, b area.Job, on calendar.Date) area.Job {
	if a.Parts == nil {
		a.Parts = []area.Job{a}
	}
	a.Parts = append(a.Parts, b)
	a.First, a.Last = max(a.First, b.First), min(a.Last, b.Last)
	a.BestFirst, a.BestLast = max(a.BestFirst, b.BestFirst), min(a.BestLast, b.BestLast)
	if a.BestFirst > a.BestLast {
		a.BestFirst, a.BestLast = a.First, a.Last
	}
	a.Minutes += b.Minutes
	a.Stake += b.Stake
	a.Irreversible = a.Irreversible || b.Irreversible
	a.View.First, a.View.Last, a.View.Minutes = a.First, a.Last, a.Minutes
	a.View.Amount = fmt.Sprintf("%s, in %d plantings · %s", a.Detail, len(a.Parts), say.MinutesWords(a.Minutes))
	if a.View.PutOff = a.View.PutOff || b.View.PutOff; !a.View.PutOff && on >= a.First {
		a.View.Deadline = say.DaysLeft(on, a.Last)
	}
	return a
}

// each are the jobs that a job was made of, itself where it is of one planting.
func each(j area.Job) []area.Job {
	if j.Parts == nil {
		return []area.Job{j}
	}
	return j.Parts
}
