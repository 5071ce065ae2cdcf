package plot

import (
	"context"
	"errors"
	"fmt"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/ground"
	"bramblyacre/core/phenology"
	"bramblyacre/core/plan"
	"bramblyacre/core/unit"
	"bramblyacre/garden/say"
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
	rows, err := g.readRows(ctx)
	if err != nil {
		return nil, err
	}
	if err := g.useOwn(rows.ownPlants, rows.ownFigures, rows.site.Latitude < 0); err != nil {
		return nil, err
	}
	s.Lib = g.Lib()
	s.Finds, s.People, s.Notes, s.Practice, s.Measures = rows.finds, rows.people, rows.notes, rows.practice, rows.measures
	s.Own = rows.ownPlants
	if err := s.addEvidence(rows); err != nil {
		return nil, err
	}
	s.Site, s.Units, s.Needs = rows.site, unit.System(rows.site.Units), rows.needs
	s.Season = calendar.SeasonOf(s.Site.Latitude, today)
	s.Next = s.Season.Next(s.Site.Latitude)
	s.Sky, err = g.sky(SkyKey{s.Site.ClimateID, s.Site.Latitude, s.Site.AltitudeM, uint64(s.Site.WeatherSeed), s.Site.Station, today})
	if err != nil {
		return nil, err
	}
	if err := s.addPlan(rows); err != nil {
		return nil, err
	}
	for _, answer := range rows.answers {
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

// LiftedAfterCount tells whether a picking came after the plants were counted: on a later
// day, or on the same and noted after it.
func (p *Planting) LiftedAfterCount(picking store.Picking) bool {
	return picking.Day >= p.CountedOn && picking.NotedAfter >= p.CountedAfter
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

// NoDay stands for "today" where a day to show can be left out.
const NoDay calendar.Date = -1 << 31

// StateOn returns the plot and the day to show, which is today for NoDay. A day
// outside this season and the next is a fault.
func (g *Plot) StateOn(ctx context.Context, on calendar.Date) (*State, calendar.Date, error) {
	s, err := g.State(ctx)
	if err != nil {
		return nil, 0, err
	}
	if on == NoDay {
		return s, s.Today, nil
	}
	if !s.Season.Contains(on) && !s.Next.Contains(on) {
		return nil, 0, say.Faults{{Field: "on", Message: fmt.Sprintf("Only days from %s to %s can be shown.", s.Season.Start, s.Next.End)}}
	}
	return s, on, nil
}
