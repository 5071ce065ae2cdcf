package plot

import (
	"fmt"
	"hash/fnv"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/phenology"
	"bramblyacre/station"
)

// EnsembleSize is how many seasons a forecast is usually drawn from.
const EnsembleSize = 200

// SkyKey is what the plot's weather follows from.
type SkyKey struct {
	climate           string
	latitude, heightM float64
	seed              uint64
	station           string
	today             calendar.Date
}

// Sky is the plot's weather as known on one day: readings, the seasons that may
// come, and the climate behind them.
type Sky struct {
	key       SkyKey
	size      int
	normals   climate.Normals
	generator *climate.Generator
	Station   station.Station // nil where none is switched on
	// Usual is the season as it usually is, with nothing read of it; Frost the chance of frost
	// and Soil the soil's warmth by day in it, lows the coldest night of each such season.
	Usual *climate.Ensemble
	Frost []float64
	Soil  []float64
	lows  []float64

	thisSeason, nextSeason *climate.Ensemble

	mu       sync.Mutex // guards what follows, which is made when first asked for
	seasons  map[calendar.Season]*climate.Ensemble
	daylight map[calendar.Season]*phenology.Daylight
}

// SimulatedStation is a site's station that is switched on; none is the climate alone.
const SimulatedStation = "simulated"

// Source is what the weather is read from, as shown.
func (s *Sky) Source() string {
	if s.Station == nil {
		return "No readings: what is usual in this climate"
	}
	return s.Station.Name()
}

// soilDepthM is the depth that soil warmth is shown for: where seed lies.
const soilDepthM = 0.05

// sky is the weather that a key stands for, on a day of a season. Of the sky before it takes
// over the seasons that are the same.
func (g *Plot) sky(key SkyKey, season calendar.Season) (*Sky, error) {
	before := g.lastSky.Load()
	if before != nil && before.key == key {
		return before, nil
	}
	normals, has := g.Lib().Climate(key.climate)
	if !has {
		return nil, fmt.Errorf("the site's climate %q is not in the library", key.climate)
	}
	normals = normals.AtSite(key.latitude, key.heightM)
	generator, err := climate.NewGenerator(normals)
	if err != nil {
		return nil, err
	}
	var weather station.Station // none: the climate speaks
	if key.station == SimulatedStation {
		if weather, err = g.OpenStation(normals, key.seed); err != nil {
			return nil, err
		}
	}
	s := &Sky{
		key:       key,
		size:      g.Seasons,
		normals:   normals,
		generator: generator,
		Station:   weather,
		seasons:   map[calendar.Season]*climate.Ensemble{},
		daylight:  map[calendar.Season]*phenology.Daylight{},
	}
	s.takeOver(before)
	if s.thisSeason, err = s.Ensemble(season); err != nil {
		return nil, err
	}
	if s.nextSeason, err = s.Ensemble(season.Next(key.latitude)); err != nil {
		return nil, err
	}
	if s.Usual == nil || s.Usual.Season != season {
		if err := s.climatology(season); err != nil {
			return nil, err
		}
	}
	g.lastSky.Store(s)
	return s, nil
}

// takeOver takes over what the sky of another day has in common: of the same place, the
// seasons that were over by then, and where nothing is read, all.
func (s *Sky) takeOver(before *Sky) {
	if before == nil {
		return
	}
	was := before.key
	was.today = s.key.today
	if was != s.key {
		return
	}
	before.mu.Lock()
	defer before.mu.Unlock()
	for season, ensemble := range before.seasons {
		if s.Station == nil || before.key.today >= season.End && s.key.today >= season.End {
			s.seasons[season], s.daylight[season] = ensemble, before.daylight[season]
		}
	}
	s.Usual, s.Frost, s.Soil, s.lows = before.Usual, before.Frost, before.Soil, before.lows
}

// Ensemble returns the weather of a season: read up to today, generated after. A season that
// is over has a single member, the weather as it was.
func (s *Sky) Ensemble(season calendar.Season) (*climate.Ensemble, error) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if made, has := s.seasons[season]; has {
		return made, nil
	}
	first := season.Start.AddDays(-climate.LeadDays)
	last := min(s.key.today, season.End)
	var read []climate.Day
	if s.Station != nil && last >= first {
		var err error
		if read, err = s.Station.Days(first, last); err != nil {
			return nil, fmt.Errorf("read the weather: %w", err)
		}
	}
	size := s.size
	if s.Station != nil && s.key.today >= season.End {
		size = 1
	}
	e, err := climate.NewEnsemble(s.generator, season, first, read, size, s.seedFor(season.Start.String()))
	if err != nil {
		return nil, err
	}
	s.seasons[season] = e
	return e, nil
}

// daylightOf returns the hours of daylight of a season.
func (s *Sky) daylightOf(season calendar.Season) (*phenology.Daylight, error) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if made, has := s.daylight[season]; has && made != nil {
		return made, nil
	}
	made, err := phenology.NewDaylight(s.key.latitude, season)
	if err != nil {
		return nil, err
	}
	s.daylight[season] = made
	return made, nil
}

// seedFor keeps the seeds of different ensembles apart.
func (s *Sky) seedFor(what string) uint64 {
	hash := fnv.New64a()
	_, _ = fmt.Fprintf(hash, "%d %s", s.key.seed, what) // a hash takes every write
	return hash.Sum64()
}

// climatology makes the season as it usually is, with nothing read of it: the
// chance of frost and the soil's warmth by day. Where there is no station, that is the
// season itself.
func (s *Sky) climatology(season calendar.Season) (err error) {
	usual := s.thisSeason
	if s.Station != nil {
		if usual, err = climate.NewEnsemble(s.generator, season, 0, nil, s.size, s.seedFor("usual")); err != nil {
			return err
		}
	}
	lag, err := climate.SoilLag(soilDepthM, 0)
	if err != nil {
		return err
	}
	s.Usual, s.Frost, s.Soil, s.lows = usual, usual.FrostChance(0), usual.MeanSoilCourse(lag), usual.YearlyLowest()
	return nil
}
