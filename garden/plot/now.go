package plot

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/say"
)

// NoDay stands for "today" where a day to show can be left out.
const NoDay calendar.Date = -1 << 31

// StateOn returns the plot and the day to show, which is today for NoDay. A day
// outside this season and the next is a fault.
func (g *Plot) StateOn(ctx context.Context, on calendar.Date) (*State, calendar.Date, error) {
	s, err := g.State(ctx)
	if err != nil {
		return nil, 0, err
	}
	if on == NoDay {
		return s, s.Today, nil
	}
	if !s.Season.Contains(on) && !s.Next.Contains(on) {
		return nil, 0, say.Faults{{Field: "on", Message: fmt.Sprintf("Only days from %s to %s can be shown.", s.Season.Start, s.Next.End)}}
	}
	return s, on, nil
}
