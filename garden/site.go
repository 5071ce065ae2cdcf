package garden

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/suitability"
	"bramblyacre/core/unit"
	"bramblyacre/store"
)

// newSite is the plot that a new garden begins with, until its grower says
// where it lies.
var newSite = store.PutSiteParams{
	ID: 1, Name: "My plot", Latitude: 46.6, AltitudeM: 640, ClimateID: "hill-valley",
	WidthM: 30, DepthM: 20, Units: string(unit.Metric), WeatherSeed: 14,
}

// ensureSite lays down the first site.
func (g *Garden) ensureSite(ctx context.Context) error {
	return g.Store.InTransaction(ctx, func(q *store.Queries) error {
		_, err := q.GetSite(ctx)
		if errors.Is(err, sql.ErrNoRows) {
			_, err = q.PutSite(ctx, newSite)
		}
		if err != nil {
			return fmt.Errorf("lay down the site: %w", err)
		}
		return nil
	})
}

// ClimateChoice is a climate that a site can be given.
type ClimateChoice struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Kind string `json:"kind"`
}

// SiteView is the plot's place and how it is shown.
type SiteView struct {
	Name        string  `json:"name"`
	Latitude    float64 `json:"latitude"`
	AltitudeM   float64 `json:"altitudeM"`
	Altitude    string  `json:"altitude" doc:"The height above the sea in the grower's units"`
	ClimateID   string  `json:"climateId"`
	ClimateName string  `json:"climateName"`
	WidthM      float64 `json:"widthM"`
	DepthM      float64 `json:"depthM"`
	Width       string  `json:"width"`
	Depth       string  `json:"depth"`
	AreaWords   string  `json:"areaWords"`
	Units       string  `json:"units" enum:"metric,us"`

	Today       calendar.Date `json:"today"`
	Pinned      bool          `json:"pinned" doc:"Today is fixed and does not follow the clock"`
	Sample      bool          `json:"sample" doc:"This is the sample plot"`
	SeasonStart calendar.Date `json:"seasonStart"`
	SeasonEnd   calendar.Date `json:"seasonEnd"`
	LatestShown calendar.Date `json:"latestShown" doc:"The last day that can be shown"`

	WeatherSource    string `json:"weatherSource"`
	WeatherSimulated bool   `json:"weatherSimulated"`

	FrostWords []string        `json:"frostWords"`
	Climates   []ClimateChoice `json:"climates"`
	Moistures  []string        `json:"moistures"`
	Unsafe     []UnsafeChoice  `json:"unsafe"`
	Origins    []OriginChoice  `json:"origins"`
	Marks      []string        `json:"marks"`
	Shares     []string        `json:"shares"`
}

// UnsafeChoice is a kind of unsafe ground that a bed can be marked with.
type UnsafeChoice struct {
	Kind string `json:"kind"`
	Why  string `json:"why"`
}

// OriginChoice is an origin that a planting can have.
type OriginChoice struct {
	Origin string `json:"origin"`
	Name   string `json:"name"`
}

// Site returns the plot's place, and the choices that forms offer.
func (g *Garden) Site(ctx context.Context) (SiteView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return SiteView{}, err
	}
	v := SiteView{
		Name: s.site.Name, Latitude: s.site.Latitude, AltitudeM: s.site.AltitudeM, ClimateID: s.site.ClimateID,
		Altitude: s.units.GroundLength(s.site.AltitudeM),
		WidthM:   s.site.WidthM, DepthM: s.site.DepthM, Width: s.units.GroundLength(s.site.WidthM), Depth: s.units.GroundLength(s.site.DepthM),
		AreaWords: s.units.Area(s.site.WidthM * s.site.DepthM), Units: s.site.Units,
		Today: s.today, Pinned: g.PinnedTo != nil, Sample: g.Sample,
		SeasonStart: s.season.Start, SeasonEnd: s.season.End, LatestShown: s.next.End,
		WeatherSource: s.sky.station.Name(), WeatherSimulated: s.sky.station.Simulated(),
		Moistures: moistures, Marks: marks,
	}
	g.mu.Lock()
	err = s.sky.climatology(s.season)
	g.mu.Unlock()
	if err != nil {
		return v, err
	}
	v.FrostWords = s.frostWords()
	for _, n := range g.Library.Climates() {
		v.Climates = append(v.Climates, ClimateChoice{n.ID, n.Name, n.Kind})
		if n.ID == s.site.ClimateID {
			v.ClimateName = n.Name
		}
	}
	for _, row := range suitability.UnsafeKinds() {
		v.Unsafe = append(v.Unsafe, UnsafeChoice{string(row.Kind), row.Why})
	}
	v.Origins = originChoices()
	v.Shares = shareWordsAll()
	return v, nil
}

// frostThresholds are the nights that the frost dates are given for, in °C.
var frostThresholds = []float64{0, -2, -4}

// frostWords says when frost of each strength has become unlikely.
func (s *state) frostWords() []string {
	var words []string
	for _, threshold := range frostThresholds {
		even, rare := s.sky.usual.FrostDates(threshold, 0.5), s.sky.usual.FrostDates(threshold, 0.1)
		name := s.units.Temperature(threshold)
		switch {
		case !even.HasLast && !even.HasFirst:
			words = append(words, fmt.Sprintf("Nights at %s or below hardly ever come here.", name))
		case !even.HasLast || !rare.HasLast || !rare.HasFirst:
			words = append(words, fmt.Sprintf("Nights at %s or below come in some winters only.", name))
		default:
			words = append(words, fmt.Sprintf("Last night at %s or below: %s in 5 years of 10, as late as %s in 1 of 10. First in autumn: %s, as early as %s.",
				name, even.Last.DayMonth(), rare.Last.DayMonth(), even.First.DayMonth(), rare.First.DayMonth()))
		}
	}
	return words
}

// SiteInput is what a grower says of the plot's place. Sizes are as typed.
type SiteInput struct {
	Name      string  `json:"name"`
	Latitude  float64 `json:"latitude"`
	Altitude  string  `json:"altitude"`
	ClimateID string  `json:"climateId"`
	Width     string  `json:"width"`
	Depth     string  `json:"depth"`
	Units     string  `json:"units"`
}

// SetSite changes the plot's place and units.
func (g *Garden) SetSite(ctx context.Context, in SiteInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		var c checklist
		row := store.PutSiteParams(s.site)
		row.Name = c.text("name", in.Name, longestName)
		if row.Name == "" {
			c.add("name", "Give the plot a name.")
		}
		if row.Latitude = in.Latitude; in.Latitude < -90 || in.Latitude > 90 {
			c.add("latitude", "A latitude lies between -90 and 90 degrees, south of the equator below 0.")
		}
		row.Units = in.Units
		if !unit.System(in.Units).Valid() {
			c.add("units", "Choose metric or US units.")
		}
		if row.ClimateID = in.ClimateID; in.ClimateID != "" {
			if _, has := g.Library.Climate(in.ClimateID); !has {
				c.add("climateId", "Choose one of the climates.")
			}
		} else {
			c.add("climateId", "Choose one of the climates.")
		}
		row.AltitudeM = c.length("altitude", in.Altitude, s.units.GroundUnit(), -430, 6000)
		row.WidthM = c.length("width", in.Width, s.units.GroundUnit(), 1, 2000)
		row.DepthM = c.length("depth", in.Depth, s.units.GroundUnit(), 1, 2000)
		for _, bed := range s.beds {
			if !insidePlot(bed, row.WidthM, row.DepthM) {
				c.add("width", "%s would lie outside. Move it first, or keep the plot larger.", bed.Name)
				break
			}
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		_, err := put(ctx, d, "site", 1, row, func(r store.Site) int64 { return r.ID })
		return record{kind: "site", summary: "Changed the site: " + row.Name}, err
	})
}

// length reads a typed length in metres within bounds.
func (c *checklist) length(field, text, defaultUnit string, low, high float64) float64 {
	metres, err := unit.Parse(unit.Length, text, defaultUnit)
	switch {
	case errors.Is(err, unit.ErrEmpty):
		c.add(field, "Write a length, for example 45 cm or 18 in.")
	case err != nil:
		c.addError(field, err)
	case metres < low || metres > high:
		c.add(field, "%s is not possible here; it must lie between %s and %s.", text, unit.Metric.GroundLength(low), unit.Metric.GroundLength(high))
	}
	return metres
}
