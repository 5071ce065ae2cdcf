package view

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
)

// troubleNotices are what to mind of the last look where something is picked.
func troubleNotices(p *plot.Planting, on calendar.Date) []string {
	var words []string
	found, seen := p.TroublesOf(on)
	for _, t := range found {
		if t.Picking != "" {
			words = append(words, fmt.Sprintf("Seen on %s: %s. %s", seen.Day.DayMonth(), t.Mark, t.Picking))
		}
	}
	return words
}
