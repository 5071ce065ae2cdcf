package area

import (
	"fmt"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/parallel"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// JobView is one thing to do, with its amount, its reason and its last day.
type JobView struct {
	Key        string `json:"key"`
	Kind       string `json:"kind" enum:"pick,care,check,round,bench,water,spread,store"`
	Verb       string `json:"verb"`
	What       string `json:"what"`
	PlantingID int64  `json:"plantingId"`
	SpeciesID  string `json:"speciesId" doc:"Of the planting, for its drawing; empty where it is of none"`
	FindID     int64  `json:"findId" doc:"Where it is the check of a find; 0 else"`
	// BatchID and VolunteerID are what a job of the bench is about.
	BatchID     int64 `json:"batchId" doc:"The batch that a job of the bench is about; 0 else"`
	VolunteerID int64 `json:"volunteerId" doc:"The volunteers that a job of the bench is about; 0 else"`
	// LotID and JarID are what a job of the store is about; Recall is true where it is about what is held back.
	LotID  int64  `json:"lotId" doc:"The lot that a job of the store is about; 0 else"`
	JarID  int64  `json:"jarId" doc:"The jar that a job of the store is about; 0 else"`
	Step   string `json:"step" doc:"Of that lot, which may be noted as done; empty else"`
	Recall bool   `json:"recall" doc:"It is about what is held back"`
	// SeedOf is the planting that a job of the bench would have seed saved of.
	SeedOf   int64         `json:"seedOf" doc:"The planting that seed is to be saved of; 0 else"`
	Part     string        `json:"part"`
	Trouble  string        `json:"trouble" doc:"The sign that was marked, which has a page; empty for none"`
	BedID    int64         `json:"bedId" doc:"The bed that is to be watered; 0 else"`
	Bed      string        `json:"bed"`
	Stage    flora.Stage   `json:"stage"`
	Amount   string        `json:"amount"`
	Reason   string        `json:"reason"`
	Deadline string        `json:"deadline"`
	First    calendar.Date `json:"first"`
	Last     calendar.Date `json:"last"`
	Minutes  float64       `json:"minutes"`
	Best     string        `json:"best" doc:"The days on which it is done best; empty for any of its days"`
	Cost     string        `json:"cost" doc:"What leaving it costs; empty where its reason says so"`
	// Lasting is true where a job missed cannot be made good.
	Lasting bool   `json:"lasting" doc:"Missed, it cannot be made good"`
	Caution string `json:"caution" doc:"The usual cautions in a line; empty where none is on record"`
	PutOff  bool   `json:"-"`
}

// Job is a job as it is ordered, with how it is shown.
type Job struct {
	agenda.Job
	View JobView
	// Detail is its amount without the minutes, where it may be done for several plantings of a kind as one; Parts are
	// those that one was made of.
	Detail string
	Parts  []Job
}

// Source is where jobs come from: what an area would have done. Either part may be nil.
type Source struct {
	// Planting are the jobs of one planting, Plot those of the plot as a whole.
	Planting func(*plot.State, *plot.Planting, calendar.Date) []Job
	Plot     func(*plot.State, calendar.Date) []Job
	// Dated are days of the calendar that are no job of today's; may be nil.
	Dated func(*plot.State) []Event
	// Find are things of the area by their names: those whose names match; may be nil.
	Find func(s *plot.State, matches func(names ...string) bool) []Thing
	// SeesToAside is true for the area that sees to plantings whose plant cannot be worked out.
	SeesToAside bool
}

// Thing is something of an area that is found by its names.
type Thing struct {
	JarID        int64
	Name, Detail string
}

// Of are a source's jobs for one planting. A planting whose plant cannot be worked out has
// jobs of no area but the one that asks to see to it.
func (source Source) Of(s *plot.State, p *plot.Planting, on calendar.Date) []Job {
	if source.Planting == nil || p.Aside && !source.SeesToAside {
		return nil
	}
	return source.Planting(s, p, on)
}

// Try asks for a planting's jobs, as a tryout.
func (source Source) Try(s *plot.State, p *plot.Planting, on calendar.Date) { source.Of(s, p, on) }

// All are all jobs of a source on a day or soon after.
func (source Source) All(s *plot.State, on calendar.Date) []Job {
	each := make([][]Job, len(s.Plantings))
	parallel.Each(len(each), func(i int) { each[i] = source.Of(s, s.Plantings[i], on) })
	jobs := slices.Concat(each...)
	if source.Plot != nil {
		jobs = append(jobs, source.Plot(s, on)...)
	}
	return jobs
}

// NewJob is a job of one planting, whose key says what it is about, with its first and last
// day, as told on a day.
func NewJob(
	s *plot.State,
	p *plot.Planting,
	kind, detail string,
	season calendar.Season,
	first, last calendar.Date,
	on calendar.Date,
) Job {
	key := fmt.Sprintf("%s:%d:%s:%d", kind, p.ID, detail, season.Start.Year())
	j := Job{Job: agenda.Job{Key: key, First: first, Last: last, Bed: p.BedID}}
	stage := flora.Resting
	if forecast, _ := s.ForecastOn(p, on); forecast != nil {
		index, _ := forecast.StageOn(on)
		stage = forecast.Stages[index]
	}
	j.View = JobView{
		Key:        key,
		Kind:       kind,
		PlantingID: p.ID,
		SpeciesID:  p.SpeciesID,
		Bed:        p.Bed.Name,
		Stage:      stage,
		First:      first,
		Last:       last,
	}
	if on < first {
		j.View.Deadline = "from about " + first.DayMonth()
	} else {
		j.View.Deadline = say.DaysLeft(on, last)
	}
	return j
}
