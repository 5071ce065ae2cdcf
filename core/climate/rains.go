package climate

import (
	"slices"

	"bramblyacre/core/calendar"
)

// The rains set in with the first onsetDays days that bring more than onsetMM together, after the dry months:
// those with less than dryMonthMM in the mean of years, dryMonths or more of them on end.
const (
	onsetDays, onsetMM    = 3, 20.0
	dryMonthMM, dryMonths = 25.0, 2
)

// dryRun returns the longest run of dry months, January 0, and how many they are; none where there is no dry
// season, or nothing else.
func (n Normals) dryRun() (first, length int) {
	for from := range 12 {
		run := 0
		for run < 12 && n.Rain[(from+run)%12] < dryMonthMM {
			run++
		}
		if run > length {
			first, length = from, run
		}
	}
	if length < dryMonths || length == 12 {
		return 0, 0
	}
	return first, length
}

// Onset is when the rains set in: the days by which they have in 1, 5 and 9 of 10 years, and the share of
// years in which they set in within the season at all.
type Onset struct {
	P10, P50, P90 calendar.Date
	Share         float64
}

// RainsOnset returns when the rains set in after a climate's dry months; false where it has no dry season,
// or where they set in in fewer than one year in ten. The days before the middle of the dry months are not
// looked at. Days that are not reached in so many years are the season's last.
func (e *Ensemble) RainsOnset(normals Normals) (Onset, bool) {
	first, length := normals.dryRun()
	if length == 0 {
		return Onset{}, false
	}
	middle := (first + length/2) % 12
	from := 0
	for from < e.Season.Days() && int(e.Season.Start.AddDays(from).Month())-1 != middle {
		from++
	}
	var came []int
	for m := range e.members {
		days := e.Weather(m)
		for i := from; i+onsetDays <= len(days); i++ {
			sum := 0.0
			for _, day := range days[i : i+onsetDays] {
				sum += day.Rain
			}
			if sum > onsetMM {
				came = append(came, i)
				break
			}
		}
	}
	o := Onset{Share: float64(len(came)) / float64(len(e.members))}
	if o.Share < 0.1 {
		return Onset{}, false
	}
	slices.Sort(came)
	at := func(q float64) calendar.Date {
		i := int(q*float64(len(e.members)) + 0.5)
		if i >= len(came) {
			return e.Season.End
		}
		return e.Season.Start.AddDays(came[i])
	}
	o.P10, o.P50, o.P90 = at(0.1), at(0.5), at(0.9)
	return o, true
}
