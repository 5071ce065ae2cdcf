package garden

import (
	"context"
	"fmt"
	"math"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/station"
)

// WeatherDay is one day of the outlook.
type WeatherDay struct {
	Day    calendar.Date `json:"day"`
	High   string        `json:"high"`
	Low    string        `json:"low"`
	HighC  float64       `json:"highC"`
	LowC   float64       `json:"lowC"`
	RainMM float64       `json:"rainMm"`
	Wet    bool          `json:"wet"`
	// WetChance is how many in ten of such days are wet, where the day is a usual one.
	WetChance float64 `json:"wetChance"`
}

// NowView is what to do on a day.
type NowView struct {
	Day       calendar.Date `json:"day"`
	Title     string        `json:"title"`
	Summary   string        `json:"summary"`
	IsToday   bool          `json:"isToday"`
	Closing   []JobView     `json:"closing"`
	Open      []JobView     `json:"open"`
	Coming    []JobView     `json:"coming"`
	Weather   []WeatherDay  `json:"weather"`
	Source    string        `json:"source"`
	Usual     bool          `json:"usual" doc:"The weather is what is usual in this climate: nothing was read or foretold"`
	HasBeds   bool          `json:"hasBeds"`
	Plantings int           `json:"plantings"`
}

// Now returns what is closing, open and coming on a day.
func (g *Garden) Now(ctx context.Context, on calendar.Date) (NowView, error) {
	s, on, err := g.stateOn(ctx, on)
	if err != nil {
		return NowView{}, err
	}
	v := NowView{
		Day: on, Title: on.WeekdayDayMonth(), IsToday: on == s.today, Closing: []JobView{}, Open: []JobView{}, Coming: []JobView{},
		Source: s.sky.source(), HasBeds: len(s.beds) > 0, Plantings: len(s.plantings),
	}
	lists := map[agenda.Urgency]*[]JobView{agenda.Closing: &v.Closing, agenda.Open: &v.Open, agenda.Coming: &v.Coming}
	minutes, beds := 0.0, map[string]bool{}
	for _, j := range g.jobs(s, on) {
		urgency := agenda.UrgencyOn(j.Job, on)
		list := lists[urgency]
		*list = append(*list, j.view)
		if urgency != agenda.Coming {
			minutes += j.Minutes
			if j.view.PlantingID != 0 {
				beds[j.view.Bed] = true
			}
		}
	}
	if n := len(v.Closing) + len(v.Open); n > 0 {
		v.Summary = fmt.Sprintf("%s · %s · in %s", counted(float64(n), "job", "jobs"), minutesWords(minutes), counted(float64(len(beds)), "bed", "beds"))
	} else {
		v.Summary = "nothing to do"
	}
	v.Weather, v.Usual, err = s.outlook(on)
	if v.Usual && s.sky.station != nil {
		v.Source = "What is usual then"
	}
	return v, err
}

// outlook returns the week from a day on: the station's where it reaches, else what is usual
// in this climate. An outlook belongs to the day that is shown.
func (s *state) outlook(on calendar.Date) (days []WeatherDay, usual bool, err error) {
	if s.sky.station != nil && on == s.today {
		weather, err := s.sky.station.Days(on, on.AddDays(station.OutlookDays-1))
		if err != nil {
			return nil, false, fmt.Errorf("read the outlook: %w", err)
		}
		for i, w := range weather {
			days = append(days, s.weatherDay(on.AddDays(i), w))
		}
		return days, false, nil
	}
	return s.usualWeek(on), true, nil
}

// usualWeek is the mean weather of the week from a day on, with how many in ten of such days
// are wet.
func (s *state) usualWeek(on calendar.Date) []WeatherDay {
	days := []WeatherDay{}
	usual := s.sky.usual
	for i := range station.OutlookDays {
		day := on.AddDays(i)
		season := s.season
		if s.next.Contains(day) {
			season = s.next
		}
		at := min(max(0, day.DaysSince(season.Start)), usual.Season.Days()-1)
		var mean climate.Day
		wet := 0.0
		for m := range usual.Size() {
			w := usual.Weather(m)[at]
			mean.TMin += w.TMin / float64(usual.Size())
			mean.TMax += w.TMax / float64(usual.Size())
			mean.Rain += w.Rain / float64(usual.Size())
			if w.Wet() {
				wet += 1 / float64(usual.Size())
			}
		}
		view := s.weatherDay(day, mean)
		view.Wet, view.WetChance = wet >= 0.5, math.Round(10*wet)/10
		days = append(days, view)
	}
	return days
}

// NoDay stands for "today" where a day to show can be left out.
const NoDay calendar.Date = -1 << 31

// stateOn returns the plot and the day to show, which is today for NoDay. A day
// outside this season and the next is a fault.
func (g *Garden) stateOn(ctx context.Context, on calendar.Date) (*state, calendar.Date, error) {
	s, err := g.state(ctx)
	if err != nil {
		return nil, 0, err
	}
	if on == NoDay {
		return s, s.today, nil
	}
	if !s.season.Contains(on) && !s.next.Contains(on) {
		return nil, 0, Faults{{Field: "on", Message: fmt.Sprintf("Only days from %s to %s can be shown.", s.season.Start, s.next.End)}}
	}
	return s, on, nil
}
