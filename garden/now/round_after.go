package now

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// RoundAfterView is what today's looks came to.
type RoundAfterView struct {
	Looks     []AfterLook `json:"looks" doc:"What surprised first, then what moved most"`
	Unchanged int         `json:"unchanged" doc:"How many looks moved nothing by more than a day"`
	Next      []NextJob   `json:"next" doc:"What is to be done first now"`
}

// AfterLook is what one look moved.
type AfterLook struct {
	PlantingID int64  `json:"plantingId"`
	Name       string `json:"name"`
	Bed        string `json:"bed"`
	Surprise   bool   `json:"surprise"`
	// Moved says which stage moved most, and to when.
	Moved string `json:"moved"`
	Why   string `json:"why"`
	days  int
}

// NextJob is a job in a line.
type NextJob struct {
	What     string `json:"what"`
	Bed      string `json:"bed"`
	Deadline string `json:"deadline"`
}

// mostNext is how many jobs are told after a round.
const mostNext = 4

// RoundAfter tells what today's looks moved and why, what surprised, and what comes next.
func (u *Uses) RoundAfter(ctx context.Context) (RoundAfterView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return RoundAfterView{}, err
	}
	v := RoundAfterView{Looks: []AfterLook{}, Next: []NextJob{}}
	for _, p := range s.Plantings {
		if lastLook(p) != s.Today {
			continue
		}
		if one, moved := afterLook(s, p); moved {
			v.Looks = append(v.Looks, one)
		} else {
			v.Unchanged++
		}
	}
	slices.SortStableFunc(v.Looks, func(a, b AfterLook) int {
		if a.Surprise != b.Surprise {
			return say.CompareBools(!a.Surprise, !b.Surprise)
		}
		return abs(b.days) - abs(a.days)
	})
	for _, j := range u.jobs(s, s.Today) {
		if agenda.UrgencyOn(j.Job, s.Today) == agenda.Coming || j.View.Kind == "round" || len(v.Next) == mostNext {
			continue
		}
		v.Next = append(v.Next, NextJob{j.View.Verb + " " + j.View.What, j.View.Bed, j.View.Deadline})
	}
	return v, nil
}

// afterLook is what a planting's last look moved; false where that is no more than a day and no surprise.
func afterLook(s *plot.State, p *plot.Planting) (AfterLook, bool) {
	one := AfterLook{PlantingID: p.ID, Name: p.Species.Names.Name, Bed: p.Bed.Name}
	moved := view.Moved(s, p)
	if moved == nil {
		return one, false
	}
	one.Surprise, one.Why = moved.Surprise, moved.Why
	var most view.MovedStage
	for _, stage := range moved.Stages {
		if abs(stage.Days) > abs(most.Days) && stage.After.P50 >= s.Today {
			most = stage
		}
	}
	one.days = most.Days
	if abs(most.Days) > 1 {
		how := "sooner"
		if most.Days > 0 {
			how = "later"
		}
		one.Moved = fmt.Sprintf("%s %s %s: %s", most.Stage, say.Counted(float64(abs(most.Days)), "day", "days"), how,
			calendar.Span(most.After.P10, most.After.P90))
	}
	return one, one.Moved != "" || one.Surprise
}

func abs(n int) int { return max(n, -n) }
