package view

import (
	"bramblyacre/core/calendar"
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
