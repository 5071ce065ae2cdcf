package view

import (
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// WeatherDay is one day of the weather as it was read, as it is expected, or as such days usually are.
type WeatherDay struct {
	Day    calendar.Date `json:"day"`
	Kind   string        `json:"kind" enum:"read,expected,usual"`
	High   string        `json:"high"`
	Low    string        `json:"low"`
	HighC  float64       `json:"highC"`
	LowC   float64       `json:"lowC"`
	RainMM float64       `json:"rainMm" doc:"What was read; of an expected day what falls if it is wet; of a usual one the mean"`
	Wet    bool          `json:"wet"`
	// WetChance is the chance of rain of an expected day, and how many of such days are wet of a usual one.
	WetChance float64 `json:"wetChance"`
	// SpreadC is how far off an expected extreme may be, 8 in 10 of them no further; 0 for none.
	SpreadC float64 `json:"spreadC"`
	Words   string  `json:"words" doc:"The day in a sentence"`
}

// The kinds of a day of the weather.
const (
	dayRead     = "read"
	dayExpected = "expected"
	dayUsual    = "usual"
)

// ReadDay is a day of the weather that was read whole.
func ReadDay(s *plot.State, day calendar.Date, w climate.Day) WeatherDay {
	v := weatherDay(s, day, w)
	v.Kind, v.Wet = dayRead, w.Wet()
	v.Words = fmt.Sprintf("%s to %s, dry", v.Low, v.High)
	if w.Wet() {
		v.Words = fmt.Sprintf("%s to %s, %s of rain", v.Low, v.High, s.Units.Rainfall(w.Rain))
	}
	return v
}

// ExpectedDay is a day of the outlook.
func ExpectedDay(s *plot.State, day calendar.Date, e climate.Expected) WeatherDay {
	v := weatherDay(s, day, climate.Day{TMin: e.TMin, TMax: e.TMax, Rain: e.Rain})
	v.Kind, v.WetChance, v.Wet = dayExpected, e.WetChance, e.WetChance >= 0.5
	v.SpreadC = climate.EightInTen * e.Spread
	v.Words = fmt.Sprintf("about %s to %s, give or take %s; rain %s", v.Low, v.High,
		s.Units.TemperatureDifference(math.Round(v.SpreadC)), say.InTen(e.WetChance))
	return v
}

// UsualDay is a day as such days usually are, of which so many are wet.
func UsualDay(s *plot.State, day calendar.Date, mean climate.Day, wet float64) WeatherDay {
	v := weatherDay(s, day, mean)
	v.Kind, v.WetChance, v.Wet = dayUsual, wet, wet >= 0.5
	v.Words = fmt.Sprintf("usually %s to %s; wet in %.0f of 10", v.Low, v.High, 10*wet)
	return v
}

// weatherDay puts a day's weather into the grower's units.
func weatherDay(s *plot.State, day calendar.Date, w climate.Day) WeatherDay {
	return WeatherDay{
		Day: day, High: s.Units.Temperature(w.TMax), Low: s.Units.Temperature(w.TMin),
		RainMM: math.Round(w.Rain*10) / 10, HighC: w.TMax, LowC: w.TMin,
	}
}

// DryAdvice says what a rule of dry days makes of today and the days of the outlook, and for which day
// to wait; nothing for days beyond it, and where nobody reads the rain.
func DryAdvice(s *plot.State, rule *flora.HarvestRule, on calendar.Date) (advice, waitFor string) {
	expected := s.Sky.Outlook()
	ahead := on.DaysSince(s.Today)
	if rule.DryDays == nil || ahead < 0 || ahead > len(expected) {
		return "", ""
	}
	first := s.Today.AddDays(-int(rule.DryDays.Value))
	read, err := s.Sky.Read(first, s.Today)
	if err != nil {
		return "The weather cannot be read.", ""
	}
	var days []climate.Day
	known := 0
	for _, day := range read {
		days = append(days, day.Day)
		if day.HasRain() {
			known++
		}
	}
	if known == 0 {
		return "", ""
	}
	for _, e := range expected {
		day := climate.Day{TMin: e.TMin, TMax: e.TMax}
		if e.WetChance >= 0.5 {
			day.Rain = e.Rain
		}
		days = append(days, day)
	}
	at := on.DaysSince(first)
	if harvest.DryEnough(rule, days, at) {
		if on == s.Today {
			return "Dry enough.", ""
		}
		return fmt.Sprintf("Likely dry enough, %s.", say.InTen(dryChance(rule, expected, ahead))), ""
	}
	if known < len(read) && on == s.Today {
		return "The rain of these days was not read: see for yourself whether it is dry.", ""
	}
	if i, has := harvest.NextDryDay(rule, days, at); has {
		day := first.AddDays(i)
		return fmt.Sprintf("Too wet; %s is likely dry enough, %s.", day.Time().Format("Monday"),
			say.InTen(dryChance(rule, expected, day.DaysSince(s.Today)))), day.String()
	}
	if len(expected) == 0 {
		return "Too wet today.", s.Today.AddDays(1).String()
	}
	return "Too wet, and no dry spell in the outlook.", s.Today.AddDays(len(expected) + 1).String()
}

// dryChance is the chance that all days of the run that ends so many days ahead stay dry which are still
// to come: the product of their chances, as if none told of the next.
func dryChance(rule *flora.HarvestRule, expected []climate.Expected, ahead int) float64 {
	chance := 1.0
	for back := range int(rule.DryDays.Value) {
		if i := ahead - 1 - back; i >= 0 && i < len(expected) {
			chance *= 1 - expected[i].WetChance
		}
	}
	return chance
}
