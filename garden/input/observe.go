package input

import (
	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// ReadPastDay reads the day of a note: not before the planting began, not in
// the future.
func ReadPastDay(s *plot.State, c *say.Checklist, p *plot.Planting, text string) calendar.Date {
	day, err := calendar.Parse(text)
	switch {
	case err != nil:
		c.AddError("day", err)
	case day > s.Today:
		c.Add("day", "%s has not come yet. Today is %s.", day.DayMonth(), s.Today.DayMonth())
	case day < p.Started:
		c.Add("day", "The planting only began on %s.", p.Started)
	}
	return day
}
