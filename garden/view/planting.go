package view

import (
	"errors"

	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

var errNoForecast = errors.New("this planting has lived its life; nothing is forecast for it")

// NoForecast says why nothing is forecast for a planting.
func NoForecast(p *plot.Planting) string {
	if p.Aside {
		return "The file of this plant cannot be read or worked out, so nothing is forecast or offered of it. Everything noted is kept."
	}
	return say.Sentence(errNoForecast.Error())
}
