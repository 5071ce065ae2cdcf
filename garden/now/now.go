package now

import (
	"context"
	"fmt"
	"math"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/station"
)

// NowView is what to do on a day.
type NowView struct {
	Day     calendar.Date     `json:"day"`
	Title   string            `json:"title"`
	Summary string            `json:"summary"`
	IsToday bool              `json:"isToday"`
	Closing []area.JobView    `json:"closing"`
	Open    []area.JobView    `json:"open"`
	Coming  []area.JobView    `json:"coming"`
	Weather []view.WeatherDay `json:"weather"`
	Source  string            `json:"source"`
	Usual   bool              `json:"usual" doc:"The weather is what is usual in this climate: nothing was read or foretold"`
	// Past is true for a day before today: then there is nothing to do, and Noted is what was seen and done in its week.
	Past      bool    `json:"past" doc:"The day is past: there is nothing to do on it"`
	Noted     []Noted `json:"noted" doc:"What was seen and done in the week up to a past day"`
	HasBeds   bool    `json:"hasBeds"`
	Plantings int     `json:"plantings"`
}

// Now returns what is closing, open and coming on a day.
func (u *Uses) Now(ctx context.Context, on calendar.Date) (NowView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return NowView{}, err
	}
	v := NowView{
		Day:       on,
		Title:     title(s, on),
		Noted:     []Noted{},
		IsToday:   on == s.Today,
		Closing:   []area.JobView{},
		Open:      []area.JobView{},
		Coming:    []area.JobView{},
		Source:    s.Sky.Source(),
		HasBeds:   len(s.Beds) > 0,
		Plantings: len(s.Plantings),
	}
	if v.Past = on < s.Today; v.Past {
		v.Noted = notedBefore(s, on)
		v.Summary = "nothing was noted in its week"
		if n := len(v.Noted); n > 0 {
			v.Summary = fmt.Sprintf("%d noted in its week", n)
		}
		v.Weather, v.Usual, err = asItWas(s, on)
		v.Source = "The weather as it was"
		if v.Usual {
			v.Source = "What is usual then"
		}
		return v, err
	}
	lists := map[agenda.Urgency]*[]area.JobView{agenda.Closing: &v.Closing, agenda.Open: &v.Open, agenda.Coming: &v.Coming}
	minutes, beds := 0.0, map[string]bool{}
	for _, j := range u.jobs(s, on) {
		urgency := agenda.UrgencyOn(j.Job, on)
		list := lists[urgency]
		*list = append(*list, j.View)
		if urgency != agenda.Coming {
			minutes += j.Minutes
			if j.View.PlantingID != 0 {
				beds[j.View.Bed] = true
			}
		}
	}
	if n := len(v.Closing) + len(v.Open); n > 0 {
		v.Summary = fmt.Sprintf(
			"%s · %s · in %s",
			say.Counted(float64(n), "job", "jobs"),
			say.MinutesWords(minutes),
			say.Counted(float64(len(beds)), "bed", "beds"),
		)
	} else {
		v.Summary = "nothing to do"
	}
	v.Weather, v.Usual, err = outlook(s, on)
	if v.Usual && s.Sky.Station != nil {
		v.Source = "What is usual then"
	}
	return v, err
}

// title is a day's name, with its year where that is not today's season's.
func title(s *plot.State, on calendar.Date) string {
	if s.IsOther() {
		return on.WeekdayDayMonth() + fmt.Sprintf(" %d", on.Year())
	}
	return on.WeekdayDayMonth()
}

// asItWas is the weather of the week from a past day on, as it was read; as it usually is where nobody read it.
func asItWas(s *plot.State, on calendar.Date) (days []view.WeatherDay, usual bool, err error) {
	read, err := s.Sky.Read(on, min(on.AddDays(station.OutlookDays-1), s.Today))
	if err != nil {
		return nil, false, fmt.Errorf("read the weather: %w", err)
	}
	for i, day := range read {
		if day.Whole() {
			days = append(days, view.ReadDay(s, on.AddDays(i), day.Day))
		}
	}
	if len(days) == 0 {
		return usualWeek(s, on), true, nil
	}
	return days, false, nil
}

// outlook returns the week from a day on: what was read and what the station expects where they
// reach, else what is usual in this climate. An outlook belongs to the day that is shown.
func outlook(s *plot.State, on calendar.Date) (days []view.WeatherDay, usual bool, err error) {
	expected := s.Sky.Outlook()
	if on != s.Today || len(expected) == 0 {
		return usualWeek(s, on), true, nil
	}
	read, err := s.Sky.Read(on, on)
	if err != nil {
		return nil, false, fmt.Errorf("read the weather: %w", err)
	}
	if len(read) == 1 && read[0].Whole() {
		days = append(days, view.ReadDay(s, on, read[0].Day))
	}
	for i, e := range expected {
		days = append(days, view.ExpectedDay(s, on.AddDays(i+1), e))
	}
	return days[:min(len(days), station.OutlookDays)], false, nil
}

// usualWeek is the mean weather of the week from a day on, with how many in ten of such days
// are wet.
func usualWeek(s *plot.State, on calendar.Date) []view.WeatherDay {
	days := []view.WeatherDay{}
	usual := s.Sky.Usual
	for i := range station.OutlookDays {
		day := on.AddDays(i)
		season := s.Season
		if s.Next.Contains(day) {
			season = s.Next
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
		days = append(days, view.UsualDay(s, day, mean, math.Round(10*wet)/10))
	}
	return days
}
