package garden

import (
	"fmt"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
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

// jobSource is where jobs come from: what an area would have done. Either part may be nil.
type jobSource struct {
	// planting are the jobs of one planting, plot those of the plot as a whole.
	planting func(*state, *planting, calendar.Date) []job
	plot     func(*state, calendar.Date) []job
	// seesToAside is true for the area that sees to plantings whose plant cannot be worked out.
	seesToAside bool
}

// of are a source's jobs for one planting. A planting whose plant cannot be worked out has
// jobs of no area but the one that asks to see to it.
func (source jobSource) of(s *state, p *planting, on calendar.Date) []job {
	if source.planting == nil || p.aside && !source.seesToAside {
		return nil
	}
	return source.planting(s, p, on)
}

// all are all jobs of a source on a day or soon after.
func (source jobSource) all(s *state, on calendar.Date) []job {
	var jobs []job
	for _, p := range s.plantings {
		jobs = append(jobs, source.of(s, p, on)...)
	}
	if source.plot != nil {
		jobs = append(jobs, source.plot(s, on)...)
	}
	return jobs
}

// jobFor is a job of one planting, whose key says what it is about, with its first and last
// day, as told on a day.
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
