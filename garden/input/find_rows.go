package input

import (
	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// ReadDay reads a day that has come, within a long life.
func ReadDay(s *plot.State, c *say.Checklist, field, text string) calendar.Date {
	day, err := calendar.Parse(text)
	switch {
	case err != nil:
		c.AddError(field, err)
	case day > s.Today:
		c.Add(field, "%s has not come yet. Today is %s.", day.DayMonth(), s.Today.DayMonth())
	case day < s.Today.AddDays(-say.LongestAgoDays):
		c.Add(field, "%s is too long ago.", text)
	}
	return day
}
