package plot

import (
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"hash/fnv"
	"slices"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/phenology"
	"bramblyacre/library"
	"bramblyacre/station"
	"bramblyacre/store"
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
	// own is what tells the grower's own monthly means from others of theirs; empty for a climate that ships.
	own string
}

// skyKey is what the plot's weather follows from on a day.
func (s *State) skyKey(today calendar.Date) SkyKey {
	key := SkyKey{
		climate: s.Site.ClimateID, latitude: s.Site.Latitude, heightM: s.Site.AltitudeM, seed: uint64(s.Site.WeatherSeed),
		station: s.Site.Station, today: today,
	}
	if key.climate == library.OwnClimateID {
		for _, row := range s.rows.ownClimates {
			sum := sha256.Sum256([]byte(row.Text))
			key.own = hex.EncodeToString(sum[:8])
		}
	}
	return key
}

// OwnClimate is the row of the grower's own monthly means, and whether there is one.
func (s *State) OwnClimate() (row store.OwnClimate, has bool) {
	if rows := s.rows.ownClimates; len(rows) > 0 {
		return rows[0], true
	}
	return row, false
}

// Sky is the plot's weather as known on one day: readings, the seasons that may
// come, and the climate behind them.
type Sky struct {
	key       SkyKey
	log       weatherLog
	outlook   []climate.Expected // of the days after today; none without a station
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
	// of is the sky of today, where this one is that of another season.
	of *Sky

	mu       sync.Mutex // guards what follows, which is made when first asked for
	seasons  map[calendar.Season]*climate.Ensemble
	unread   map[calendar.Season]*climate.Ensemble
	daylight map[calendar.Season]*phenology.Daylight
}

// SimulatedStation is a site's station that is switched on; none is the climate alone.
const SimulatedStation = "simulated"

// recentDays is for how long the grower's readings are said to be what the weather is read from.
const recentDays = 14

// Source is what the weather is read from, as shown.
func (s *Sky) Source() string {
	switch {
	case s.Station != nil:
		return s.Station.Name()
	case len(s.log.rowsIn(s.key.today.AddDays(-recentDays), s.key.today)) > 0:
		return "Your own readings"
	}
	return "No readings: what is usual in this climate"
}

// soilDepthM is the depth that soil warmth is shown for: where seed lies.
const soilDepthM = 0.05

// sky is the weather that a key stands for, on a day of a season. Of the sky before it takes
// over the seasons that are the same.
func (g *Plot) sky(key SkyKey, log weatherLog, season calendar.Season) (*Sky, error) {
	before := g.lastSky.Load()
	if before != nil && before.key == key && before.log.sameAs(log) {
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
		weather = g.keep(weather, key)
	}
	s := &Sky{
		key:       key,
		log:       log,
		size:      g.Seasons,
		normals:   normals,
		generator: generator,
		Station:   weather,
		seasons:   map[calendar.Season]*climate.Ensemble{},
		daylight:  map[calendar.Season]*phenology.Daylight{},
	}
	if weather != nil {
		if s.outlook, err = weather.Outlook(key.today); err != nil {
			return nil, fmt.Errorf("read the outlook: %w", err)
		}
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

// keep is a station whose readings are kept under what makes it that station.
func (g *Plot) keep(weather station.Station, key SkyKey) station.Station {
	return &keptStation{
		Station: weather, store: g.Store, days: map[calendar.Date]climate.Day{}, today: key.today,
		name: fmt.Sprintf("%s %s%s %v %v %d", key.station, key.climate, key.own, key.latitude, key.heightM, key.seed),
	}
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
		first := season.Start.AddDays(-climate.LeadDays)
		over := before.key.today >= season.End && s.key.today >= season.End
		nothing := s.Station == nil && len(s.log.rowsIn(first, season.End)) == 0
		if (over || nothing) && s.log.sameIn(before.log, first, season.End) {
			s.seasons[season], s.daylight[season] = ensemble, before.daylight[season]
		}
	}
	s.Usual, s.Frost, s.Soil, s.lows = before.Usual, before.Frost, before.Soil, before.lows
}

// Ensemble returns the weather of a season: read up to today, generated after. A season that
// is over has a single member, the weather as it was.
func (s *Sky) Ensemble(season calendar.Season) (*climate.Ensemble, error) {
	if s.of != nil {
		return s.of.Ensemble(season)
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	if made, has := s.seasons[season]; has {
		return made, nil
	}
	first := season.Start.AddDays(-climate.LeadDays)
	read, err := s.readings(first, min(s.key.today, season.End))
	if err != nil {
		return nil, fmt.Errorf("read the weather: %w", err)
	}
	size := s.size
	if len(read) == climate.LeadDays+season.Days() &&
		!slices.ContainsFunc(read, func(d climate.Day) bool { return !d.Whole() }) {
		size = 1 // it is as it was
	}
	var outlook []climate.Expected
	if len(read) > 0 && first.AddDays(len(read)-1) == s.key.today {
		outlook = s.outlook
	}
	e, err := climate.NewEnsembleToward(
		s.generator,
		season,
		first,
		read,
		outlook,
		size,
		s.seedFor(season.Start.String()),
	)
	if err != nil {
		return nil, err
	}
	if season.Start > s.key.today {
		s.forgetAhead()
	}
	s.seasons[season] = e
	return e, nil
}

// in is the same sky with two other seasons in the place of this one and the next.
func (s *Sky) in(season, next calendar.Season) (*Sky, error) {
	other := &Sky{
		key: s.key, log: s.log, outlook: s.outlook, size: s.size, normals: s.normals, generator: s.generator,
		Station: s.Station, Usual: s.Usual, Frost: s.Frost, Soil: s.Soil, lows: s.lows, of: s,
	}
	var err error
	if other.thisSeason, err = s.Ensemble(season); err != nil {
		return nil, err
	}
	other.nextSeason, err = s.Ensemble(next)
	return other, err
}

// mostUnread is how many seasons are kept as they may come where nothing is read, and mostAhead how many that lie after
// the next: each holds the weather and the warmth of some hundred years.
const mostUnread, mostAhead = 3, 4

// forgetAhead lets go of a season that lies far ahead where there are too many of them. Whoever holds it may go on.
func (s *Sky) forgetAhead() {
	next := calendar.SeasonOf(s.key.latitude, s.key.today).Next(s.key.latitude)
	var ahead []calendar.Season
	for season := range s.seasons {
		if season.Start > next.Start {
			ahead = append(ahead, season)
		}
	}
	if len(ahead) >= mostAhead {
		delete(s.seasons, ahead[0])
	}
}

// Unread is the weather of a season as it may come where nothing of it was read: as at its start.
func (s *Sky) Unread(season calendar.Season) (*climate.Ensemble, error) {
	if s.of != nil {
		return s.of.Unread(season)
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	if made, has := s.unread[season]; has {
		return made, nil
	}
	made, err := climate.NewEnsemble(s.generator, season, 0, nil, s.size, s.seedFor("unread "+season.Start.String()))
	if err != nil {
		return nil, err
	}
	if s.unread == nil || len(s.unread) >= mostUnread {
		s.unread = map[calendar.Season]*climate.Ensemble{}
	}
	s.unread[season] = made
	return made, nil
}

// readings are the days from first on as they were read, up to the last that was.
func (s *Sky) readings(first, last calendar.Date) (days []climate.Day, err error) {
	read, err := s.Read(first, last)
	until := 0
	for i, day := range read {
		days = append(days, day.Day)
		if !day.Blank() {
			until = i + 1
		}
	}
	return days[:until], err
}

// Outlook is what the station expects of the days after today; none without a station.
func (s *Sky) Outlook() []climate.Expected { return s.outlook }

// Generator makes weather as it is usual here.
func (s *Sky) Generator() *climate.Generator { return s.generator }

// Normals are the climate's figures at the plot's height and latitude.
func (s *Sky) Normals() climate.Normals { return s.normals }

// daylightOf returns the hours of daylight of a season.
func (s *Sky) daylightOf(season calendar.Season) (*phenology.Daylight, error) {
	if s.of != nil {
		return s.of.daylightOf(season)
	}
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
	if s.Station != nil || len(s.log) > 0 {
		// The same seasons as where nothing is read: a reading moves no frost dates.
		seed := s.seedFor(season.Start.String())
		if usual, err = climate.NewEnsemble(s.generator, season, 0, nil, s.size, seed); err != nil {
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
