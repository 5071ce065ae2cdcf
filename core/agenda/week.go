package agenda

import (
	"cmp"
	"slices"

	"bramblyacre/core/calendar"
)

// Day is a day with the time there is for work.
type Day struct {
	Date calendar.Date
	// Minutes there are; +Inf where nobody said.
	Minutes float64
	// Dry is the chance that it stays dry, 0–1.
	Dry float64
}

// Placed is a job on a day.
type Placed struct {
	// Job and Day are indices of the jobs and days that were given.
	Job, Day int
}

// Week is which jobs are done on which of some days, and what falls off.
type Week struct {
	Placed  []Placed
	FallOff []int
	// Loss is what falling off costs, in planting's years.
	Loss float64
}

// LossIfLeft is what a job costs that is not done on any of some days that follow each other: all that is at stake
// where it closes by the last of them, else what waiting them out costs.
func LossIfLeft(j Job, days []Day) float64 {
	start, end := days[0].Date, days[len(days)-1].Date
	if j.Last <= end {
		return j.Stake
	}
	from := max(start, j.First)
	return j.Stake * float64(end.DaysSince(from)+1) / float64(j.Last.DaysSince(from)+1)
}

// fitting is a week that is being filled.
type fitting struct {
	jobs []Job
	days []Day
	loss []float64
	on   []int // the day that each job is on; nowhere
	free []float64
}

const nowhere = -1

// FitWeek puts jobs on days so that no day holds more than its minutes and each job lies between its first and last
// day, and as little as it can find is lost by what falls off: first of what is lost for good, then of the rest. It
// fills the days with what loses most by the minute, then exchanges while that gains. A job that could be done on
// several days goes to one that suits it: dry where it wants that, among its best days, where its bed is walked to
// anyway, and early. Jobs that have not begun by the last day, or are over before the first, are left out of both.
func FitWeek(jobs []Job, days []Day) Week {
	f := &fitting{jobs: jobs, days: days, loss: make([]float64, len(jobs)), on: make([]int, len(jobs))}
	for _, day := range days {
		f.free = append(f.free, day.Minutes)
	}
	var wanted []int
	for i, j := range jobs {
		f.on[i] = nowhere
		if j.First <= days[len(days)-1].Date && j.Last >= days[0].Date {
			f.loss[i] = LossIfLeft(j, days)
			wanted = append(wanted, i)
		}
	}
	slices.SortStableFunc(wanted, func(a, b int) int {
		if jobs[a].Irreversible != jobs[b].Irreversible {
			return compareLoss(jobs[a], jobs[b], days[0].Date)
		}
		return cmp.Compare(f.loss[b]/max(1, jobs[b].Minutes), f.loss[a]/max(1, jobs[a].Minutes))
	})
	for _, i := range wanted {
		f.place(i)
	}
	for f.exchange(wanted) {
	}
	f.tidy(wanted)
	week := Week{}
	for _, i := range wanted {
		if f.on[i] == nowhere {
			week.FallOff = append(week.FallOff, i)
			week.Loss += f.loss[i]
		} else {
			week.Placed = append(week.Placed, Placed{i, f.on[i]})
		}
	}
	slices.SortStableFunc(week.Placed, func(a, b Placed) int { return cmp.Compare(a.Day, b.Day) })
	slices.SortStableFunc(week.FallOff, func(a, b int) int { return compareLoss(jobs[a], jobs[b], days[0].Date) })
	return week
}

func (f *fitting) may(i, day int) bool {
	date := f.days[day].Date
	return date >= f.jobs[i].First && date <= f.jobs[i].Last && f.jobs[i].Minutes <= f.days[day].Minutes
}

func (f *fitting) set(i, day int) {
	if at := f.on[i]; at != nowhere {
		f.free[at] += f.jobs[i].Minutes
	}
	if f.on[i] = day; day != nowhere {
		f.free[day] -= f.jobs[i].Minutes
	}
}

// place puts a job on the day with room that suits it best, and tells whether there is one.
func (f *fitting) place(i int) bool {
	best := nowhere
	for day := range f.days {
		if f.may(i, day) && f.free[day] >= f.jobs[i].Minutes && (best == nowhere || f.suits(i, day, best)) {
			best = day
		}
	}
	f.set(i, best)
	return best != nowhere
}

// suits tells whether a job is better on one day than on another.
func (f *fitting) suits(i, day, than int) bool {
	return slices.Compare(f.merits(i, day), f.merits(i, than)) > 0
}

// merits are what speaks for a day, the weightiest first.
func (f *fitting) merits(i, day int) []float64 {
	j, d := f.jobs[i], f.days[day]
	weather := 1.0
	switch {
	case j.Wants == DryDay && d.Dry < 0.5, j.Wants == UnderRoof && d.Dry >= 0.5:
		weather = 0
	}
	best := 1.0
	if j.BestFirst != 0 && (d.Date < j.BestFirst || d.Date > j.BestLast) {
		best = 0
	}
	walked := 0.0
	for other, on := range f.on {
		if other != i && on == day && j.Bed != 0 && f.jobs[other].Bed == j.Bed {
			walked = 1
		}
	}
	return []float64{weather, best, walked, -float64(day)}
}

// exchange puts one job that fell off in the place of one or two that lose less, which go to other days where there is
// room; it tells whether that gained.
func (f *fitting) exchange(wanted []int) bool {
	for _, in := range wanted {
		if f.on[in] != nowhere {
			continue
		}
		for day := range f.days {
			if !f.may(in, day) {
				continue
			}
			var there []int
			for _, i := range wanted {
				if f.on[i] == day {
					there = append(there, i)
				}
			}
			for a, first := range there {
				if f.swap(in, day, first) {
					return true
				}
				for _, second := range there[a+1:] {
					if f.swap(in, day, first, second) {
						return true
					}
				}
			}
		}
	}
	return false
}

// swap tries a job on a day in place of others, and keeps that where it gains.
func (f *fitting) swap(in, day int, out ...int) bool {
	const least = 1e-9
	room, before := f.free[day], f.lossOf(append(out, in))
	for _, i := range out {
		room += f.jobs[i].Minutes
	}
	if room < f.jobs[in].Minutes {
		return false
	}
	for _, i := range out {
		f.set(i, nowhere)
	}
	f.set(in, day)
	for _, i := range out {
		f.place(i)
	}
	after := f.lossOf(append(out, in))
	if after[0] < before[0]-least || after[0] < before[0]+least && after[1] < before[1]-least {
		return true
	}
	for _, i := range append(out, in) {
		f.set(i, nowhere)
	}
	for _, i := range out {
		f.set(i, day)
	}
	return false
}

// lossOf is what is lost of some jobs: for good, and besides.
func (f *fitting) lossOf(of []int) (loss [2]float64) {
	for _, i := range of {
		if f.on[i] != nowhere {
			continue
		}
		if f.jobs[i].Irreversible {
			loss[0] += f.loss[i]
		} else {
			loss[1] += f.loss[i]
		}
	}
	return loss
}

// tidy moves each job to the day that suits it best now that all are placed.
func (f *fitting) tidy(wanted []int) {
	for _, i := range wanted {
		if at := f.on[i]; at != nowhere {
			f.set(i, nowhere)
			f.place(i)
		}
	}
}
