package calendar

import (
	"fmt"
	"math/bits"
	"strings"
	"time"
)

// Months are months of the year, a bit for each, January the lowest. In a file they are
// words: "March to July", "October", "February to March, September", "all year".
type Months uint16

const (
	monthsOfYear = 12
	// AllYear are all twelve.
	AllYear      Months = 1<<monthsOfYear - 1
	allYearWords        = "all year"
)

// MonthsFrom are the months from one to another, both among them, over the new year where the
// first comes later.
func MonthsFrom(first, last time.Month) (m Months) {
	for month := first; ; month = month%monthsOfYear + 1 {
		m |= 1 << (month - 1)
		if month == last {
			return m
		}
	}
}

// Has tells whether a month is among them.
func (m Months) Has(month time.Month) bool { return m&(1<<(month-1)) != 0 }

// HalfAYearOn are the months that lie half a year from them: those of the other hemisphere.
func (m Months) HalfAYearOn() Months {
	const half = monthsOfYear / 2
	return (m<<half | m>>half) & AllYear
}

// String writes them in words.
func (m Months) String() string {
	if m == AllYear {
		return allYearWords
	}
	var spans []string
	for month := time.January; month <= time.December; month++ {
		before := (month+monthsOfYear-2)%monthsOfYear + 1
		if !m.Has(month) || m.Has(before) {
			continue
		}
		last := month
		for m.Has(last%monthsOfYear + 1) {
			last = last%monthsOfYear + 1
		}
		if last == month {
			spans = append(spans, month.String())
		} else {
			spans = append(spans, month.String()+" to "+last.String())
		}
	}
	return strings.Join(spans, ", ")
}

// MarshalText writes them in words.
func (m Months) MarshalText() ([]byte, error) { return []byte(m.String()), nil }

// UnmarshalText reads them from words.
func (m *Months) UnmarshalText(text []byte) error {
	*m = 0
	if string(text) == allYearWords {
		*m = AllYear
		return nil
	}
	for span := range strings.SplitSeq(string(text), ", ") {
		from, to, several := strings.Cut(span, " to ")
		if !several {
			to = from
		}
		first, last := monthNamed(from), monthNamed(to)
		if first == 0 || last == 0 {
			return fmt.Errorf(`%q names no months; write "March to July", "October" or %q`, text, allYearWords)
		}
		*m |= MonthsFrom(first, last)
	}
	return nil
}

// Count is how many months they are.
func (m Months) Count() int { return bits.OnesCount16(uint16(m)) }

func monthNamed(name string) time.Month {
	for month := time.January; month <= time.December; month++ {
		if name == month.String() || name == month.String()[:3] {
			return month
		}
	}
	return 0
}
