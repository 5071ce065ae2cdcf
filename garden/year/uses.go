// Package year is the year behind: what came when against other years and the climate's usual, what worked where, what
// was taken and at what work, and how the forecasts held. Each file is one part of it. It notes nothing.
package year

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct{ plot *plot.Plot }

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{p} }

// YearView is a year of the plot, looked back at.
type YearView struct {
	Name  string        `json:"name" doc:"2030, or 2030/31 where it runs through the turn of the year"`
	Plot  string        `json:"plot"`
	Start calendar.Date `json:"start"`
	End   calendar.Date `json:"end"`
	// Over is false for the year that is under way: what it says is of its days so far.
	Over    bool         `json:"over" doc:"It is over; else it is told up to today"`
	Years   []YearChoice `json:"years" doc:"The years that can be looked back at, the newest first"`
	Weather []string     `json:"weather"`
	Came    []CameRow    `json:"came" doc:"What came when, by day"`
	Score   HeldView     `json:"score"`
	Fates   []FateRow    `json:"fates" doc:"What throve and what failed"`
	Yields  []YieldRow   `json:"yields"`
	Hours   WorkView     `json:"hours"`
	Trouble []TroubleRow `json:"trouble"`
	Looks   int          `json:"looks"`
	Empty   bool         `json:"empty" doc:"Nothing was noted in it"`
}

// YearChoice is a year that can be looked back at.
type YearChoice struct {
	Name string        `json:"name"`
	On   calendar.Date `json:"on" doc:"A day in it"`
}

// Year is the year that a day lies in, looked back at: the last that is over for NoDay, or this where there is none.
func (u *Uses) Year(ctx context.Context, on calendar.Date) (YearView, error) {
	today, _, err := u.plot.StateOn(ctx, plot.NoDay)
	if err != nil {
		return YearView{}, err
	}
	if on == plot.NoDay {
		if on = today.Season.Start.AddDays(-1); on < today.FirstShown() {
			on = today.Today
		}
	}
	s, _, err := u.plot.StateOn(ctx, min(on, today.Today))
	if err != nil {
		return YearView{}, err
	}
	season := s.Season
	v := YearView{
		Name: nameOf(season), Plot: s.Site.Name, Start: season.Start, End: season.End, Over: season.End < s.Today,
		Years: []YearChoice{}, Weather: weatherWords(s), Trouble: troubles(s), Yields: yields(s), Fates: fates(s),
		Hours: hours(s),
	}
	for at := today.Season; at.End >= today.FirstShown(); at = calendar.SeasonOf(s.Site.Latitude, at.Start.AddDays(-1)) {
		v.Years = append(v.Years, YearChoice{nameOf(at), at.Start})
	}
	for _, p := range s.Plantings {
		v.Looks += len(p.SeenIn(season))
	}
	v.Came, v.Score, err = came(s)
	v.Empty = v.Looks == 0 && len(v.Yields) == 0 && len(v.Fates) == 0 && v.Hours.Total == ""
	return v, err
}

func nameOf(season calendar.Season) string {
	if season.Start.Year() == season.End.Year() {
		return fmt.Sprint(season.Start.Year())
	}
	return fmt.Sprintf("%d/%02d", season.Start.Year(), season.End.Year()%100)
}
