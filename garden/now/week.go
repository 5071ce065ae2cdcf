package now

import (
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// WeekView is the week's list: what is done on which day, in one walk, what a day of rain is good for, and what there
// is no time for.
type WeekView struct {
	First   calendar.Date `json:"first"`
	Title   string        `json:"title"`
	Plot    string        `json:"plot"`
	IsToday bool          `json:"isToday" doc:"It begins today"`
	Summary string        `json:"summary"`
	// HoursSaid is false where nobody said how much time there is: then nothing falls off.
	HoursSaid bool      `json:"hoursSaid" doc:"Somebody said how much time there is: else nothing falls off"`
	Days      []WeekDay `json:"days"`
	Rainy     []WeekJob `json:"rainy" doc:"What is done under a roof, in the hours of the wettest days"`
	// AnyTime are jobs with weeks left, where nobody said how much time there is.
	AnyTime []WeekJob `json:"anyTime" doc:"Jobs that have longer than the week"`
	FallOff []WeekJob `json:"fallOff" doc:"What there is no time for and is lost, the costliest first"`
	// Waits is what there is no time for either, but can be done later.
	Waits []WeekJob `json:"waits" doc:"What there is no time for and can be done later, the costliest first"`
	Hours HoursView `json:"hours"`
}

// WeekDay is a day of the week with its walk.
type WeekDay struct {
	Day   calendar.Date `json:"day"`
	Name  string        `json:"name"`
	Wet   string        `json:"wet" doc:"How likely it is to rain"`
	Words string        `json:"words" doc:"35 of 60 min"`
	Used  float64       `json:"used" doc:"Minutes of work"`
	Of    float64       `json:"of" doc:"Minutes there are; 0 where nobody said"`
	Walk  []WeekStop    `json:"walk" doc:"Beds in the order of the shortest walk"`
}

// WeekStop is a bed on a day's walk with what is done there.
type WeekStop struct {
	Bed  string    `json:"bed"`
	Jobs []WeekJob `json:"jobs"`
}

// WeekJob is a job on the week's list.
type WeekJob struct {
	area.JobView
	Note string `json:"note" doc:"Why it stands where it stands"`
}

const weekDays = 7

// Week is the list of the week from a day on.
func (u *Uses) Week(ctx context.Context, on calendar.Date) (WeekView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return WeekView{}, err
	}
	ensemble, err := s.Sky.Ensemble(seasonOf(s, on))
	if err != nil {
		return WeekView{}, fmt.Errorf("read the weather: %w", err)
	}
	minutes := plot.GardenMinutes(s.Work())
	v := WeekView{
		First: on, Title: calendar.Span(on, on.AddDays(weekDays-1)), Plot: s.Site.Name, IsToday: on == s.Today,
		Days: []WeekDay{}, Rainy: []WeekJob{}, AnyTime: []WeekJob{}, FallOff: []WeekJob{}, Waits: []WeekJob{},
		Hours: viewHours(s),
	}
	var days []agenda.Day
	for i := range weekDays {
		day := agenda.Day{Date: on.AddDays(i), Minutes: minutes.On(on.AddDays(i))}
		if at := day.Date.DaysSince(ensemble.Season.Start); at < ensemble.Season.Days() {
			for m := range ensemble.Size() {
				if !ensemble.Weather(m)[at].Wet() {
					day.Dry += 1 / float64(ensemble.Size())
				}
			}
		} else {
			day.Dry = days[i-1].Dry // the season's end: the day before stands for it
		}
		v.HoursSaid = v.HoursSaid || !math.IsInf(day.Minutes, 1)
		days = append(days, day)
	}
	jobs := u.jobs(s, on)
	if !v.HoursSaid {
		jobs, v.AnyTime = thisWeeks(jobs, days[weekDays-1].Date)
	}
	plain := make([]agenda.Job, len(jobs))
	for i, j := range jobs {
		plain[i] = j.Job
	}
	week := agenda.FitWeek(plain, days)
	v.fill(s, week, jobs, days)
	return v, nil
}

// thisWeeks are the jobs that the week is the time for: they close in it, are best in it, or have begun and cost by the
// day; and those that have longer.
func thisWeeks(jobs []area.Job, end calendar.Date) (this []area.Job, longer []WeekJob) {
	longer = []WeekJob{}
	for _, j := range jobs {
		switch {
		case j.First > end:
		case j.Last <= end || j.BestLast != 0 && j.BestLast <= end || j.Irreversible:
			this = append(this, j)
		default:
			longer = append(longer, WeekJob{j.View, j.View.Deadline})
		}
	}
	return this, longer
}

// waitsForRain is how many days a job under a roof can still wait that is kept for a day of rain: what is to be done on
// its day stands there.
const waitsForRain = 3

// fill writes a week that was fitted.
func (v *WeekView) fill(s *plot.State, week agenda.Week, jobs []area.Job, days []agenda.Day) {
	total, onDay := 0.0, make([][]area.Job, len(days))
	used := make([]float64, len(days))
	for _, p := range week.Placed {
		j := jobs[p.Job]
		total += j.Minutes
		used[p.Day] += j.Minutes
		if j.Wants == agenda.UnderRoof && j.Last.DaysSince(days[p.Day].Date) >= waitsForRain {
			v.Rainy = append(v.Rainy, WeekJob{j.View, days[p.Day].Date.WeekdayDayMonth()})
			continue
		}
		onDay[p.Day] = append(onDay[p.Day], j)
	}
	for i, day := range days {
		d := WeekDay{
			Day: day.Date, Name: day.Date.WeekdayDayMonth(), Wet: "rain " + say.InTen(1-day.Dry), Used: used[i],
			Walk: dayWalk(s, onDay[i]),
		}
		switch {
		case !math.IsInf(day.Minutes, 1):
			d.Of = day.Minutes
			if d.Words = minutesOrNone(d.Of); d.Of > 0 {
				if d.Words = fmt.Sprintf("%.0f of %s", d.Used, say.MinutesWords(d.Of)); d.Of > 60 {
					d.Words = fmt.Sprintf("%s of %s", minutesOrNone(d.Used), say.MinutesWords(d.Of))
				}
			}
		case d.Used > 0:
			d.Words = say.MinutesWords(d.Used)
		}
		v.Days = append(v.Days, d)
	}
	end := days[len(days)-1].Date
	for _, i := range week.FallOff {
		note, lost := "Waits for next week.", false
		switch j := jobs[i]; {
		case j.Minutes > mostMinutes(days):
			note = "It takes longer than any day there is. Part it, or find the time."
		case j.View.Kind == storeKind && j.Last <= end:
			note, lost = "Too late after "+j.Last.DayMonth()+".", true
		case j.Last <= end && j.Irreversible:
			note, lost = "Lost for good: its last day is "+j.Last.DayMonth()+".", true
		case j.Last <= end:
			note, lost = "Lost for this year: its last day is "+j.Last.DayMonth()+".", true
		}
		if lost {
			v.FallOff = append(v.FallOff, WeekJob{jobs[i].View, note})
		} else {
			v.Waits = append(v.Waits, WeekJob{jobs[i].View, note})
		}
	}
	v.Summary = fmt.Sprintf("%s · %s", say.Counted(float64(len(week.Placed)), "job", "jobs"), minutesOrNone(total))
	if n := len(week.FallOff); n > 0 {
		v.Summary += fmt.Sprintf(" · no time for %d", n)
	}
}

func mostMinutes(days []agenda.Day) (most float64) {
	for _, day := range days {
		most = max(most, day.Minutes)
	}
	return most
}

func minutesOrNone(minutes float64) string {
	if minutes == 0 {
		return "no time"
	}
	return say.MinutesWords(minutes)
}

// theBench, theStore and elsewhere are where a job is done that is of no bed.
const theBench, theStore, elsewhere = "The bench", "The store", "Elsewhere"

// The kinds of jobs that have a place of their own under a roof.
const benchKind, storeKind = "bench", "store"

// dayWalk puts a day's jobs into one walk: by bed, from the first on the round by the shortest way.
func dayWalk(s *plot.State, jobs []area.Job) []WeekStop {
	var points []geometry.Point
	var names []string
	by := map[string][]WeekJob{}
	for _, bed := range s.Beds {
		for _, j := range jobs {
			if j.Bed != bed.ID {
				continue
			}
			if by[bed.Name] == nil {
				names, points = append(names, bed.Name), append(points, s.Forms[bed.ID].At)
			}
			by[bed.Name] = append(by[bed.Name], weekJob(j))
		}
	}
	stops := []WeekStop{}
	if len(points) > 0 {
		for _, i := range plan.ShortestWalk(points, 0) {
			stops = append(stops, WeekStop{names[i], by[names[i]]})
		}
	}
	for _, place := range []struct {
		name string
		is   func(area.Job) bool
	}{
		{theBench, func(j area.Job) bool { return j.View.Kind == benchKind }},
		{theStore, func(j area.Job) bool { return j.View.Kind == storeKind }},
		{elsewhere, func(j area.Job) bool { return j.View.Kind != benchKind && j.View.Kind != storeKind }},
	} {
		var rest []WeekJob
		for _, j := range jobs {
			if place.is(j) && !slices.ContainsFunc(s.Beds, func(bed store.Bed) bool { return bed.ID == j.Bed }) {
				rest = append(rest, weekJob(j))
			}
		}
		if rest != nil {
			stops = append(stops, WeekStop{place.name, rest})
		}
	}
	return stops
}

func weekJob(j area.Job) WeekJob {
	note := j.View.Deadline
	if j.Irreversible {
		note += " · lost for good"
	}
	return WeekJob{j.View, note}
}
