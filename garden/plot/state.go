package plot

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/ground"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/core/parallel"
	"bramblyacre/core/phenology"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/core/unit"
	"bramblyacre/library"
	"bramblyacre/store"
)

// State is the whole plot as of one ledger entry and one day, with what was
// worked out of it. It is never changed once made.
type State struct {
	LastEntry int64
	Today     calendar.Date
	Site      store.Site
	Units     unit.System
	Season    calendar.Season
	Next      calendar.Season
	Sky       *Sky
	Beds      []store.Bed
	BedByID   map[int64]store.Bed
	Boundary  geometry.Polygon
	Forms     map[int64]plan.Form // of every bed
	Items     []Item
	Readings  map[int64][]store.Reading // by bed
	Fates     map[int64][]store.Fate    // by planting
	// sunHours are each bed's computed hours of sun by month, January first.
	SunHours map[int64][]float64
	// days are how much warmer or colder kinds of spots are.
	Days library.DayOffsets
	// beliefs are what is known of each bed's ground, by aspect.
	Beliefs     map[int64]map[string]ground.Belief
	Plantings   []*Planting // those that stand
	EverPlanted []*Planting // and those removed
	ByID        map[int64]*Planting
	Answers     map[string]store.JobAnswer // the newest by job key
	Needs       []store.Need

	Lib      *library.Library
	Looks    map[int64][]Look // by planting
	FindLook map[int64][]Look // by find
	Finds    []store.Find
	Sortings map[int64][]store.Sorting // by picking
	Makings  map[int64][]store.Making  // by picking
	People   []store.Person
	Notes    []store.PlantNote
	Practice []store.Practice
	Measures []store.Measure
	Own      []store.OwnPlant
	// broken are the plantings of which a row cannot be read.
	Broken map[int64]bool

	// usual are the forecasts of plants that nobody has looked at, made when first asked
	// for.
	Usual *sync.Map
}

// Planting is one planting with everything known of it.
type Planting struct {
	store.Planting
	Species   *flora.Species
	Bed       store.Bed
	Started   calendar.Date
	OriginRow flora.OriginRow
	// rules are what has to be seen of it, finding what the looks amount to, and
	// identity the state that they leave it in.
	Rules         *identity.Rules
	Finding       identity.Finding
	IdentityState identity.State
	// ground is the gravest unsafe ground that it reaches, findings all of it.
	Ground   suitability.UnsafeGround
	Findings []Finding
	// area is its part of the bed, spots where its plants stand on the plan.
	Area  plotArea
	Spots []geometry.Point

	Sightings []sighting
	Pickings  []store.Picking

	// year is the year of life in the current season.
	Year int
	// now and next are the forecasts of this season and the next; nil for a
	// plant that does not live to see it.
	Now, Next *phenology.Forecast
	// beforeLook is this season's forecast as it would be without the last
	// look; nil where there was none this season.
	BeforeLook *phenology.Forecast
	Surprise   *phenology.Surprise
	Windows    []harvest.Window // of this season and the next
	// lifted is how many plants went with their roots since they were counted.
	Lifted int
	// aside is true where its plant cannot be read or worked out.
	Aside bool
}

// sighting is an observation as core takes it.
type sighting struct {
	phenology.Sighting
	Row store.Observation
}

// Forget lets everything be worked out anew when it is asked for next, as after a start.
func (g *Plot) Forget() {
	g.mu.Lock()
	defer g.mu.Unlock()
	g.cached, g.skies, g.sunFor, g.sunHours = nil, map[SkyKey]*Sky{}, "", nil
}

// State returns the plot as it stands, read anew only after a change or at
// midnight. The caller may hold on to it: it does not change.
func (g *Plot) State(ctx context.Context) (*State, error) {
	g.mu.Lock()
	defer g.mu.Unlock()
	last, err := g.Store.LastLedgerID(ctx)
	if err != nil {
		return nil, fmt.Errorf("read the ledger: %w", err)
	}
	today := g.Today()
	if g.cached != nil && g.cached.LastEntry == last && g.cached.Today == today {
		return g.cached, nil
	}
	s := &State{LastEntry: last, Today: today, BedByID: map[int64]store.Bed{}, ByID: map[int64]*Planting{}, Answers: map[string]store.JobAnswer{}, Usual: &sync.Map{}}
	rows, err := g.ReadRows(ctx)
	if err != nil {
		return nil, err
	}
	if err := g.useOwn(rows.ownPlants, rows.ownFigures, rows.Site.Latitude < 0); err != nil {
		return nil, err
	}
	s.Lib = g.Lib()
	s.Finds, s.People, s.Notes, s.Practice, s.Measures = rows.finds, rows.people, rows.notes, rows.practice, rows.measures
	s.Own = rows.ownPlants
	if err := s.addEvidence(rows); err != nil {
		return nil, err
	}
	s.Site, s.Units, s.Needs = rows.Site, unit.System(rows.Site.Units), rows.Needs
	s.Season = calendar.SeasonOf(s.Site.Latitude, today)
	s.Next = s.Season.Next(s.Site.Latitude)
	s.Sky, err = g.sky(SkyKey{s.Site.ClimateID, s.Site.Latitude, s.Site.AltitudeM, uint64(s.Site.WeatherSeed), s.Site.Station, today})
	if err != nil {
		return nil, err
	}
	if err := s.addPlan(rows); err != nil {
		return nil, err
	}
	for _, answer := range rows.Answers {
		s.Answers[answer.JobKey] = answer
	}
	s.Days = g.Lib().Ground().Days
	if err := g.AddSun(ctx, s); err != nil {
		return nil, err
	}
	if err := g.addPlantings(ctx, s, rows); err != nil {
		return nil, err
	}
	if err := g.addPlace(s); err != nil {
		return nil, err
	}
	for _, p := range s.Plantings {
		g.TryOut(s, p)
	}
	g.cached = s
	return s, nil
}

func (g *Plot) addPlantings(ctx context.Context, s *State, rows allRows) error {
	seen := map[int64][]sighting{}
	for _, row := range rows.Observations {
		day, err := calendar.Parse(row.Day)
		stage, fault := flora.ParseStage(row.Stage)
		if err = errors.Join(err, fault); err != nil {
			s.cannotRead(row.PlantingID, fmt.Errorf("observation %d: %w", row.ID, err))
			continue
		}
		seen[row.PlantingID] = append(seen[row.PlantingID], sighting{phenology.Sighting{Day: day, Stage: stage, Share: phenology.Share(row.Share), Affirmed: row.Affirmed != 0}, row})
	}
	picked := map[int64][]store.Picking{}
	for _, row := range rows.Pickings {
		picked[row.PlantingID] = append(picked[row.PlantingID], row)
	}
	for _, row := range rows.Plantings {
		species, readable := s.Lib.Species(row.SpeciesID)
		started, err := calendar.Parse(row.StartedOn)
		origin, fault := flora.ParseOrigin(row.Origin)
		if err = errors.Join(err, fault); err != nil {
			s.cannotRead(row.ID, fmt.Errorf("planting %d: %w", row.ID, err))
			started, origin = s.Today, flora.OriginRow{Name: "it cannot be read"}
		}
		p := &Planting{
			Planting: row, Species: species, Bed: s.BedByID[row.BedID], Started: started,
			Rules: s.Lib.Rules(row.SpeciesID), Sightings: seen[row.ID], Pickings: picked[row.ID],
		}
		if readable && !s.Broken[row.ID] {
			s.safely(p, func(p *Planting) {
				p.Finding = p.Rules.Judge(AsCore(s.Looks[row.ID]), p.Labelled())
				p.IdentityState = p.Finding.State
				p.Lifted = liftedSinceCount(p)
			})
		} else {
			name := row.SpeciesID
			if readable {
				name = species.Names.Name
			}
			p.setAside(name)
		}
		p.OriginRow = origin.For(p.Species.Life.Form)
		s.ByID[row.ID] = p
		s.EverPlanted = append(s.EverPlanted, p)
		if row.RemovedOn != nil {
			continue
		}
		s.Plantings = append(s.Plantings, p)
	}
	return s.ForecastAll(ctx)
}

// ForecastAll forecasts every planting that stands, as many at a time as the
// machine has processors. The weather of every season that they need is made
// first: while they are at work it is only read.
func (s *State) ForecastAll(ctx context.Context) error {
	earliest := s.Season
	for _, p := range s.EverPlanted {
		if seen := p.Sightings; len(seen) > 0 && seen[0].Day < earliest.Start {
			earliest = calendar.SeasonOf(s.Site.Latitude, seen[0].Day)
		}
	}
	if err := s.Sky.Climatology(s.Season); err != nil {
		return err
	}
	for season := earliest; season.Start <= s.Next.Start; season = season.Next(s.Site.Latitude) {
		if err := s.Sky.make(season); err != nil {
			return err
		}
	}
	if !parallel.Until(ctx.Done(), len(s.Plantings), func(i int) { s.safely(s.Plantings[i], s.forecast) }) {
		return ctx.Err() // whoever asked has left
	}
	return nil
}

// liftedSinceCount sums the plants that went with their roots since the
// planting was last counted, without those whose crowns were put back.
func liftedSinceCount(p *Planting) int {
	lifted := 0.0
	for _, picking := range p.Pickings {
		part, has := p.Species.Part(picking.Part)
		if has && part.Harvest != nil && part.Harvest.TakesPlant && p.LiftedAfterCount(picking) {
			lifted += picking.Units - picking.CrownsBack
		}
	}
	return int(lifted + 0.5)
}

// LiftedAfterCount tells whether a picking came after the plants were counted: on a later
// day, or on the same and noted after it.
func (p *Planting) LiftedAfterCount(picking store.Picking) bool {
	return picking.Day >= p.CountedOn && picking.NotedAfter >= p.CountedAfter
}

// Standing is how many plants stand today.
func (p *Planting) Standing() int { return max(0, int(p.Plants)-p.Lifted) }

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
		return first.Stage == flora.Resting || slices.ContainsFunc(year.Stages, func(r flora.StageRule) bool { return r.Stage == first.Stage })
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
		Year: s.YearOfLife(p, season), Seasons: season.YearsBefore(calendar.SeasonOf(s.Site.Latitude, p.Started)), Settles: p.OriginRow.Settles,
	}
}

// Plan returns the planting's plan for a season, and whether it lives to see it.
func (s *State) Plan(p *Planting, season calendar.Season) (*phenology.Plan, bool) {
	started := p.Started
	if !p.OriginRow.FromStart {
		started = s.usualStart(p.Species, s.YearOfLife(p, season), season)
		if season.Contains(p.Started) {
			started = min(started, p.Started) // what is set was sown before
		}
	}
	daylight, made := s.Sky.daylight[season]
	if !made { // a season that no forecast needed, asked for by a note of old
		var err error
		if daylight, err = phenology.NewDaylight(s.Site.Latitude, season); err != nil {
			return nil, false
		}
	}
	plan, err := phenology.NewPlan(p.Species, s.YearOfLife(p, season), daylight, started)
	if err != nil {
		return nil, false
	}
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
	if below, tender := species.Growth.KilledBelow(); tender {
		const chance = 0.2
		if frost := s.Sky.Usual.FrostDates(below.Value, chance); frost.HasLast {
			after = max(after, frost.Last.DaysSince(s.Sky.Usual.Season.Start)-daysInTheGround)
		}
	}
	return season.Start.AddDays(after)
}

// daysInTheGround is how long before the last frost seed may be sown: it comes up after it.
const daysInTheGround = 10

// forecast learns the planting's pace from everything seen, season after
// season, and forecasts this season and the next.
func (s *State) forecast(p *Planting) {
	p.Year = s.YearOfLife(p, s.Season)
	pace := phenology.PriorPace()
	season := s.Season
	if len(p.Sightings) > 0 {
		season = calendar.SeasonOf(s.Site.Latitude, p.Sightings[0].Day)
	}
	for ; season.Start < s.Season.Start; season = season.Next(s.Site.Latitude) {
		if plan, lives := s.Plan(p, season); lives {
			for _, seen := range p.SeenIn(season) {
				pace, _, _, _ = plan.Learn(pace, s.Sky.Seasons[season], seen)
			}
		}
		pace = pace.NextYear()
	}
	plan, lives := s.Plan(p, s.Season)
	if !lives {
		return
	}
	weather := s.Sky.Seasons[s.Season]
	var readings []phenology.Reading
	seen := p.SeenIn(s.Season)
	for i, sighting := range seen {
		if i == len(seen)-1 {
			p.BeforeLook = plan.Forecast(weather, pace, readings)
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
	p.Next = nextPlan.Forecast(s.Sky.Seasons[s.Next], pace.NextYear(), nil)
	p.Windows = append(p.Windows, harvest.Windows(p.Next, p.Species, s.Age(p, s.Next))...)
}

// SeenIn returns what was seen in a season, the first look first.
func (p *Planting) SeenIn(season calendar.Season) []phenology.Sighting {
	var seen []phenology.Sighting
	for _, s := range p.Sightings {
		if season.Contains(s.Day) {
			seen = append(seen, s.Sighting)
		}
	}
	return seen
}

// ForecastOn returns the forecast that a day falls in, and the year of life; nil where
// there is none.
func (s *State) ForecastOn(p *Planting, day calendar.Date) (*phenology.Forecast, int) {
	if s.Next.Contains(day) {
		return p.Next, p.Year + 1
	}
	return p.Now, p.Year
}
