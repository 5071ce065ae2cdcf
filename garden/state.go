package garden

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

// state is the whole plot as of one ledger entry and one day, with what was
// worked out of it. It is never changed once made.
type state struct {
	lastEntry int64
	today     calendar.Date
	site      store.Site
	units     unit.System
	season    calendar.Season
	next      calendar.Season
	sky       *sky
	beds      []store.Bed
	bedByID   map[int64]store.Bed
	boundary  geometry.Polygon
	forms     map[int64]plan.Form // of every bed
	items     []item
	readings  map[int64][]store.Reading // by bed
	fates     map[int64][]store.Fate    // by planting
	// sunHours are each bed's computed hours of sun by month, January first.
	sunHours map[int64][]float64
	// days are how much warmer or colder kinds of spots are.
	days library.DayOffsets
	// beliefs are what is known of each bed's ground, by aspect.
	beliefs   map[int64]map[string]ground.Belief
	plantings []*planting // those that stand
	all       []*planting // and those removed
	byID      map[int64]*planting
	answers   map[string]store.JobAnswer // the newest by job key
	needs     []store.Need

	lib      *library.Library
	looks    map[int64][]look // by planting
	findLook map[int64][]look // by find
	finds    []store.Find
	sortings map[int64][]store.Sorting // by picking
	makings  map[int64][]store.Making  // by picking
	people   []store.Person
	notes    []store.PlantNote
	practice []store.Practice
	measures []store.Measure
	own      []store.OwnPlant
	// broken are the plantings of which a row cannot be read.
	broken map[int64]bool

	// usual are the forecasts of plants that nobody has looked at, made when first asked
	// for.
	usual *sync.Map
}

// planting is one planting with everything known of it.
type planting struct {
	store.Planting
	species *flora.Species
	bed     store.Bed
	started calendar.Date
	origin  flora.OriginRow
	// rules are what has to be seen of it, finding what the looks amount to, and
	// identity the state that they leave it in.
	rules    *identity.Rules
	finding  identity.Finding
	identity identity.State
	// ground is the gravest unsafe ground that it reaches, findings all of it.
	ground   suitability.UnsafeGround
	findings []finding
	// area is its part of the bed, spots where its plants stand on the plan.
	area  plotArea
	spots []geometry.Point

	sightings []sighting
	pickings  []store.Picking

	// year is the year of life in the current season.
	year int
	// now and next are the forecasts of this season and the next; nil for a
	// plant that does not live to see it.
	now, next *phenology.Forecast
	// beforeLook is this season's forecast as it would be without the last
	// look; nil where there was none this season.
	beforeLook *phenology.Forecast
	surprise   *phenology.Surprise
	windows    []harvest.Window // of this season and the next
	// lifted is how many plants went with their roots since they were counted.
	lifted int
	// aside is true where its plant cannot be read or worked out.
	aside bool
}

// sighting is an observation as core takes it.
type sighting struct {
	phenology.Sighting
	row store.Observation
}

// state returns the plot as it stands, read anew only after a change or at
// midnight. The caller may hold on to it: it does not change.
func (g *Garden) state(ctx context.Context) (*state, error) {
	g.mu.Lock()
	defer g.mu.Unlock()
	last, err := g.Store.LastLedgerID(ctx)
	if err != nil {
		return nil, fmt.Errorf("read the ledger: %w", err)
	}
	today := g.Today()
	if g.cached != nil && g.cached.lastEntry == last && g.cached.today == today {
		return g.cached, nil
	}
	s := &state{lastEntry: last, today: today, bedByID: map[int64]store.Bed{}, byID: map[int64]*planting{}, answers: map[string]store.JobAnswer{}, usual: &sync.Map{}}
	rows, err := g.readRows(ctx)
	if err != nil {
		return nil, err
	}
	if err := g.useOwn(rows.ownPlants, rows.ownFigures, rows.site.Latitude < 0); err != nil {
		return nil, err
	}
	s.lib = g.lib()
	s.finds, s.people, s.notes, s.practice, s.measures = rows.finds, rows.people, rows.notes, rows.practice, rows.measures
	s.own = rows.ownPlants
	if err := s.addEvidence(rows); err != nil {
		return nil, err
	}
	s.site, s.units, s.needs = rows.site, unit.System(rows.site.Units), rows.needs
	s.season = calendar.SeasonOf(s.site.Latitude, today)
	s.next = s.season.Next(s.site.Latitude)
	s.sky, err = g.sky(skyKey{s.site.ClimateID, s.site.Latitude, s.site.AltitudeM, uint64(s.site.WeatherSeed), s.site.Station, today})
	if err != nil {
		return nil, err
	}
	if err := s.addPlan(rows); err != nil {
		return nil, err
	}
	for _, answer := range rows.answers {
		s.answers[answer.JobKey] = answer
	}
	s.days = g.lib().Ground().Days
	if err := g.addSun(ctx, s); err != nil {
		return nil, err
	}
	if err := g.addPlantings(ctx, s, rows); err != nil {
		return nil, err
	}
	if err := g.addPlace(s); err != nil {
		return nil, err
	}
	for _, p := range s.plantings {
		g.tryOut(s, p)
	}
	g.cached = s
	return s, nil
}

func (g *Garden) addPlantings(ctx context.Context, s *state, rows allRows) error {
	seen := map[int64][]sighting{}
	for _, row := range rows.observations {
		day, err := calendar.Parse(row.Day)
		stage, fault := flora.ParseStage(row.Stage)
		if err = errors.Join(err, fault); err != nil {
			s.cannotRead(row.PlantingID, fmt.Errorf("observation %d: %w", row.ID, err))
			continue
		}
		seen[row.PlantingID] = append(seen[row.PlantingID], sighting{phenology.Sighting{Day: day, Stage: stage, Share: phenology.Share(row.Share), Affirmed: row.Affirmed != 0}, row})
	}
	picked := map[int64][]store.Picking{}
	for _, row := range rows.pickings {
		picked[row.PlantingID] = append(picked[row.PlantingID], row)
	}
	for _, row := range rows.plantings {
		species, readable := s.lib.Species(row.SpeciesID)
		started, err := calendar.Parse(row.StartedOn)
		origin, fault := flora.ParseOrigin(row.Origin)
		if err = errors.Join(err, fault); err != nil {
			s.cannotRead(row.ID, fmt.Errorf("planting %d: %w", row.ID, err))
			started, origin = s.today, flora.OriginRow{Name: "it cannot be read"}
		}
		p := &planting{
			Planting: row, species: species, bed: s.bedByID[row.BedID], started: started,
			rules: s.lib.Rules(row.SpeciesID), sightings: seen[row.ID], pickings: picked[row.ID],
		}
		if readable && !s.broken[row.ID] {
			s.safely(p, func(p *planting) {
				p.finding = p.rules.Judge(asCore(s.looks[row.ID]), p.labelled())
				p.identity = p.finding.State
				p.lifted = liftedSinceCount(p)
			})
		} else {
			name := row.SpeciesID
			if readable {
				name = species.Names.Name
			}
			p.setAside(name)
		}
		p.origin = origin.For(p.species.Life.Form)
		s.byID[row.ID] = p
		s.all = append(s.all, p)
		if row.RemovedOn != nil {
			continue
		}
		s.plantings = append(s.plantings, p)
	}
	return s.forecastAll(ctx)
}

// forecastAll forecasts every planting that stands, as many at a time as the
// machine has processors. The weather of every season that they need is made
// first: while they are at work it is only read.
func (s *state) forecastAll(ctx context.Context) error {
	earliest := s.season
	for _, p := range s.all {
		if seen := p.sightings; len(seen) > 0 && seen[0].Day < earliest.Start {
			earliest = calendar.SeasonOf(s.site.Latitude, seen[0].Day)
		}
	}
	if err := s.sky.climatology(s.season); err != nil {
		return err
	}
	for season := earliest; season.Start <= s.next.Start; season = season.Next(s.site.Latitude) {
		if err := s.sky.make(season); err != nil {
			return err
		}
	}
	if !parallel.Until(ctx.Done(), len(s.plantings), func(i int) { s.safely(s.plantings[i], s.forecast) }) {
		return ctx.Err() // whoever asked has left
	}
	return nil
}

// liftedSinceCount sums the plants that went with their roots since the
// planting was last counted, without those whose crowns were put back.
func liftedSinceCount(p *planting) int {
	lifted := 0.0
	for _, picking := range p.pickings {
		part, has := p.species.Part(picking.Part)
		if has && part.Harvest != nil && part.Harvest.TakesPlant && p.liftedAfterCount(picking) {
			lifted += picking.Units - picking.CrownsBack
		}
	}
	return int(lifted + 0.5)
}

// liftedAfterCount tells whether a picking came after the plants were counted: on a later
// day, or on the same and noted after it.
func (p *planting) liftedAfterCount(picking store.Picking) bool {
	return picking.Day >= p.CountedOn && picking.NotedAfter >= p.CountedAfter
}

// standing is how many plants stand today.
func (p *planting) standing() int { return max(0, int(p.Plants)-p.lifted) }

// yearOfLife returns the planting's year of life in a season, 1 for the first: by what the
// grower said, else by where it came from, and no younger than its first look shows.
func (s *state) yearOfLife(p *planting, season calendar.Season) int {
	return season.YearsBefore(calendar.SeasonOf(s.site.Latitude, p.started)) + s.yearWhenSet(p)
}

// yearWhenSet is the year of life that a planting was in when it was set.
func (s *state) yearWhenSet(p *planting) int {
	if p.StartYear != nil {
		return int(*p.StartYear)
	}
	year := 1 + p.origin.YearsAhead
	if len(p.sightings) == 0 || p.origin.FromStart {
		return year
	}
	first := p.sightings[0]
	later := calendar.SeasonOf(s.site.Latitude, first.Day).YearsBefore(calendar.SeasonOf(s.site.Latitude, p.started))
	has := func(year flora.YearOfLife) bool {
		return first.Stage == flora.Resting || slices.ContainsFunc(year.Stages, func(r flora.StageRule) bool { return r.Stage == first.Stage })
	}
	if now, err := p.species.YearOfLifeRules(year + later); err != nil || has(now) {
		return year
	}
	for _, older := range p.species.Growth.Years {
		if older.From > year+later && has(older) {
			return older.From - later
		}
	}
	return year
}

// age returns the planting's age in a season, as harvest asks for it.
func (s *state) age(p *planting, season calendar.Season) harvest.Age {
	return harvest.Age{
		Year: s.yearOfLife(p, season), Seasons: season.YearsBefore(calendar.SeasonOf(s.site.Latitude, p.started)), Settles: p.origin.Settles,
	}
}

// plan returns the planting's plan for a season, and whether it lives to see it.
func (s *state) plan(p *planting, season calendar.Season) (*phenology.Plan, bool) {
	started := p.started
	if !p.origin.FromStart {
		started = s.usualStart(p.species, s.yearOfLife(p, season), season)
		if season.Contains(p.started) {
			started = min(started, p.started) // what is set was sown before
		}
	}
	daylight, made := s.sky.daylight[season]
	if !made { // a season that no forecast needed, asked for by a note of old
		var err error
		if daylight, err = phenology.NewDaylight(s.site.Latitude, season); err != nil {
			return nil, false
		}
	}
	plan, err := phenology.NewPlan(p.species, s.yearOfLife(p, season), daylight, started)
	if err != nil {
		return nil, false
	}
	warmer, _ := s.warmer(p.bed)
	return plan.AtSpot(warmer.Value), true
}

// usualStart is the day that a year of a plant's life usually begins with: its sowing
// where it is sown in that year, else the day before the season. What frost kills is not
// sown before the nights that kill it are likely over.
func (s *state) usualStart(species *flora.Species, year int, season calendar.Season) calendar.Date {
	rules, err := species.YearOfLifeRules(year)
	if err != nil || !rules.IsSown {
		return season.Start.AddDays(-1)
	}
	after := rules.SownAfter
	if below, tender := species.Growth.KilledBelow(); tender {
		const chance = 0.2
		if frost := s.sky.usual.FrostDates(below.Value, chance); frost.HasLast {
			after = max(after, frost.Last.DaysSince(s.sky.usual.Season.Start)-daysInTheGround)
		}
	}
	return season.Start.AddDays(after)
}

// daysInTheGround is how long before the last frost seed may be sown: it comes up after it.
const daysInTheGround = 10

// forecast learns the planting's pace from everything seen, season after
// season, and forecasts this season and the next.
func (s *state) forecast(p *planting) {
	p.year = s.yearOfLife(p, s.season)
	pace := phenology.PriorPace()
	season := s.season
	if len(p.sightings) > 0 {
		season = calendar.SeasonOf(s.site.Latitude, p.sightings[0].Day)
	}
	for ; season.Start < s.season.Start; season = season.Next(s.site.Latitude) {
		if plan, lives := s.plan(p, season); lives {
			for _, seen := range p.seenIn(season) {
				pace, _, _, _ = plan.Learn(pace, s.sky.seasons[season], seen)
			}
		}
		pace = pace.NextYear()
	}
	plan, lives := s.plan(p, s.season)
	if !lives {
		return
	}
	weather := s.sky.seasons[s.season]
	var readings []phenology.Reading
	seen := p.seenIn(s.season)
	for i, sighting := range seen {
		if i == len(seen)-1 {
			p.beforeLook = plan.Forecast(weather, pace, readings)
		}
		after, reading, surprise, learned := plan.Learn(pace, weather, sighting)
		if p.surprise = surprise; learned {
			pace, readings = after, append(readings, reading)
		}
	}
	p.now = plan.Forecast(weather, pace, readings)
	p.windows = harvest.Windows(p.now, p.species, s.age(p, s.season))
	nextPlan, lives := s.plan(p, s.next)
	if !lives {
		return
	}
	p.next = nextPlan.Forecast(s.sky.seasons[s.next], pace.NextYear(), nil)
	p.windows = append(p.windows, harvest.Windows(p.next, p.species, s.age(p, s.next))...)
}

// seenIn returns what was seen in a season, the first look first.
func (p *planting) seenIn(season calendar.Season) []phenology.Sighting {
	var seen []phenology.Sighting
	for _, s := range p.sightings {
		if season.Contains(s.Day) {
			seen = append(seen, s.Sighting)
		}
	}
	return seen
}

// on returns the forecast that a day falls in, and the year of life; nil where
// there is none.
func (s *state) on(p *planting, day calendar.Date) (*phenology.Forecast, int) {
	if s.next.Contains(day) {
		return p.next, p.year + 1
	}
	return p.now, p.year
}
