package plot

import (
	"sync"

	lru "github.com/hashicorp/golang-lru/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/core/geometry"
	"bramblyacre/core/ground"
	"bramblyacre/core/phenology"
	"bramblyacre/core/plan"
	"bramblyacre/core/unit"
	"bramblyacre/library"
	"bramblyacre/store"
)

// State is the whole plot as of one ledger entry and one day, with what was
// worked out of it. It is never changed once made, and shares with the states before it
// what did not change.
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
	// SunHours are each bed's computed hours of sun by month, January first.
	SunHours map[int64][]float64
	// Days are how much warmer or colder kinds of spots are.
	Days library.DayOffsets
	// Beliefs are what is known of each bed's ground, by aspect.
	Beliefs     map[int64]map[string]ground.Belief
	Plantings   []*Planting // those that stand
	EverPlanted []*Planting // and those removed
	ByID        map[int64]*Planting
	Needs       []store.Need

	Lib      *library.Library
	Looks    map[int64][]Look // by planting
	FindLook map[int64][]Look // by find
	Finds    []store.Find
	Sortings map[int64][]store.Sorting // by picking
	Makings  map[int64][]store.Making  // by picking
	People   []store.Person
	Notes    []store.PlantNote
	Own      []store.OwnPlant
	// Broken are the plantings of which a row cannot be read.
	Broken map[int64]bool

	// sunFor is the plan that its sun was worked out for.
	sunFor string
	// warmed are the beds that lie before a wall or a house, as the plan tells.
	warmed map[int64]bool
	// rows are what it was worked out from.
	rows *rows
	// water is each bed's water, made when first asked for; waterBefore are those of the state before.
	water, waterBefore *sync.Map
	// gone is the unsafe ground that plantings may have reached that are gone from the plan, made when first asked for.
	gone *sync.Map
	// others are the plot in other seasons, made when first asked for.
	others *lru.Cache[calendar.Date, *otherSeason]
	// usual are the forecasts of plants that nobody has looked at, made when first asked
	// for.
	usual *sync.Map
}

// Answer is what the grower said last of a job.
func (s *State) Answer(jobKey string) (answer store.JobAnswer, has bool) {
	all := s.rows.answers[jobKey]
	if len(all) == 0 {
		return answer, false
	}
	return all[len(all)-1], true
}

// Forget lets everything be worked out anew when it is asked for next, as after a start.
func (g *Plot) Forget() {
	g.mu.Lock()
	defer g.mu.Unlock()
	g.current.Store(nil)
	g.moved = nil
	g.lastSky.Store(nil)
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
