package bench

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

func wishWords(of ask) string {
	words := say.Counted(float64(of.wanted), "plant", "plants")
	if of.bed != nil {
		words += " in " + of.bed.Name
	}
	if of.by != plot.NoDay {
		words += " by " + of.by.DayMonthYear()
	}
	return words
}

// assumesWords tell what is assumed of a figure without a range.
func assumesWords(d propagation.Doubt) string {
	return fmt.Sprintf(
		"Chances are counted over %d runs. A figure on record without a range is drawn from ÷ %s to × %s; a temperature %s °C about it; a share %.0f in 100 about it.",
		propagation.Runs,
		say.Number(d.Times.Value),
		say.Number(d.Times.Value),
		say.Number(d.Degrees.Value),
		100*d.Share.Value,
	)
}

// cannotWords say why no way answers the wish; empty where one may.
func cannotWords(of ask, all []*variant) string {
	if len(all) == 0 {
		return fmt.Sprintf("No way to make more of %s is on record.", of.species.Names.Name)
	}
	best := 0.0
	var reasons []string
	for _, v := range all {
		if !v.possible || !v.row.IsAdvised() {
			if len(v.lacks) > 0 {
				reasons = append(reasons, v.row.Way+": "+v.lacks[0])
			}
			continue
		}
		if !v.outlook.ChanceKnown {
			return "" // nobody can tell; the ways say so
		}
		best = max(best, v.outlook.Chance)
		if len(v.outlook.Whys) > 0 {
			reasons = append(reasons, v.row.Way+": "+string(v.outlook.Whys[0].Why))
		}
	}
	const hardlyEver = 0.05 // the same as chanceWords
	if best >= hardlyEver {
		return ""
	}
	slices.Sort(reasons)
	return fmt.Sprintf(
		"%s cannot be had. %s",
		say.Capital(wishWords(of)),
		say.Sentence(strings.Join(slices.Compact(reasons), "; ")),
	)
}

// chanceWords say a chance: what hardly ever comes is not said to be nothing.
func chanceWords(chance float64) string {
	if chance < 0.05 {
		return "under 1 in 10"
	}
	return say.InTen(chance)
}

// yearIfOther says a day, with its year where that is not this one.
func yearIfOther(s *plot.State, day calendar.Date) string {
	if day.Year() == s.Today.Year() {
		return day.DayMonth()
	}
	return day.DayMonthYear()
}

// spanWords say from when to when, with the years where they are not this one's.
func spanWords(s *plot.State, from, to calendar.Date) string {
	switch {
	case from == to:
		return yearIfOther(s, from)
	case from.Year() != to.Year():
		return from.DayMonthYear() + " – " + to.DayMonthYear()
	case to.Year() != s.Today.Year():
		return calendar.Span(from, to) + " " + to.Time().Format("2006")
	}
	return calendar.Span(from, to)
}
