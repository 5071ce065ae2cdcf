package say

import (
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/phenology"
)

var ordinals = []string{
	"",
	"first",
	"second",
	"third",
	"fourth",
	"fifth",
	"sixth",
	"seventh",
	"eighth",
	"ninth",
	"tenth",
}

// YearWords says a year of life: "third year".
func YearWords(year int) string {
	if year > 0 && year < len(ordinals) {
		return ordinals[year] + " year"
	}
	return fmt.Sprintf("year %d", year)
}

// Counted says a number of things: "1 plant", "7 plants".
func Counted(n float64, one, many string) string {
	if n == 1 {
		return "1 " + one
	}
	return Number(n) + " " + many
}

// Number writes an amount without needless decimals.
func Number(n float64) string {
	if math.Abs(n-math.Round(n)) < 0.05 {
		return fmt.Sprintf("%.0f", n)
	}
	return fmt.Sprintf("%.1f", n)
}

var fractions = []struct {
	share float64
	word  string
}{
	{0.1, "a tenth"}, {0.2, "a fifth"}, {0.25, "a quarter"}, {1.0 / 3, "a third"},
	{0.5, "half"}, {0.6, "three fifths"}, {2.0 / 3, "two thirds"}, {0.75, "three quarters"},
}

// ShareWords says a share as a grower does: "a third".
func ShareWords(share float64) string {
	for _, f := range fractions {
		if math.Abs(share-f.share) < 0.02 {
			return f.word
		}
	}
	return fmt.Sprintf("%.0f %%", share*100)
}

// Capital gives a text a capital letter.
func Capital(text string) string {
	if text == "" {
		return text
	}
	return strings.ToUpper(text[:1]) + text[1:]
}

// Joined lists words: "a, b and c".
func Joined(words []string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	return strings.Join(words[:len(words)-1], ", ") + " and " + words[len(words)-1]
}

// InTen says a chance as a grower does: "8 in 10". What is not certain is never
// said to be.
func InTen(chance float64) string {
	if chance >= 0.95 && chance < 1 {
		return "over 9 in 10"
	}
	return fmt.Sprintf("%.0f in 10", math.Round(chance*10))
}

// Chance says a chance that was counted over runs, small ones too: "1 in 20", "4 in 10", "less than 1 in 100". What
// came in every run is not said to be certain.
func Chance(chance float64) string {
	switch {
	case chance < 0.01:
		return "less than 1 in 100"
	case chance < 0.15:
		return fmt.Sprintf("1 in %.0f", 1/chance)
	case chance >= 0.995:
		return "nearly surely"
	}
	return InTen(math.Min(chance, 0.99))
}

// Money says an amount in a currency: "£4.50", "12.00 kr", and without small change from 20 on.
func Money(amount float64, currency string) string {
	text := fmt.Sprintf("%.2f", amount)
	if amount >= 20 {
		text = fmt.Sprintf("%.0f", amount)
	}
	switch len([]rune(currency)) {
	case 0:
		return text
	case 1:
		return currency + text
	}
	return text + " " + currency
}

// FewInTen says a share of plants: "3 in 10", or "a few" below that.
func FewInTen(share float64) string {
	if share < 0.05 {
		return "a few"
	}
	return InTen(share)
}

// DaysLeft says how long until a last day.
func DaysLeft(today, last calendar.Date) string {
	switch left := last.DaysSince(today); {
	case left <= 0:
		return "last day"
	case left == 1:
		return "1 day left"
	case left <= 9:
		return fmt.Sprintf("%d days left", left)
	}
	return "to " + last.DayMonth()
}

// MinutesWords says a length of work: "15 min", "1 h 50 min".
func MinutesWords(minutes float64) string {
	whole := int(math.Max(1, math.Round(minutes)))
	if whole < 60 {
		return fmt.Sprintf("%d min", whole)
	}
	whole = (whole + 2) / 5 * 5
	if whole%60 == 0 {
		return fmt.Sprintf("%d h", whole/60)
	}
	return fmt.Sprintf("%d h %d min", whole/60, whole%60)
}

// DatesView is a spread of dates with its words.
type DatesView struct {
	P10    calendar.Date `json:"p10" doc:"One course in ten has come by this day"`
	P50    calendar.Date `json:"p50" doc:"The middle of the courses"`
	P90    calendar.Date `json:"p90" doc:"Nine courses in ten have come by this day"`
	Chance float64       `json:"chance" doc:"Share of courses in which it comes this season at all"`
	Text   string        `json:"text"`
}

// ViewDates puts dates into words. What has been seen or is certain has one day; what does
// not come in every year says so, and has no last day: the season's end is none.
func ViewDates(d phenology.Dates) DatesView {
	v := DatesView{P10: d.P10, P50: d.P50, P90: d.P90, Chance: d.Chance}
	switch {
	case !d.Holds(0.1):
		v.Text = "not expected this year"
	case !d.Holds(0.5):
		v.Text = fmt.Sprintf("not expected this year; in %s years from %s", InTen(d.Chance), d.P10.DayMonth())
	case !d.Holds(0.9):
		v.Text = fmt.Sprintf("from %s, in %s years", d.P10.DayMonth(), InTen(d.Chance))
	case d.P10 == d.P90:
		v.Text = d.P50.DayMonth()
	default:
		v.Text = calendar.Span(d.P10, d.P90) + ", 8 in 10"
	}
	return v
}

// LowerFirst takes a text's capital away.
func LowerFirst(text string) string {
	if text == "" {
		return text
	}
	return strings.ToLower(text[:1]) + text[1:]
}

// OrList lists choices: "dry, fresh, moist or wet".
func OrList(words []string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	return strings.Join(words[:len(words)-1], ", ") + " or " + words[len(words)-1]
}

// Round1 rounds to a tenth.
func Round1(value float64) float64 { return math.Round(value*10) / 10 }

// HoursWords says hours of sun: "6.5 h", "under half an hour", "none".
func HoursWords(hours float64) string {
	switch {
	case hours <= 0.05:
		return "none"
	case hours < 0.5:
		return "under half an hour"
	}
	return Number(hours) + " h"
}

// Round2 rounds to a hundredth.
func Round2(value float64) float64 { return math.Round(value*100) / 100 }

// PartOf names a part of a plant: "lovage leaf".
func PartOf(plant, part string) string { return plant + " " + part }
