package place

import (
	"context"
	"errors"
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// SiteView is the plot's place and how it is shown.
type SiteView struct {
	PlotID      string      `json:"plotId" doc:"What the plot is known by, wherever it is served"`
	Version     say.Version `json:"version"`
	Damage      string      `json:"damage" doc:"What is wrong with the plot's file, and what to do; empty where nothing is known to be"`
	Name        string      `json:"name"`
	Placed      bool        `json:"placed" doc:"Somebody said where the plot lies; until then nothing told of a day is the plot's own"`
	Latitude    float64     `json:"latitude"`
	Longitude   *float64    `json:"longitude,omitempty"`
	AltitudeM   float64     `json:"-"`
	Altitude    string      `json:"altitude" doc:"The height above the sea in the grower's units"`
	ClimateID   string      `json:"climateId"`
	ClimateName string      `json:"climateName"`
	WidthM      float64     `json:"widthM"`
	DepthM      float64     `json:"depthM"`
	Width       string      `json:"width"`
	Depth       string      `json:"depth"`
	AreaWords   string      `json:"areaWords"`
	Units       string      `json:"units" enum:"metric,us"`
	Customs     bool        `json:"customs" doc:"The grower's customs are shown"`

	Today         calendar.Date `json:"today"`
	Pinned        bool          `json:"pinned" doc:"Today is fixed and does not follow the clock"`
	Sample        bool          `json:"sample" doc:"This is the sample plot"`
	SeasonStart   calendar.Date `json:"seasonStart"`
	SeasonEnd     calendar.Date `json:"seasonEnd"`
	EarliestShown calendar.Date `json:"earliestShown" doc:"The first day that can be shown"`
	LatestShown   calendar.Date `json:"latestShown" doc:"The last day that can be shown"`

	Newcomer bool `json:"newcomer" doc:"Few looks are noted yet: words of ours are explained where they first stand"`

	WeatherSource    string `json:"weatherSource"`
	WeatherSimulated bool   `json:"weatherSimulated"`
	Station          string `json:"station" enum:",simulated" doc:"What reads the weather; empty for nothing"`

	FrostWords []string        `json:"frostWords"`
	Climates   []ClimateChoice `json:"climates"`
	Unsafe     []UnsafeChoice  `json:"unsafe"`
	Aspects    []AspectChoice  `json:"aspects" doc:"Words that a bed's ground is described in"`
	Shelters   []string        `json:"shelters"`
	Uses       []string        `json:"uses" doc:"What a bed can be for"`
	Kinds      []KindChoice    `json:"kinds" doc:"Things that can be set on the plan"`
	Trees      []TreeChoice    `json:"trees" doc:"Trees that poison the ground"`
	Causes     FateCauses      `json:"causes" doc:"Why a planting throve or failed"`
	Origins    []OriginChoice  `json:"origins"`
	Marks      []string        `json:"marks"`
	Shares     []string        `json:"shares"`
}

// UnsafeChoice is a kind of unsafe ground that a bed can be marked with.
type UnsafeChoice struct {
	Kind string `json:"kind"`
	Why  string `json:"why"`
}

// AspectChoice is an aspect of the ground with its words; key is the field of a bed.
type AspectChoice struct {
	Key   string   `json:"key"`
	Name  string   `json:"name"`
	Words []string `json:"words"`
}

// KindChoice is a kind of thing that can be set on the plan.
type KindChoice struct {
	Kind   string   `json:"kind"`
	Shapes []string `json:"shapes"`
	Needs  []string `json:"needs" doc:"Fields that must be given"`
	Takes  []string `json:"takes" doc:"Fields that may be given"`
	Means  string   `json:"means"`
}

// TreeChoice is a kind of tree that poisons the ground.
type TreeChoice struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Why  string `json:"why"`
}

// FateCauses are the causes to choose from.
type FateCauses struct {
	Throve []string `json:"throve"`
	Failed []string `json:"failed"`
}

// OriginChoice is an origin that a planting can have.
type OriginChoice struct {
	Origin string `json:"origin"`
	Name   string `json:"name"`
}

// Site returns the plot's place, and the choices that forms offer.
func (u *Uses) Site(ctx context.Context) (SiteView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return SiteView{}, err
	}
	v := SiteView{
		PlotID:           u.plot.PlotID(),
		Damage:           u.plot.Damage(),
		Version:          plot.PlaceVersion(s.Site),
		Name:             s.Site.Name,
		Placed:           s.Site.Placed != 0,
		Longitude:        s.Site.Longitude,
		Latitude:         s.Site.Latitude,
		AltitudeM:        s.Site.AltitudeM,
		ClimateID:        s.Site.ClimateID,
		Altitude:         s.Units.GroundLength(s.Site.AltitudeM),
		WidthM:           s.Site.WidthM,
		DepthM:           s.Site.DepthM,
		Width:            s.Units.GroundLength(s.Site.WidthM),
		Depth:            s.Units.GroundLength(s.Site.DepthM),
		AreaWords:        s.Units.Area(s.Site.WidthM * s.Site.DepthM),
		Units:            s.Site.Units,
		Customs:          s.Site.Customs != 0,
		Today:            s.Today,
		Pinned:           u.plot.PinnedTo != nil,
		Sample:           u.plot.Sample,
		SeasonStart:      s.Season.Start,
		SeasonEnd:        s.Season.End,
		EarliestShown:    s.FirstShown(),
		LatestShown:      s.LastShown(),
		WeatherSource:    s.Sky.Source(),
		WeatherSimulated: s.Sky.Station != nil && s.Sky.Station.Simulated(),
		Station:          s.Site.Station,
		Marks:            s.Marks(),
		Shelters:         flora.ShelterWords,
		Uses:             flora.UseWords,
		Causes:           FateCauses{causes[throve], causes[failed]},
	}
	v.Newcomer = looksNoted(s) < fewLooks
	u.addPlanChoices(&v)
	v.FrostWords = frostWords(s)
	v.Climates = climateChoices(u.plot.Lib().Climates(), s.Units, s.Site.Latitude)
	if n, has := u.plot.Lib().Climate(s.Site.ClimateID); has {
		v.ClimateName = n.Name
	}
	for _, row := range suitability.UnsafeKinds() {
		v.Unsafe = append(v.Unsafe, UnsafeChoice{string(row.Kind), row.Why})
	}
	v.Origins = originChoices()
	v.Shares = shareWordsAll()
	return v, nil
}

// fewLooks is how many looks a household has noted by when it knows the words.
const fewLooks = 12

// looksNoted is how many looks were noted of what stands: of its stage, and of what it is.
func looksNoted(s *plot.State) (n int) {
	for _, p := range s.Plantings {
		n += len(p.Sightings) + len(s.Looks[p.ID])
	}
	return n
}

// frostThresholds are the nights that the frost dates are given for, in °C.
var frostThresholds = []float64{0, -2, -4}

// frostWords says when frost of each strength has become unlikely, and when it comes again.
// A date that most years do not have is none, and is said to be.
func frostWords(s *plot.State) []string {
	var words []string
	for _, threshold := range frostThresholds {
		even, rare := s.Sky.Usual.FrostDates(threshold, 0.5), s.Sky.Usual.FrostDates(threshold, 0.1)
		name := s.Units.Temperature(threshold)
		if even.InSpring < 0.02 && even.InAutumn < 0.02 {
			words = append(words, fmt.Sprintf("Nights at %s or below hardly ever come here.", name))
			continue
		}
		last := fmt.Sprintf("none in spring in most years (in %s they come)", say.FewInTen(even.InSpring))
		switch {
		case even.HasLast:
			last = fmt.Sprintf("%s in 5 years of 10, as late as %s in 1 of 10", even.Last.DayMonth(), rare.Last.DayMonth())
		case rare.HasLast:
			last = fmt.Sprintf("none in spring in most years; as late as %s in 1 of 10", rare.Last.DayMonth())
		}
		first := "none before midwinter in most years"
		switch {
		case even.HasFirst:
			first = fmt.Sprintf("%s, as early as %s", even.First.DayMonth(), rare.First.DayMonth())
		case rare.HasFirst:
			first += fmt.Sprintf("; as early as %s in 1 of 10", rare.First.DayMonth())
		}
		words = append(words, fmt.Sprintf("Last night at %s or below: %s. First in autumn: %s.", name, last, first))
	}
	return words
}

// addPlanChoices adds what the plan's and the ground's forms offer.
func (u *Uses) addPlanChoices(v *SiteView) {
	for _, said := range (BedInput{}).saidWords() {
		if aspect, err := ground.AspectOf(said.Aspect); err == nil {
			v.Aspects = append(v.Aspects, AspectChoice{said.Field, aspect.Name, aspect.Words})
		}
	}
	for _, kind := range plan.Kinds() {
		choice := KindChoice{Kind: string(kind.Kind), Means: kind.Means, Needs: []string{}, Takes: []string{}}
		for _, shape := range kind.Shapes {
			choice.Shapes = append(choice.Shapes, string(shape))
		}
		for _, trait := range kind.Needs {
			choice.Needs = append(choice.Needs, traitFields[trait])
		}
		for _, trait := range kind.Takes {
			choice.Takes = append(choice.Takes, traitFields[trait])
		}
		v.Kinds = append(v.Kinds, choice)
	}
	for _, tree := range u.plot.Lib().Ground().Trees {
		v.Trees = append(v.Trees, TreeChoice{tree.ID, tree.Name, tree.Why})
	}
}

// SiteInput is what a grower says of the plot's place. Sizes are as typed.
type SiteInput struct {
	Name     string  `json:"name"`
	Latitude float64 `json:"latitude"`
	// Longitude stays as it is where it is left out: no day or hour rests on it.
	Longitude *float64 `json:"longitude,omitempty"`
	Altitude  string   `json:"altitude,omitempty" doc:"Empty: the height that the climate's figures hold for"`
	ClimateID string   `json:"climateId"`
	Width     string   `json:"width,omitempty" doc:"Empty: as it is"`
	Depth     string   `json:"depth,omitempty" doc:"Empty: as it is"`
	Units     string   `json:"units"`
	// Station is what reads the weather: nothing, or the simulated station.
	Station string `json:"station,omitempty" enum:",simulated" doc:"What reads the weather; empty for nothing"`
	// Affirmed are the questions that were asked back and said yes to.
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
}

// The questions that a site is asked back with.
const (
	AskHemisphere = "hemisphere"
	AskLatitude   = "latitude"
)

const outOfLatitude = "A latitude lies between -90 and 90 degrees, south of the equator below 0."

// SetSite changes the plot's place and units.
func (u *Uses) SetSite(ctx context.Context, seen say.Version, in SiteInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if err := seen.IsOf(plot.PlaceVersion(s.Site), "the plot's place"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		row := store.PutSiteParams(s.Site)
		row.Name = c.Name("name", in.Name)
		if row.Name == "" {
			c.Add("name", "Give the plot a name.")
		}
		if row.Latitude = in.Latitude; in.Latitude < -90 || in.Latitude > 90 {
			c.Add("latitude", outOfLatitude)
		}
		if at := in.Longitude; at != nil && !(*at >= -180 && *at <= 180) {
			c.Add("longitude", "A longitude lies between -180 and 180 degrees, west of Greenwich below 0.")
		} else if at != nil {
			row.Longitude = at
		}
		row.Placed = 1
		row.Units = in.Units
		if !unit.System(in.Units).Valid() {
			c.Add("units", "Choose metric or US units.")
		}
		if row.ClimateID = in.ClimateID; in.ClimateID != "" {
			if _, has := u.plot.Lib().Climate(in.ClimateID); !has {
				c.Add("climateId", "Choose one of the climates.")
			}
		} else {
			c.Add("climateId", "Choose one of the climates.")
		}
		typedUnit := s.Units.GroundUnit()
		if units := unit.System(in.Units); units.Valid() && s.Site.Placed == 0 {
			typedUnit = units.GroundUnit() // said in the same breath
		}
		if in.Altitude != "" {
			row.AltitudeM = length(&c, "altitude", in.Altitude, typedUnit, -430, 6000)
		} else if climate, has := u.plot.Lib().Climate(in.ClimateID); has {
			row.AltitudeM = climate.HeightM
		}
		if climate, has := u.plot.Lib().Climate(in.ClimateID); has && !climate.IsOfThisWorldAt(row.AltitudeM) {
			c.Add("altitude", "At this height such a climate is not of this world. Check the height, or choose another.")
		}
		if in.Width != "" {
			row.WidthM = length(&c, "width", in.Width, typedUnit, 1, 2000)
		}
		if in.Depth != "" {
			row.DepthM = length(&c, "depth", in.Depth, typedUnit, 1, 2000)
		}
		if row.Station = in.Station; in.Station != "" && in.Station != plot.SimulatedStation {
			c.Add("station", "Choose no station, or the simulated one.")
		}
		fitBoundary(s, &c, &row)
		if climate, has := u.plot.Lib().Climate(
			in.ClimateID,
		); has && len(c.Faults) == 0 &&
			(row.ClimateID != s.Site.ClimateID || row.Latitude != s.Site.Latitude || s.Site.Placed == 0) {
			askClimate(&c, climate, in.Latitude, in.Affirmed)
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err := plot.SiteTable.Put(ctx, d, 1, row)
		return journal.Record{Kind: "site", Summary: "Changed the site: " + row.Name}, err
	})
}

// askClimate asks back about a climate that hardly fits where the plot lies.
func askClimate(c *say.Checklist, climate climate.Normals, latitude float64, affirmed []string) {
	fit := climate.FitAt(latitude)
	if fit.OtherHalf {
		c.Ask(
			"climateId",
			AskHemisphere,
			affirmed,
			"%s is a climate of the other half of the world: its year is turned round by six months for yours. Is it the nearest there is?",
			climate.Name,
		)
	}
	if fit.FarOff() {
		c.Ask(
			"latitude",
			AskLatitude,
			affirmed,
			"%s is usual about %.0f° from the equator, and %.0f° is far from that: days and seasons would not fit the weather. Is the latitude right?",
			climate.Name,
			math.Abs(climate.Latitude),
			math.Abs(latitude),
		)
	}
}

// SetCustoms switches the grower's customs on or off. Nothing of them is lost.
func (u *Uses) SetCustoms(ctx context.Context, on bool) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, summary := store.PutSiteParams(s.Site), "Switched customs off"
		row.Customs = 0
		if on {
			row.Customs, summary = 1, "Switched customs on"
		}
		_, err := plot.SiteTable.Put(ctx, d, 1, row)
		return journal.Record{Kind: "site", Summary: summary}, err
	})
}

// fitBoundary keeps a changed size from leaving beds outside. A drawn boundary has
// the size that it was drawn with.
func fitBoundary(s *plot.State, c *say.Checklist, row *store.PutSiteParams) {
	if len(c.Faults) > 0 {
		return
	}
	if isDrawn(store.Site(*row)) {
		same := func(typed, drawn float64) bool { return math.Abs(typed-drawn) < 0.06 }
		if !same(row.WidthM, s.Site.WidthM) || !same(row.DepthM, s.Site.DepthM) {
			c.Add("width", "The boundary is drawn on the plan, and its size follows from it. Change it there.")
		}
		row.WidthM, row.DepthM = s.Site.WidthM, s.Site.DepthM
		return
	}
	boundary, err := plot.BoundaryOf(store.Site(*row))
	c.AddError("width", err)
	for _, bed := range s.Beds {
		if !withinPlot(s.Forms[bed.ID], boundary) {
			c.Add("width", "%s would lie outside. Move it first, or keep the plot larger.", bed.Name)
			break
		}
	}
}

// length reads a typed length in metres within bounds.
func length(c *say.Checklist, field, text, defaultUnit string, low, high float64) float64 {
	metres, err := unit.Parse(unit.Length, text, defaultUnit)
	switch {
	case errors.Is(err, unit.ErrEmpty):
		c.Add(field, "Write a length, for example 45 cm or 18 in.")
	case err != nil:
		c.AddError(field, err)
	case metres < low || metres > high:
		c.Add(
			field,
			"%s is not possible here; it must lie between %s and %s.",
			text,
			unit.Metric.GroundLength(low),
			unit.Metric.GroundLength(high),
		)
	}
	return metres
}
