// Package calendar holds the calendar day and the plot's season year.
//
// A Date has no clock and no time zone: a window opens on a day of the plot,
// wherever the server stands.
package calendar

import (
	"fmt"
	"time"
)

// Date is a calendar day, counted in days since 1 January 1970 (proleptic
// Gregorian calendar). Dates can be compared and subtracted as numbers.
type Date int32

const isoLayout = "2006-01-02"

// New returns the date of a year, month (1–12) and day of the month. A day
// that does not exist, such as 30 February, is an error.
func New(year int, month time.Month, day int) (Date, error) {
	at := time.Date(year, month, day, 0, 0, 0, 0, time.UTC)
	if at.Year() != year || at.Month() != month || at.Day() != day {
		return 0, fmt.Errorf("there is no day %d-%02d-%02d", year, month, day)
	}
	return fromTime(at), nil
}

// Must is New for days known to exist, such as the ones written in tests and
// in the sample plot; it panics on any other.
func Must(year int, month time.Month, day int) Date {
	d, err := New(year, month, day)
	if err != nil {
		panic(err)
	}
	return d
}

// Parse reads an ISO 8601 calendar date, "2031-05-27".
func Parse(text string) (Date, error) {
	at, err := time.Parse(isoLayout, text)
	if err != nil {
		return 0, fmt.Errorf("%q is not a date; write it as 2031-05-27", text)
	}
	return fromTime(at), nil
}

// OfTime returns the day that a moment falls on in its own time zone.
func OfTime(at time.Time) Date {
	y, m, d := at.Date()
	return fromTime(time.Date(y, m, d, 0, 0, 0, 0, time.UTC))
}

func fromTime(at time.Time) Date { return Date(at.Unix() / 86400) }

// Time returns midnight UTC at the start of the day.
func (d Date) Time() time.Time { return time.Unix(int64(d)*86400, 0).UTC() }

// Year returns the calendar year.
func (d Date) Year() int { return d.Time().Year() }

// Month returns the calendar month.
func (d Date) Month() time.Month { return d.Time().Month() }

// Day returns the day of the month, 1–31.
func (d Date) Day() int { return d.Time().Day() }

// YearDay returns the day of the year, 1–366.
func (d Date) YearDay() int { return d.Time().YearDay() }

// Weekday returns the day of the week.
func (d Date) Weekday() time.Weekday { return d.Time().Weekday() }

// AddDays returns the date n days later; n may be negative.
func (d Date) AddDays(n int) Date { return d + Date(n) }

// DaysSince returns the number of days from an earlier date to this one.
func (d Date) DaysSince(earlier Date) int { return int(d - earlier) }

// String writes the ISO 8601 form.
func (d Date) String() string { return d.Time().Format(isoLayout) }

// MarshalText writes the ISO 8601 form, for JSON and TOML.
func (d Date) MarshalText() ([]byte, error) { return []byte(d.String()), nil }

// UnmarshalText reads the ISO 8601 form.
func (d *Date) UnmarshalText(text []byte) error {
	parsed, err := Parse(string(text))
	if err != nil {
		return err
	}
	*d = parsed
	return nil
}

// DayMonth writes the date as a grower says it: "27 May".
func (d Date) DayMonth() string { return d.Time().Format("2 January") }

// DayMonthYear returns the date as it is read in full: 27 May 2031.
func (d Date) DayMonthYear() string { return d.Time().Format("2 January 2006") }

// WeekdayDayMonth writes "Tuesday 27 May".
func (d Date) WeekdayDayMonth() string { return d.Time().Format("Monday 2 January") }

// Span writes a range of days: "2–6 June", "29 May – 3 June", or one day.
func Span(from, to Date) string {
	switch {
	case from == to:
		return from.DayMonth()
	case from.Month() == to.Month() && from.Year() == to.Year():
		return fmt.Sprintf("%d–%s", from.Day(), to.DayMonth())
	default:
		return from.DayMonth() + " – " + to.DayMonth()
	}
}
