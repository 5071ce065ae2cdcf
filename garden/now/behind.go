package now

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// Noted is something that was noted of a day that is past.
type Noted struct {
	Day        calendar.Date `json:"day"`
	PlantingID int64         `json:"plantingId"`
	Plant      string        `json:"plant"`
	Bed        string        `json:"bed"`
	Words      string        `json:"words"`
	Photos     []string      `json:"photos"`
}

// notedDays is for how many days up to a past one what was noted is told.
const notedDays = 7

// notedBefore is what was seen, picked and done in the week up to a past day, the newest first.
func notedBefore(s *plot.State, on calendar.Date) []Noted {
	all := []Noted{}
	from := on.AddDays(1 - notedDays)
	within := func(text string) (calendar.Date, bool) {
		day, err := calendar.Parse(text)
		return day, err == nil && day >= from && day <= on
	}
	for _, p := range s.EverPlanted {
		add := func(day calendar.Date, words string, photos []string) {
			all = append(all, Noted{day, p.ID, p.Species.Names.Name, p.Bed.Name, words, photos})
		}
		for _, seen := range p.Sightings {
			if seen.Day < from || seen.Day > on {
				continue
			}
			words := fmt.Sprintf("Seen %s, %s", seen.Stage, seen.Share)
			if seen.Row.Marks != "" {
				words += "; " + strings.ReplaceAll(seen.Row.Marks, ",", ", ")
			}
			if seen.Row.Note != "" {
				words += ". " + seen.Row.Note
			}
			add(seen.Day, words, view.ListOf(seen.Row.Photos))
		}
		for _, picking := range p.Pickings {
			if day, is := within(picking.Day); is {
				add(
					day,
					fmt.Sprintf("Picked %s of %s", s.Units.Weight(picking.Grams), say.PartOf(p.Species.Names.Name, picking.Part)),
					[]string{},
				)
			}
		}
		for _, fate := range s.Fates[p.ID] {
			if day, is := within(fate.Day); is {
				add(day, say.Capital(strings.TrimSpace(fate.Outcome+" "+fate.Cause)), []string{})
			}
		}
	}
	slices.SortStableFunc(all, func(a, b Noted) int { return int(b.Day - a.Day) })
	return all
}
