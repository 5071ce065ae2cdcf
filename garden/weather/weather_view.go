package weather

import (
	"context"
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/station"
)

// shownDays is how many days the page shows behind the last one.
const shownDays = 28

// WeatherView is the weather as it was read and is expected.
type WeatherView struct {
	Source    string            `json:"source"`
	Simulated bool              `json:"simulated"`
	Today     calendar.Date     `json:"today"`
	First     calendar.Date     `json:"first"`
	Last      calendar.Date     `json:"last"`
	Days      []DayView         `json:"days" doc:"Every day from the first to the last, the last one today or before"`
	Outlook   []view.WeatherDay `json:"outlook" doc:"The days after today; none without a station"`
	Scores    []ScoreView       `json:"scores" doc:"How outlooks of the last weeks stood against what came, by the days ahead; none without a station"`
	ScoreWord string            `json:"scoreWords"`
	// Unread is how many of the days of the season so far nobody read.
	Unread      int    `json:"unread"`
	UnreadWords string `json:"unreadWords"`
	SumWords    string `json:"sumWords" doc:"What the shown days add up to"`
	// Scale are the marks beside a drawing of warmth.
	Scale []ScaleMark `json:"scale"`
}

// ScaleMark is a mark beside a drawing of warmth, in the grower's units.
type ScaleMark struct {
	C     float64 `json:"c"`
	Words string  `json:"words"`
}

// scale are the marks of warmth, every 5 °C, between the coldest and the hottest anywhere.
func scale(s *plot.State) (marks []ScaleMark) {
	for at := -70.0; at <= 60; at += 5 {
		marks = append(marks, ScaleMark{at, s.Units.Temperature(at)})
	}
	return marks
}

// DayView is one day of the past.
type DayView struct {
	Day      calendar.Date `json:"day"`
	Version  say.Version   `json:"version" doc:"Of what was typed for it"`
	LowC     *float64      `json:"lowC" doc:"null: not read"`
	HighC    *float64      `json:"highC" doc:"null: not read"`
	RainMM   *float64      `json:"rainMm" doc:"null: not read"`
	Low      string        `json:"low"`
	High     string        `json:"high"`
	Rain     string        `json:"rain"`
	LowFrom  string        `json:"lowFrom" enum:",typed,file,station"`
	HighFrom string        `json:"highFrom" enum:",typed,file,station"`
	RainFrom string        `json:"rainFrom" enum:",typed,file,station"`
	// UsualLowC and UsualHighC are what is usual on the day.
	UsualLowC  float64 `json:"usualLowC"`
	UsualHighC float64 `json:"usualHighC"`
	// Typed is what was typed, for the form.
	TypedLow  string `json:"typedLow"`
	TypedHigh string `json:"typedHigh"`
	TypedRain string `json:"typedRain"`
	Note      string `json:"note"`
	Words     string `json:"words" doc:"The day in a sentence, with where each reading comes from"`
}

// ScoreView is how outlooks so many days ahead stood against what came.
type ScoreView struct {
	Ahead  int     `json:"ahead"`
	Off    string  `json:"off" doc:"By how much an extreme was off in the mean"`
	OffC   float64 `json:"offC"`
	UsualC float64 `json:"usualC" doc:"By how much what is usual would have been off"`
	Inside string  `json:"inside" doc:"How many in ten fell in the band that 8 in 10 were said to"`
	Rain   string  `json:"rain" doc:"How the chance of rain stood against what is usual"`
	Days   int     `json:"days"`
}

// Weather shows the days up to one, today for none.
func (u *Uses) Weather(ctx context.Context, until calendar.Date) (WeatherView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return WeatherView{}, err
	}
	if until == plot.NoDay || until > s.Today {
		until = s.Today
	}
	if until < s.Today.AddDays(-say.LongestAgoDays) {
		return WeatherView{}, say.Faults{{Field: "until", Message: until.DayMonthYear() + " is too long ago."}}
	}
	v := WeatherView{
		Source: s.Sky.Source(), Simulated: s.Sky.Station != nil && s.Sky.Station.Simulated(), Today: s.Today,
		First: until.AddDays(1 - shownDays), Last: until,
		Scale: scale(s), Days: []DayView{}, Outlook: []view.WeatherDay{}, Scores: []ScoreView{},
	}
	read, err := s.Sky.Read(v.First, until)
	if err != nil {
		return v, fmt.Errorf("read the weather: %w", err)
	}
	for i, day := range read {
		v.Days = append(v.Days, viewDay(s, v.First.AddDays(i), day))
	}
	v.SumWords = sumWords(s, read)
	for i, e := range s.Sky.Outlook() {
		v.Outlook = append(v.Outlook, view.ExpectedDay(s, s.Today.AddDays(i+1), e))
	}
	if err := addUnread(s, &v); err != nil {
		return v, err
	}
	return v, addScores(s, &v)
}

// whose says where a reading comes from.
var whose = map[string]string{
	plot.ReadTyped: "typed by you", plot.ReadFile: "from a file", plot.ReadStation: "the station's",
}

func viewDay(s *plot.State, day calendar.Date, read plot.ReadDay) DayView {
	usual, _, _, _, _ := s.Sky.Generator().Usual(day)
	typed, _ := s.WeatherRow(day, plot.ReadTyped)
	v := DayView{
		Day: day, Version: versionOf(typed), LowFrom: read.TMinFrom, HighFrom: read.TMaxFrom, RainFrom: read.RainFrom,
		UsualLowC: usual.TMin, UsualHighC: usual.TMax, Note: typed.Note,
	}
	var words []string
	if read.TMinFrom != "" {
		v.LowC, v.Low = &read.TMin, s.Units.FineTemperature(read.TMin)
		words = append(words, fmt.Sprintf("lowest %s (%s)", v.Low, whose[read.TMinFrom]))
	}
	if read.TMaxFrom != "" {
		v.HighC, v.High = &read.TMax, s.Units.FineTemperature(read.TMax)
		words = append(words, fmt.Sprintf("highest %s (%s)", v.High, whose[read.TMaxFrom]))
	}
	if read.RainFrom != "" {
		v.RainMM, v.Rain = &read.Rain, s.Units.Rainfall(read.Rain)
		words = append(words, fmt.Sprintf("%s of rain (%s)", v.Rain, whose[read.RainFrom]))
	}
	v.Words = "not read"
	if len(words) > 0 {
		v.Words = say.Joined(words)
	}
	if typed.TminC != nil {
		v.TypedLow = s.Units.FineTemperature(*typed.TminC)
	}
	if typed.TmaxC != nil {
		v.TypedHigh = s.Units.FineTemperature(*typed.TmaxC)
	}
	if typed.RainMm != nil {
		v.TypedRain = s.Units.Rainfall(*typed.RainMm)
	}
	return v
}

// sumWords say what days add up to: their rain, and the coldest night.
func sumWords(s *plot.State, read []plot.ReadDay) string {
	rain, rainDays, coldest, coldestAt := 0.0, 0, math.Inf(1), -1
	for i, day := range read {
		if day.HasRain() {
			rain, rainDays = rain+day.Rain, rainDays+1
		}
		if day.TMinFrom != "" && day.TMin < coldest {
			coldest, coldestAt = day.TMin, i
		}
	}
	words := "No rain was read in these days."
	if rainDays > 0 {
		words = fmt.Sprintf("%s of rain on %s read.", s.Units.Rain(rain), say.Counted(float64(rainDays), "day", "days"))
	}
	if coldestAt >= 0 {
		words += fmt.Sprintf(" The coldest night had %s.", s.Units.FineTemperature(coldest))
	}
	return words
}

// addUnread counts the days of the season that nobody read.
func addUnread(s *plot.State, v *WeatherView) error {
	read, err := s.Sky.Read(s.Season.Start, s.Today)
	if err != nil {
		return fmt.Errorf("read the weather: %w", err)
	}
	for _, day := range read {
		if !day.Whole() {
			v.Unread++
		}
	}
	switch {
	case v.Unread == 0:
		v.UnreadWords = "Every day of the season so far is read."
	case v.Unread == len(read):
		v.UnreadWords = "No day of the season is read whole: forecasts go by what is usual in this climate."
	default:
		v.UnreadWords = fmt.Sprintf("%s of the season so far %s not read whole: they are taken as they may have been.",
			say.Counted(float64(v.Unread), "day", "days"), map[bool]string{true: "is", false: "are"}[v.Unread == 1])
	}
	return nil
}

// scoredDays is over how many days outlooks are scored.
const scoredDays = 60

// addScores compares the outlooks of the last weeks with what came.
func addScores(s *plot.State, v *WeatherView) error {
	if s.Sky.Station == nil {
		v.ScoreWord = "Nobody foretells the weather here: switch a station on under Settings."
		return nil
	}
	first := s.Today.AddDays(-scoredDays)
	read, err := s.Sky.Read(first, s.Today)
	if err != nil {
		return fmt.Errorf("read the weather: %w", err)
	}
	var said []climate.Said
	for day := first.AddDays(-1); day < s.Today; day++ {
		outlook, err := s.Sky.Station.Outlook(day)
		if err != nil {
			return fmt.Errorf("read the outlook of %s: %w", day, err)
		}
		said = append(said, climate.Said{On: day, Outlook: outlook})
	}
	scores := s.Sky.Generator().ScoreOutlooks(said, func(day calendar.Date) climate.Day {
		if i := day.DaysSince(first); i >= 0 && i < len(read) {
			return read[i].Day
		}
		return climate.NoReading()
	})
	for _, score := range scores {
		if score.Days == 0 {
			continue
		}
		one := ScoreView{
			Ahead: score.Ahead, Off: s.Units.TemperatureDifference(score.OffC), OffC: score.OffC, UsualC: score.UsualOffC,
			Inside: fmt.Sprintf("%.0f in 10", 10*score.Inside), Days: score.Days,
			Rain: "no better",
		}
		if score.Brier < score.UsualBrier {
			one.Rain = fmt.Sprintf("%.0f %% nearer", 100*(1-score.Brier/score.UsualBrier))
		}
		v.Scores = append(v.Scores, one)
	}
	v.ScoreWord = scoreWords(s, scores)
	return nil
}

// scoreWords say in a sentence for how far ahead the outlook is worth listening to.
func scoreWords(s *plot.State, scores []climate.Score) string {
	worth := 0
	for _, score := range scores {
		if score.Days > 0 && score.Skill() >= worthSkill {
			worth = score.Ahead
		}
	}
	if len(scores) == 0 || scores[0].Days == 0 {
		return "No outlook can be compared with what came yet."
	}
	words := fmt.Sprintf("Over the last %d days tomorrow was off by %s in the mean", scoredDays, s.Units.TemperatureDifference(scores[0].OffC))
	switch {
	case worth == 0:
		return words + ": no nearer than what is usual."
	case worth == station.OutlookDays:
		return words + fmt.Sprintf("; to the %dth day it was nearer than what is usual.", worth)
	}
	return words + fmt.Sprintf("; from day %d on it was hardly nearer than what is usual.", worth+1)
}

// worthSkill is by how much an outlook has to be nearer than what is usual to be worth listening to.
const worthSkill = 0.1
