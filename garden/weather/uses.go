// Package weather is the plot's weather: what was read and by whom, what is expected, how the outlook stood
// against what came, and the climate behind it. Each file is one use.
package weather

import (
	"bramblyacre/garden/area"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
)

// Uses are what the household does here.
type Uses struct{ plot *plot.Plot }

// New are the uses of a plot.
func New(p *plot.Plot) *Uses { return &Uses{p} }

// The kinds of entry.
const (
	kindWeather = "weather"
	kindWater   = "water"
)

// Part is what the area tells the rest of the house. The table of readings is the plot's own: all forecasts rest on it.
func (u *Uses) Part() area.Part {
	return area.Part{
		Registration: journal.Registration{
			Tables: []journal.AnyTable{wateringsTable, feelsTable, settingsTable}, Kinds: []string{kindWeather, kindWater},
		},
		Kept: []plot.AnyKept{settingsRows},
		Jobs: jobs,
	}
}
