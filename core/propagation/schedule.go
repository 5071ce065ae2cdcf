package propagation

import (
	"cmp"
	"slices"
)

// OutDays tells for each day of the weathers whether plants may go out into the open on it: the
// chance that a night at or below a temperature in °C comes within the steady days after it is
// no more than the risk (0–1). Where no night is known to harm, every day will do.
func OutDays(w *Weathers, below *float64, steadyDays int, risk float64) []bool {
	may := make([]bool, w.Days)
	if below == nil {
		for i := range may {
			may[i] = true
		}
		return may
	}
	for i, chance := range w.ChanceAfter(*below, steadyDays) {
		// The last days have too little after them to tell.
		may[i] = chance <= risk+1e-9 && i+steadyDays < w.Days
	}
	return may
}

// InSpans returns every so-manieth day within spans, from one day on and up to another, both
// inside: the days on which a way may be begun.
func InSpans(spans []Span, from, until, every int) (days []int) {
	for _, span := range spans {
		for day := max(span.First, from); day <= min(span.Last, until); day += every {
			days = append(days, day)
		}
	}
	return days
}

// LatestStart returns the latest of days to begin on from which the chance of standing by the
// attempt's last day is the confidence or more, going back from it; where none is, the one of the
// best chance, and enough is false. Without a day to begin on, start is below 0.
func (a Attempt) LatestStart(
	days []int,
	confidence float64,
	runs int,
	seed uint64,
) (start int, chance float64, enough bool) {
	start, a.datesAlone = -1, true
	for i := len(days) - 1; i >= 0; i-- {
		if days[i] > a.By {
			continue
		}
		a.Start = days[i]
		outlook := a.Look(runs, seed)
		if outlook.ChanceKnown && outlook.Chance >= confidence {
			return a.Start, outlook.Chance, true
		}
		if start < 0 || outlook.Chance > chance {
			start, chance = a.Start, outlook.Chance
		}
	}
	return start, chance, false
}

// Joined are spans in order, those that overlap or meet as one.
func Joined(spans []Span) []Span {
	spans = slices.Clone(spans)
	slices.SortFunc(spans, func(a, b Span) int { return cmp.Compare(a.First, b.First) })
	var joined []Span
	for _, span := range spans {
		if n := len(joined); n > 0 && span.First <= joined[n-1].Last+1 {
			joined[n-1].Last = max(joined[n-1].Last, span.Last)
		} else {
			joined = append(joined, span)
		}
	}
	return joined
}
