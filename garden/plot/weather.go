package plot

import (
	"fmt"
	"hash/fnv"

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
// come, and the climate behind them. Its parts are made when first asked for.
type Sky struct {
	key       SkyKey
	size      int
	normals   climate.Normals
	generator *climate.Generator
	Station   station.Station // nil where none is switched on
	Seasons   map[calendar.Season]*climate.Ensemble
	daylight  map[calendar.Season]*phenology.Daylight
	Usual     *climate.Ensemble
	Frost     []float64
	Soil      []float64
	lows      []float64
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

func (g *Plot) sky(key SkyKey) (*Sky, error) {
	if s, made := g.skies[key]; made {
		return s, nil
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
	s := &Sky{key: key, size: g.Seasons, normals: normals, generator: generator, Station: weather, Seasons: map[calendar.Season]*climate.Ensemble{}, daylight: map[calendar.Season]*phenology.Daylight{}}
	// One day's weather is enough to keep; yesterday's is not asked for again.
	g.skies = map[SkyKey]*Sky{key: s}
	return s, nil
}

// make makes the ensemble and the daylight of a season where they are missing:
// read up to today, generated after. A season that is over has a single member,
// the weather as it was.
func (s *Sky) make(season calendar.Season) error {
	if _, made := s.Seasons[season]; made {
		return nil
	}
	first := season.Start.AddDays(-climate.LeadDays)
	last := min(s.key.today, season.End)
	var read []climate.Day
	if s.Station != nil && last >= first {
		var err error
		if read, err = s.Station.Days(first, last); err != nil {
			return fmt.Errorf("read the weather: %w", err)
		}
	}
	size := s.size
	if s.Station != nil && s.key.today >= season.End {
		size = 1
	}
	e, err := climate.NewEnsemble(s.generator, season, first, read, size, s.seedFor(season.Start.String()))
	if err != nil {
		return err
	}
	daylight, err := phenology.NewDaylight(s.key.latitude, season)
	if err != nil {
		return err
	}
	s.Seasons[season], s.daylight[season] = e, daylight
	return nil
}

// seedFor keeps the seeds of different ensembles apart.
func (s *Sky) seedFor(what string) uint64 {
	hash := fnv.New64a()
	_, _ = fmt.Fprintf(hash, "%d %s", s.key.seed, what) // a hash takes every write
	return hash.Sum64()
}

// unread is a season with nothing read of it. Where there is no station, that is the season
// itself.
func (s *Sky) unread(season calendar.Season) (*climate.Ensemble, error) {
	if s.Station != nil {
		return climate.NewEnsemble(s.generator, season, 0, nil, s.size, s.seedFor("usual"))
	}
	if err := s.make(season); err != nil {
		return nil, err
	}
	return s.Seasons[season], nil
}

// Climatology makes the season as it usually is, with nothing read of it: the
// chance of frost and the soil's warmth by day.
func (s *Sky) Climatology(season calendar.Season) error {
	if s.Usual != nil && s.Usual.Season == season {
		return nil
	}
	usual, err := s.unread(season)
	if err != nil {
		return err
	}
	lag, err := climate.SoilLag(soilDepthM, 0)
	if err != nil {
		return err
	}
	s.Usual, s.Frost, s.Soil, s.lows = usual, usual.FrostChance(0), usual.MeanSoilCourse(lag), usual.YearlyLowest()
	return nil
}
