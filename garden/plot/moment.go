package plot

import "time"

// momentLayout is how a moment is stored: the day and the time on the clock on the wall.
const momentLayout = "2006-01-02T15:04"

// pinnedHour is the hour of a day that is fixed, as the sample's is.
const pinnedHour = 12

// Moment is the day that the plot is looked at with the time on the clock on the wall, in no zone.
func (g *Plot) Moment() time.Time {
	day := g.Today().Time()
	if g.PinnedTo != nil {
		return day.Add(pinnedHour * time.Hour)
	}
	now := g.Clock()
	return day.Add(time.Duration(now.Hour())*time.Hour + time.Duration(now.Minute())*time.Minute)
}

// MomentText is a moment as it is stored.
func MomentText(at time.Time) string { return at.Format(momentLayout) }

// ParseMoment reads a moment as it is stored.
func ParseMoment(text string) (time.Time, error) { return time.Parse(momentLayout, text) }
