package water

import (
	"fmt"
	"math"
)

// Store is the water of a bed: what it holds, and how much is gone of it.
type Store struct {
	Holding Holding
	// Part is p at 5 mm a day of the kind that lacks water first.
	Part float64
	// Drains is the share of the water above field capacity that leaves in a day: 1 where the
	// ground drains at once, as FAO-56 has it.
	Drains float64

	// Depletion is what the roots' depth lacks to field capacity, Above what it holds above it;
	// one of them is 0. SurfaceGone is what its bare top lacks. All in mm.
	Depletion, Above, SurfaceGone float64
}

// Check returns an error naming what cannot be of a store.
func (s Store) Check() error {
	if err := checkStore(s.Holding.Available, s.Part); err != nil {
		return err
	}
	switch {
	case !(s.Drains > 0 && s.Drains <= 1):
		return fmt.Errorf("a share of %v that drains in a day cannot be", s.Drains)
	case !(s.Depletion >= 0 && s.Depletion <= s.Holding.Available):
		return fmt.Errorf("a depletion of %v mm cannot be of %v mm", s.Depletion, s.Holding.Available)
	case !(s.Above >= 0 && s.Above <= s.Holding.Spare):
		return fmt.Errorf("%v mm above field capacity cannot be where there is room for %v mm", s.Above, s.Holding.Spare)
	}
	return nil
}

// Day is what comes to a bed in a day, and what asks for water in it.
type Day struct {
	// Rain and Watered are in mm.
	Rain, Watered float64
	// Reference is ET0 as it is over this bed, in mm.
	Reference float64
	// Coefficient is Kcb of what stands in it, Cover the share of the ground under leaves, Mulched
	// the share of the rest under mulch.
	Coefficient, Cover, Mulched float64
}

// Went is where a day's water went, in mm: Rain + Watered = Taken + Evaporated + Drained + RanOff + what
// is stored more than before.
type Went struct {
	Taken, Evaporated, Drained, RanOff float64
	// Stress is Ks of the day.
	Stress float64
}

// Step returns a store after a day, and where the day's water went. Rain and watering come first; what the
// ground cannot hold runs off. Then plants take what Ks leaves them and the bare top dries, and neither
// takes what is not there. What is left above field capacity drains at the ground's pace.
//
// Source: Allen et al. 1998, FAO-56: the dual crop coefficient (equations 69, 71, 72, 74, 75, 77) in the daily
// balance of the root zone (equations 84–88). Water above field capacity stays for a while where the ground
// drains slowly, which FAO-56 leaves out; at Drains 1 it is FAO-56's.
func (s Store) Step(d Day) (Store, Went) {
	var went Went
	in := d.Rain + d.Watered
	// Into the ground: first what it lacks, then above, and what finds no room runs off.
	filled := math.Min(in, s.Depletion)
	s.Depletion -= filled
	above := math.Min(in-filled, s.Holding.Spare-s.Above)
	s.Above += above
	went.RanOff = in - filled - above
	s.SurfaceGone = math.Max(0, s.SurfaceGone-(in-went.RanOff))

	wanted := d.Coefficient * d.Reference
	went.Stress = stress(s.Holding.Available, s.Depletion, PartOn(s.Part, wanted))
	went.Taken = s.take(went.Stress * wanted)

	most := math.Max(1.2, d.Coefficient+0.05)
	open := math.Min(1, math.Max(0, 1-d.Cover))
	drying := 1.0
	if s.SurfaceGone > s.Holding.Readily {
		drying = math.Max(0, (s.Holding.Surface-s.SurfaceGone)/(s.Holding.Surface-s.Holding.Readily))
	}
	ke := math.Min(drying*(most-d.Coefficient), open*most) * (1 - mulchHolds*math.Min(1, math.Max(0, d.Mulched)))
	left := open * (s.Holding.Surface - s.SurfaceGone) // the open ground alone dries
	went.Evaporated = s.take(math.Min(ke*d.Reference, left))
	if open > 0 {
		s.SurfaceGone = math.Min(s.Holding.Surface, s.SurfaceGone+went.Evaporated/open)
	}

	went.Drained = s.Drains * s.Above
	s.Above -= went.Drained
	return s, went
}

// take takes water out of a store, as much of it as there is, and returns how much.
func (s *Store) take(wanted float64) float64 {
	fromAbove := math.Min(wanted, s.Above)
	s.Above -= fromAbove
	fromBelow := math.Min(wanted-fromAbove, s.Holding.Available-s.Depletion)
	s.Depletion += fromBelow
	return fromAbove + fromBelow
}

// Stored is all water in the roots' depth above wilting, in mm.
func (s Store) Stored() float64 { return s.Holding.Available - s.Depletion + s.Above }

// Lacks tells whether the plants lack water, on a day that takes et mm.
func (s Store) Lacks(et float64) bool { return s.Depletion > PartOn(s.Part, et)*s.Holding.Available }

// tooWet is the share of the room above field capacity that is full when roots lack air.
const tooWet = 0.5

// Soaked tells whether so much water stands in the ground that roots lack air: more than half of the room
// above field capacity is full. That line is a guess.
func (s Store) Soaked() bool { return s.Above > tooWet*s.Holding.Spare }

// Corrected is the store after a reading of how much is gone, which is off by readingSpread mm as the
// balance is by ownSpread mm (standard deviations): the mean of both, each weighing as it is sure.
func (s Store) Corrected(gone, readingSpread, ownSpread float64) Store {
	gone = math.Min(math.Max(gone, -s.Holding.Spare), s.Holding.Available)
	weight := ownSpread * ownSpread / (ownSpread*ownSpread + readingSpread*readingSpread)
	own := s.Depletion - s.Above
	now := own + weight*(gone-own)
	s.Depletion, s.Above = math.Max(0, now), math.Max(0, -now)
	return s
}
