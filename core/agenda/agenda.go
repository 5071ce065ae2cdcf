// Package agenda puts jobs in the order to do them in.
package agenda

import (
	"cmp"
	"slices"

	"bramblyacre/core/calendar"
)

// Job is something to do in a run of days.
type Job struct {
	// Key is the same each time the job is worked out.
	Key string
	// First and Last are the days between which it can be done, both inside.
	First, Last calendar.Date
	// Minutes is the work.
	Minutes float64
	// Irreversible is true where a missed job cannot be made good.
	Irreversible bool
	// BestFirst and BestLast are the days on which it is done best, both inside; 0 for any of its days.
	BestFirst, BestLast calendar.Date
	// Stake is what is lost where it is not done at all, as a part of a planting's worth in a year.
	Stake float64
	// Bed is where it is done; 0 for nowhere in particular.
	Bed int64
	// Wants is the weather that it wants.
	Wants Weather
}

// Weather is what a job wants of the weather.
type Weather string

// The weathers that are wanted: any, a day without rain, or a roof, as on a day of rain.
const (
	AnyWeather Weather = ""
	DryDay     Weather = "dry"
	UnderRoof  Weather = "roof"
)

// LostADay is what waiting a day costs: the stake, as likely to be lost on any day that is left as on any other.
func (j Job) LostADay(day calendar.Date) float64 {
	return j.Stake / float64(max(0, j.Last.DaysSince(max(day, j.First)))+1)
}

// Urgency groups jobs by what waiting costs.
type Urgency string

// The urgencies.
const (
	Closing Urgency = "closing"
	Open    Urgency = "open"
	Coming  Urgency = "coming"
	Neither Urgency = ""
)

const (
	// closingDays is how many days before the last one a job is closing, and
	// lastingDays the same for one whose loss cannot be made good.
	closingDays = 7
	lastingDays = 14
	// comingDays is how far ahead jobs are shown: three weeks.
	comingDays = 21
)

// UrgencyOn tells which group a job is in on a day: Neither if it is over or
// too far ahead.
func UrgencyOn(j Job, day calendar.Date) Urgency {
	switch {
	case day > j.Last:
		return Neither
	case day < j.First:
		if j.First.DaysSince(day) <= comingDays {
			return Coming
		}
		return Neither
	}
	notice := closingDays
	if j.Irreversible {
		notice = lastingDays
	}
	if j.Last.DaysSince(day) <= notice {
		return Closing
	}
	return Open
}

// Order sorts jobs for a day: what closes before what is open and what is coming. Among those that can be done, what
// is lost for good goes first, then what loses most by a day's waiting, then what closes soonest; among those
// to come, what opens soonest. Equal ones keep their order.
func Order(jobs []Job, day calendar.Date) {
	slices.SortStableFunc(jobs, func(a, b Job) int {
		ua, ub := UrgencyOn(a, day), UrgencyOn(b, day)
		if ua != ub {
			return cmp.Compare(rank[ua], rank[ub])
		}
		if ua == Coming {
			return cmp.Compare(a.First, b.First)
		}
		return compareLoss(a, b, day)
	})
}

// compareLoss puts what is lost for good first, then what loses most by a day's waiting.
func compareLoss(a, b Job, day calendar.Date) int {
	if a.Irreversible != b.Irreversible {
		if a.Irreversible {
			return -1
		}
		return 1
	}
	return cmp.Or(cmp.Compare(b.LostADay(day), a.LostADay(day)), cmp.Compare(a.Last, b.Last))
}

var rank = map[Urgency]int{Closing: 0, Open: 1, Coming: 2, Neither: 3}
