package garden

import (
	"context"
	"fmt"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
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
		Source: s.sky.station.Name(), HasBeds: len(s.beds) > 0, Plantings: len(s.plantings),
	}
	lists := map[agenda.Urgency]*[]JobView{agenda.Closing: &v.Closing, agenda.Open: &v.Open, agenda.Coming: &v.Coming}
	minutes, beds := 0.0, map[string]bool{}
	for _, j := range s.jobs(on) {
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
	if v.Weather, err = s.outlook(); err != nil {
		return v, err
	}
	return v, nil
}

// outlook returns the station's days from today on.
func (s *state) outlook() ([]WeatherDay, error) {
	weather, err := s.sky.station.Days(s.today, s.today.AddDays(station.OutlookDays-1))
	if err != nil {
		return nil, fmt.Errorf("read the outlook: %w", err)
	}
	days := make([]WeatherDay, len(weather))
	for i, w := range weather {
		days[i] = s.weatherDay(s.today.AddDays(i), w)
	}
	return days, nil
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
		return nil, 0, Faults{{"on", fmt.Sprintf("Only days from %s to %s can be shown.", s.season.Start, s.next.End)}}
	}
	return s, on, nil
}
