package year

import (
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// weatherWords say what the season's weather was against the usual, as far as it was read.
func weatherWords(s *plot.State) []string {
	last := min(s.Season.End, s.Today)
	read, err := s.Sky.Read(s.Season.Start, last)
	if err != nil {
		return []string{}
	}
	usual, err := s.Sky.Unread(s.Season)
	if err != nil {
		return []string{}
	}
	days, rain, usualRain, warm, usualWarm := 0, 0.0, 0.0, 0.0, 0.0
	low, high, lowDay, highDay := math.Inf(1), math.Inf(-1), calendar.Date(0), calendar.Date(0)
	spring, autumn := plot.NoDay, plot.NoDay
	middle := s.Season.Days() / 2
	for i, day := range read {
		if !day.Whole() {
			continue
		}
		on := s.Season.Start.AddDays(i)
		days++
		rain += day.Day.Rain
		warm += (day.Day.TMin + day.Day.TMax) / 2
		for m := range usual.Size() {
			w := usual.Weather(m)[i]
			usualRain += w.Rain / float64(usual.Size())
			usualWarm += (w.TMin + w.TMax) / 2 / float64(usual.Size())
		}
		if day.Day.TMin < low {
			low, lowDay = day.Day.TMin, on
		}
		if day.Day.TMax > high {
			high, highDay = day.Day.TMax, on
		}
		if day.Day.TMin <= 0 {
			if i < middle {
				spring = on
			} else if autumn == plot.NoDay {
				autumn = on
			}
		}
	}
	words := []string{}
	if days == 0 {
		return append(words, "Nobody read the weather of this year.")
	}
	if whole := last.DaysSince(s.Season.Start) + 1; days < whole {
		words = append(words, fmt.Sprintf("%d of %d days were read; the figures are of those.", days, whole))
	}
	off := (warm - usualWarm) / float64(days)
	warmer := "as warm as usual in the mean"
	if math.Abs(off) >= 0.1 {
		side := "warmer"
		if off < 0 {
			side = "colder"
		}
		warmer = fmt.Sprintf("%s %s than usual in the mean", s.Units.TemperatureDifference(math.Abs(off)), side)
	}
	words = append(words,
		fmt.Sprintf("%s of rain; %s is usual.", s.Units.Rainfall(rain), s.Units.Rainfall(usualRain)),
		say.Capital(warmer)+fmt.Sprintf("; from %s on %s to %s on %s.",
			s.Units.Temperature(low), lowDay.DayMonth(), s.Units.Temperature(high), highDay.DayMonth()))
	if spring != plot.NoDay {
		words = append(words, "The last night of frost in spring was that to "+spring.DayMonth()+".")
	}
	if autumn != plot.NoDay {
		words = append(words, "The first of autumn was that to "+autumn.DayMonth()+".")
	}
	return words
}
