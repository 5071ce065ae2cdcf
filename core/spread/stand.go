package spread

import (
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
)

// Front is one way in which a stand gets further through the ground or over it. What is nil is not on record.
type Front struct {
	// By is the species' word: runners, rhizomes, roots, layers, bulbs.
	By string
	// Rate is in metres a year, Barrier the depth in cm of what holds it, Regrows the share of pieces that grow again,
	// Depth how deep in cm it lies.
	Rate                    flora.Figure
	Barrier, Regrows, Depth *flora.Figure
}

// OverGround tells whether a front goes over the ground, so that nothing sunk holds it.
func (f Front) OverGround() bool { return f.By == "layers" }

// Seeding is how a stand spreads by seed.
type Seeding struct {
	// Heads is how many heads a plant bears, SeedsHead how many seeds one has, Reach how far in metres most of it falls,
	// SoilYears how many years it lives in the ground.
	Heads, SeedsHead, Reach, SoilYears flora.Figure
	// Past are the plants that set seed in each season since the stand was set, times the share of their heads that were
	// left, this season last; Ahead those of the seasons to come.
	Past, Ahead []float64
	// FirstYear is in which year of its life a seedling sets seed, Lives how many years it stands; 0 for many.
	FirstYear, Lives int
	// MatureM2 is the ground that one plant covers.
	MatureM2 float64
}

// Seen is where a front was seen, and when.
type Seen struct {
	Kind SightingKind
	// At is the place; of AtMost it is the edge of the stand's bed.
	At geometry.Point
	// PastEdge is that it was seen past the edge of the stand's bed, and nobody said where: At is nothing.
	PastEdge bool
	// Age is for how many years the stand had grown.
	Age  float64
	Held bool
}

// Stand is what spreads.
type Stand struct {
	ID int64
	// Spots are where its plants stand, RadiusM how far each reaches, Home the bed that it was set in.
	Spots   []geometry.Point
	RadiusM float64
	Home    geometry.Region
	// Poor are the beds that do not suit it, by their place in the terrain.
	Poor   []bool
	Age    float64 // years of growth since it was set
	Plants int
	// YearsLeft is for how many years its own plants live yet; 0 for many.
	YearsLeft int
	// HeldFrom is the age from which it was held to its bed; below 0 for never.
	HeldFrom float64
	Fronts   []Front
	// Regrows is the share of pieces of its roots that grow again, where no front says so; nil where it is not on record.
	Regrows *flora.Figure
	Seeding *Seeding
	Seen    []Seen
}

// IsOnRecord tells whether anything is on record of how it spreads.
func (s Stand) IsOnRecord() bool { return len(s.Fronts) > 0 || s.Seeding != nil }

// FrontsOf are the ways of a species that go through or over the ground, as far as their rate is on record.
func FrontsOf(species *flora.Species) (fronts []Front) {
	for _, way := range species.Spreads {
		if way.Rate != nil {
			fronts = append(
				fronts,
				Front{By: way.By, Rate: *way.Rate, Barrier: way.Barrier, Regrows: way.Regrows, Depth: way.Depth},
			)
		}
	}
	return fronts
}

// SeedWay is a species' way by seed, with all that has to be on record to reckon it; nil where it is not.
func SeedWay(species *flora.Species) *flora.SpreadWay {
	for i, way := range species.Spreads {
		if way.By == "seed" && way.Heads != nil && way.SeedsHead != nil && way.Reach != nil && way.SoilYears != nil {
			return &species.Spreads[i]
		}
	}
	return nil
}

// Regrows is the largest share of pieces that grow again among a species' ways; false where none is on record.
func Regrows(species *flora.Species) (most flora.Figure, known bool) {
	for _, way := range species.Spreads {
		if way.Regrows != nil && (!known || way.Regrows.Value > most.Value) {
			most, known = *way.Regrows, true
		}
	}
	return most, known
}
