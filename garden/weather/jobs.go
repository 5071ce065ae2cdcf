package weather

import (
	"fmt"
	"math"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/parallel"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// jobs are what the weather would have done: beds to be watered.
var jobs = area.Source{Plot: waterJobs}

// waterJobs ask for water where plants lack it, or will within days.
func waterJobs(s *plot.State, on calendar.Date) []area.Job {
	if on != s.Today {
		return nil
	}
	waters := make([]*plot.BedWater, len(s.Beds))
	parallel.Each(len(waters), func(i int) {
		if w, err := s.Water(s.Beds[i]); err == nil { // else the page of the water says so
			waters[i] = w
		}
	})
	var all []area.Job
	for i, bed := range s.Beds {
		w := waters[i]
		if w == nil {
			continue
		}
		a := adviceFor(s, bed, w)
		if a.is != AdviceWater && a.is != AdviceSoon {
			continue
		}
		first, last := s.Today, s.Today.AddDays(1)
		if a.is == AdviceSoon {
			last = w.DryP50
		}
		key := fmt.Sprintf("water:%d:%s", bed.ID, first)
		minutes := math.Max(2, a.litres/settingsOf(s).FlowL)
		j := area.Job{Job: agenda.Job{Key: key, First: first, Last: last, Minutes: minutes, Stake: waterStake, Bed: bed.ID}}
		j.View = area.JobView{
			Key: key, Kind: "water", Verb: "Water", What: say.Joined(namesIn(s, bed.ID)), Bed: bed.Name, BedID: bed.ID, Stage: flora.FullLeaf,
			Amount: s.Units.Volume(a.litres) + " · " + say.MinutesWords(minutes), Reason: a.words + " " + reasonOf(s, w),
			Deadline: say.DaysLeft(on, last), First: first, Last: last, Minutes: minutes,
		}
		all = append(all, j)
	}
	return all
}

// waterStake is what a bed that is not watered costs of its year, to put jobs in an order.
const waterStake = 0.5

// mostNames is how many kinds of a bed a job names.
const mostNames = 3

func namesIn(s *plot.State, bedID int64) (names []string) {
	seen := map[string]bool{}
	for _, p := range s.StandingIn(bedID) {
		if name := p.Species.Names.Name; !seen[name] {
			seen[name] = true
			names = append(names, name)
		}
	}
	if len(names) > mostNames {
		rest := len(names) - mostNames + 1
		names = append(names[:mostNames-1:mostNames-1], fmt.Sprintf("%d more kinds", rest))
	}
	return names
}

func reasonOf(s *plot.State, w *plot.BedWater) string {
	return fmt.Sprintf("%s in the reach of its roots; its plants lack it from %.0f %% gone.", say.Capital(view.GoneWords(w.Gone)), 100*w.PartToday)
}
