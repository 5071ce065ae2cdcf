package bench

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
)

// yearsAfter is how many years more are looked at after this season and the next, as their like.
const yearsAfter = 2

// weathers are the weathers of the days from this season's first on: this season, the next, and
// the next one's like after it. They are joined once for a sky.
func (u *Uses) weathers(s *plot.State) (*propagation.Weathers, error) {
	u.skies.Lock()
	defer u.skies.Unlock()
	if u.skies.of == s.Sky {
		return u.skies.weather, u.skies.err
	}
	var seasons []*climate.Ensemble
	var err error
	for _, season := range []calendar.Season{s.Season, s.Next} {
		var e *climate.Ensemble
		if e, err = s.Sky.Ensemble(season); err != nil {
			break
		}
		seasons = append(seasons, e)
	}
	u.skies.of, u.skies.weather, u.skies.err = s.Sky, nil, err
	if err == nil {
		u.skies.weather, u.skies.err = propagation.JoinSeasons(yearsAfter, seasons...)
	}
	return u.skies.weather, u.skies.err
}
