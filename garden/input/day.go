package input

import (
	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// ReadDay reads a day that has come, within a long life.
func ReadDay(s *plot.State, c *say.Checklist, field, text string) calendar.Date {
	return ReadDayWithin(s, c, field, text, say.LongestAgoDays)
}

// ReadDayWithin reads a day that has come, no more than so many days ago.
func ReadDayWithin(s *plot.State, c *say.Checklist, field, text string, longestAgoDays int) calendar.Date {
	day, read := parseDay(c, field, text)
	switch {
	case !read:
	case day > s.Today:
		c.Add(field, "%s has not come yet. Today is %s.", day.DayMonthYear(), s.Today.DayMonth())
	case day < s.Today.AddDays(-longestAgoDays):
		c.Add(field, "%s is too long ago.", day.DayMonthYear())
	}
	return day
}

// ReadPastDay reads the day of a note: not before the planting began, not in
// the future.
func ReadPastDay(s *plot.State, c *say.Checklist, p *plot.Planting, text string) calendar.Date {
	day, read := parseDay(c, "day", text)
	switch {
	case !read:
	case day > s.Today:
		c.Add("day", "%s has not come yet. Today is %s.", day.DayMonthYear(), s.Today.DayMonth())
	case day < p.Started:
		c.Add("day", "The planting only began on %s.", p.Started.DayMonthYear())
	}
	return day
}

// LongestKeptDays is how long a device may have kept what was noted.
const LongestKeptDays = 60

// ReadKeptDay reads the day of something that is noted on its day, and comes later only where a device kept it: today
// where nothing is said.
func ReadKeptDay(s *plot.State, c *say.Checklist, text string) calendar.Date {
	if text == "" {
		return s.Today
	}
	day, read := parseDay(c, "day", text)
	switch {
	case !read:
	case day > s.Today:
		c.Add("day", "%s has not come yet. Today is %s.", day.DayMonthYear(), s.Today.DayMonth())
	case day < s.Today.AddDays(-LongestKeptDays):
		c.Add("day", "It was kept for longer than %d days.", LongestKeptDays)
	}
	return day
}

func parseDay(c *say.Checklist, field, text string) (day calendar.Date, read bool) {
	day, err := calendar.Parse(text)
	if err != nil {
		c.Add(field, "This is not a whole day. Type one like 27 May 2031.")
	}
	return day, err == nil
}

// longestAheadDays is how far ahead a day is planned.
const longestAheadDays = 2 * 366

// ReadComingDay reads a day that is planned: today or later, and no more than two years ahead.
func ReadComingDay(s *plot.State, c *say.Checklist, field, text string) calendar.Date {
	day, read := parseDay(c, field, text)
	switch {
	case !read:
	case day < s.Today:
		c.Add(field, "%s is past. Today is %s.", day.DayMonthYear(), s.Today.DayMonth())
	case day > s.Today.AddDays(longestAheadDays):
		c.Add(field, "%s is too far ahead: plan two years at most.", day.DayMonthYear())
	}
	return day
}
