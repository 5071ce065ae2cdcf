package plot

import (
	"context"
	"fmt"
	"slices"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/parallel"
	"bramblyacre/core/phenology"
)

// NotUpYet tells whether a sowing likely still lies in the ground: there is nothing to look
// at.
func (s *State) NotUpYet(p *Planting, on calendar.Date) bool {
	forecast, year := s.ForecastOn(p, on)
	if forecast == nil || !p.OriginRow.FromStart || year != 1 {
		return false
	}
	index, _ := forecast.StageOn(on)
	return index == 0 && on.DaysSince(p.Started) < forecast.Season.Days()
}

// ThisSeason is a day of the next season as the same day of this one: a usual year
// is the same.
func (s *State) ThisSeason(on calendar.Date) calendar.Date {
	if !s.Next.Contains(on) {
		return on
	}
	return min(s.Season.Start.AddDays(on.DaysSince(s.Next.Start)), s.Season.End)
}

// Typical forecasts this season for a species in a year of life, as nobody has
// looked at it: at the usual pace, in the open. A year that begins with a sowing begins
// on its usual day, as far into the season as at the station that tells it.
func (s *State) Typical(species *flora.Species, year int) (*phenology.Forecast, error) {
	key := usualYear{species, year}
	if known, has := s.usual.Load(key); has {
		return known.(*phenology.Forecast), nil
	}
	daylight, err := s.Sky.daylightOf(s.Season)
	if err != nil {
		return nil, err
	}
	plan, err := phenology.NewPlan(species, year, daylight, s.usualStart(species, year, s.Season))
	if err != nil {
		return nil, fmt.Errorf("forecast %s: %w", species.ID, err)
	}
	forecast := plan.Forecast(s.Sky.thisSeason, phenology.PriorPace(), nil)
	s.usual.Store(key, forecast)
	return forecast, nil
}

// usualYear is a year of a species' life, as nobody has looked at it.
type usualYear struct {
	species *flora.Species
	year    int
}

// ForecastAll forecasts every planting that stands, as many at a time as the
// machine has processors.
func (s *State) ForecastAll(ctx context.Context) error { return s.forecastAll(ctx, nil) }

// forecastAll forecasts every planting that stands, and takes over the forecasts of the state
// before where nothing changed that they follow from. The weather of every season that they
// need is made first.
func (s *State) forecastAll(ctx context.Context, before *State) error {
	var anew []*Planting
	earliest := s.Season
	for _, p := range s.Plantings {
		s.safely(p, func(p *Planting) {
			warmer, _ := s.Warmer(p.Bed)
			place := s.Sky.key
			place.today = 0
			p.course = courseOf{
				p.Species,
				p.OriginRow,
				p.Started,
				orZero(p.StartYear),
				warmer.Value,
				s.Season,
				place,
				s.Today,
				s.Sky,
			}
			if before != nil && p.takeForecast(before.ByID[p.ID]) {
				return
			}
			anew = append(anew, p)
			if seen := p.Sightings; len(seen) > 0 && seen[0].Day < earliest.Start {
				earliest = calendar.SeasonOf(s.Site.Latitude, seen[0].Day)
			}
		})
	}
	if len(anew) == 0 {
		return nil
	}
	for season := earliest; season.Start <= s.Next.Start; season = season.Next(s.Site.Latitude) {
		if _, err := s.Sky.Ensemble(season); err != nil {
			return err
		}
	}
	if !parallel.Until(ctx.Done(), len(anew), func(i int) { s.safely(anew[i], s.forecast) }) {
		return ctx.Err() // whoever asked has left
	}
	return nil
}

// courseOf is what a planting's forecast follows from, besides the looks at it.
type courseOf struct {
	species   *flora.Species
	origin    flora.OriginRow
	started   calendar.Date
	startYear int64
	warmerC   float64
	season    calendar.Season
	// place is where and under which weather it stands, sky that weather as known today.
	place SkyKey
	today calendar.Date
	sky   *Sky
}

// takeForecast takes over the forecast of the same planting before, where everything that it
// follows from is the same.
func (p *Planting) takeForecast(old *Planting) bool {
	if old == nil {
		return false
	}
	p.past = old.past
	if old.Aside || old.course != p.course || !same(old.Sightings, p.Sightings) {
		return false
	}
	p.Year, p.Now, p.Next, p.Surprise, p.Windows = old.Year, old.Now, old.Next, old.Surprise, old.Windows
	p.beforeLook = old.beforeLook
	return true
}

// YearOfLife returns the planting's year of life in a season, 1 for the first: by what the
// grower said, else by where it came from, and no younger than its first look shows.
func (s *State) YearOfLife(p *Planting, season calendar.Season) int {
	return season.YearsBefore(calendar.SeasonOf(s.Site.Latitude, p.Started)) + s.yearWhenSet(p)
}

// yearWhenSet is the year of life that a planting was in when it was set.
func (s *State) yearWhenSet(p *Planting) int {
	if p.StartYear != nil {
		return int(*p.StartYear)
	}
	year := 1 + p.OriginRow.YearsAhead
	if len(p.Sightings) == 0 || p.OriginRow.FromStart {
		return year
	}
	first := p.Sightings[0]
	later := calendar.SeasonOf(s.Site.Latitude, first.Day).YearsBefore(calendar.SeasonOf(s.Site.Latitude, p.Started))
	has := func(year flora.YearOfLife) bool {
		return first.Stage == flora.Resting ||
			slices.ContainsFunc(year.Stages, func(r flora.StageRule) bool { return r.Stage == first.Stage })
	}
	if now, err := p.Species.YearOfLifeRules(year + later); err != nil || has(now) {
		return year
	}
	for _, older := range p.Species.Growth.Years {
		if older.From > year+later && has(older) {
			return older.From - later
		}
	}
	return year
}

// Age returns the planting's age in a season, as harvest asks for it.
func (s *State) Age(p *Planting, season calendar.Season) harvest.Age {
	return harvest.Age{
		Year: s.YearOfLife(
			p,
			season,
		),
		Seasons: season.YearsBefore(calendar.SeasonOf(s.Site.Latitude, p.Started)),
		Settles: p.OriginRow.Settles,
	}
}

// Plan returns the planting's plan for a season, and whether it lives to see it.
func (s *State) Plan(p *Planting, season calendar.Season) (*phenology.Plan, bool) {
	species, started := p.Species.AsStarted(p.OriginRow.Origin), p.Started
	if !p.OriginRow.FromStart {
		started = s.usualStart(species, s.YearOfLife(p, season), season)
		if season.Contains(p.Started) {
			started = min(started, p.Started) // what is set was sown before
		}
	}
	daylight, err := s.Sky.daylightOf(season)
	if err != nil {
		return nil, false
	}
	plan, err := phenology.NewPlan(species, s.YearOfLife(p, season), daylight, started)
	if err != nil {
		return nil, false
	}
	plan.Sown = plan.Sown && p.OriginRow.IsSeedling()
	warmer, _ := s.Warmer(p.Bed)
	return plan.AtSpot(warmer.Value), true
}

// usualStart is the day that a year of a plant's life usually begins with: its sowing
// where it is sown in that year, else the day before the season. What frost kills is not
// sown before the nights that kill it are likely over.
func (s *State) usualStart(species *flora.Species, year int, season calendar.Season) calendar.Date {
	rules, err := species.YearOfLifeRules(year)
	if err != nil || !rules.IsSown {
		return season.Start.AddDays(-1)
	}
	after := rules.SownAfter
	if below, tender := species.KilledBelow(); tender {
		const chance = 0.2
		if frost := s.Sky.Usual.FrostDates(below.Value, chance); frost.HasLast {
			after = max(after, frost.Last.DaysSince(s.Sky.Usual.Season.Start)-daysInTheGround)
		}
	}
	return season.Start.AddDays(after)
}

// daysInTheGround is how long before the last frost seed may be sown: it comes up after it.
const daysInTheGround = 10

// paceAtStart is what was learned of a planting's pace up to the start of a season, with
// what it was learned from.
type paceAtStart struct {
	course courseOf
	seen   []phenology.Sighting
	// weathers are those of the seasons that it was learned in: what is read of them may change later.
	weathers []*climate.Ensemble
	pace     phenology.Pace
}

// learnPast learns the planting's pace from all seasons before this one. What was learned
// before is kept while it holds.
func (s *State) learnPast(p *Planting) phenology.Pace {
	pace := phenology.PriorPace()
	var past []phenology.Sighting
	for _, seen := range p.Sightings {
		if seen.Day < s.Season.Start {
			past = append(past, seen.Sighting)
		}
	}
	if len(past) == 0 {
		p.past = nil
		return pace
	}
	course := p.course
	course.sky, course.today = nil, 0
	first := calendar.SeasonOf(s.Site.Latitude, p.Sightings[0].Day)
	var weathers []*climate.Ensemble
	for season := first; season.Start < s.Season.Start; season = season.Next(s.Site.Latitude) {
		var weather *climate.Ensemble // a season without a look, or whose weather cannot be read, teaches nothing
		if len(p.SeenIn(season)) > 0 {
			weather, _ = s.Sky.Ensemble(season)
		}
		weathers = append(weathers, weather)
	}
	if p.past != nil && p.past.course == course && slices.Equal(p.past.seen, past) &&
		slices.Equal(p.past.weathers, weathers) {
		return p.past.pace
	}
	defer func() { p.past = &paceAtStart{course, past, weathers, pace} }()
	season := first
	for _, weather := range weathers {
		if plan, lives := s.Plan(p, season); lives && weather != nil {
			for _, seen := range p.SeenIn(season) {
				pace, _, _, _ = plan.Learn(pace, weather, seen)
			}
		}
		pace = pace.NextYear()
		season = season.Next(s.Site.Latitude)
	}
	return pace
}

// forecast learns the planting's pace from everything seen, season after
// season, and forecasts this season and the next.
func (s *State) forecast(p *Planting) {
	p.Year = s.YearOfLife(p, s.Season)
	pace := s.learnPast(p)
	plan, lives := s.Plan(p, s.Season)
	if !lives {
		return
	}
	weather := s.Sky.thisSeason
	var readings []phenology.Reading
	seen := p.SeenIn(s.Season)
	for i, sighting := range seen {
		if i == len(seen)-1 {
			known, read := pace, readings
			p.beforeLook = sync.OnceValue(func() *phenology.Forecast { return plan.Forecast(weather, known, read) })
		}
		after, reading, surprise, learned := plan.Learn(pace, weather, sighting)
		if p.Surprise = surprise; learned {
			pace, readings = after, append(readings, reading)
		}
	}
	p.Now = plan.Forecast(weather, pace, readings)
	p.Windows = harvest.Windows(p.Now, p.Species, s.Age(p, s.Season))
	nextPlan, lives := s.Plan(p, s.Next)
	if !lives {
		return
	}
	p.Next = nextPlan.Forecast(s.Sky.nextSeason, pace.NextYear(), nil)
	p.Windows = append(p.Windows, harvest.Windows(p.Next, p.Species, s.Age(p, s.Next))...)
}

// BeforeLook is this season's forecast as it would be without the last look; nil where there
// was none this season. It is worked out when first asked for.
func (p *Planting) BeforeLook() *phenology.Forecast {
	if p.beforeLook == nil {
		return nil
	}
	return p.beforeLook()
}

// ForecastOn returns the forecast that a day falls in, and the year of life; nil where
// there is none.
func (s *State) ForecastOn(p *Planting, day calendar.Date) (*phenology.Forecast, int) {
	if s.Next.Contains(day) {
		return p.Next, p.Year + 1
	}
	return p.Now, p.Year
}

// Warmth returns the thermal time of a planting from a season's start to the end of a day of it, counted from 0, in
// °C·d: the mean of the seasons that may be.
func (s *State) Warmth(p *Planting, season calendar.Season) (until func(day int) float64, err error) {
	weather, err := s.Sky.Ensemble(season)
	if err != nil {
		return nil, err
	}
	warmer, _ := s.Warmer(p.Bed)
	table := weather.Thermal(p.Species.Growth.Base.Value-warmer.Value, p.Species.Growth.Upper.Value-warmer.Value)
	return func(day int) float64 {
		sum := 0.0
		for m := range weather.Size() {
			sum += table.Sum(m, day)
		}
		return sum / float64(weather.Size())
	}, nil
}
