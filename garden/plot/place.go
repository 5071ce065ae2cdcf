package plot

import (
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/library"
	"bramblyacre/store"
)

// addPlan reads the boundary, the beds and the things on the plan, and takes over from the
// state before what lies as it lay.
func (s *State) addPlan(before *State) (err error) {
	if s.Boundary, err = BoundaryOf(s.Site); err != nil {
		return err
	}
	lies := before != nil && before.Site == s.Site && same(before.rows.beds, s.rows.beds) &&
		same(before.rows.items, s.rows.items)
	if lies {
		s.Forms, s.BedByID, s.Beds, s.Items, s.warmed = before.Forms, before.BedByID, before.Beds, before.Items, before.warmed
		return nil
	}
	s.Forms, s.warmed = map[int64]plan.Form{}, map[int64]bool{}
	for _, bed := range s.rows.beds {
		s.BedByID[bed.ID] = bed
		if s.Forms[bed.ID], err = bedForm(bed); err != nil {
			return fmt.Errorf("bed %d: %w", bed.ID, err)
		}
		if bed.RemovedOn == nil {
			s.Beds = append(s.Beds, bed)
		}
	}
	if s.Items, err = ReadItems(s.rows.items); err != nil {
		return err
	}
	things := s.things()
	for _, bed := range s.Beds {
		s.warmed[bed.ID] = plan.WarmWall(s.Forms[bed.ID], things, s.Site.BearingDeg, s.Site.Latitude < 0)
	}
	return nil
}

// addPlace works out where plants stand, the ground they reach, and the soil of each
// bed, and takes over from the state before the beds of which nothing changed.
func (s *State) addPlace(before *State) error {
	lies := before != nil && same(before.rows.beds, s.rows.beds) && same(before.rows.items, s.rows.items)
	lore := s.Lib.Ground()
	here := map[int64][]*Planting{}
	for _, p := range s.Plantings {
		here[p.BedID] = append(here[p.BedID], p)
	}
	s.Beliefs = map[int64]map[string]ground.Belief{}
	for _, bed := range s.Beds {
		if !lies || !takePlaces(here[bed.ID], before) {
			s.layOut(bed, here[bed.ID], lore.Tree)
		}
		if lies && same(before.Readings[bed.ID], s.Readings[bed.ID]) {
			s.Beliefs[bed.ID] = before.Beliefs[bed.ID]
			continue
		}
		beliefs, err := s.believe(bed, lore.Signs)
		if err != nil {
			return err
		}
		s.Beliefs[bed.ID] = beliefs
	}
	return nil
}

// layOut sets the plants of a bed, and finds the ground that they reach.
func (s *State) layOut(bed store.Bed, here []*Planting, trees func(id string) (suitability.Tree, bool)) {
	stands := make([]plan.Stand, len(here))
	for i, p := range here {
		stands[i] = plan.Stand{WantM2: s.WantedM2(p), Plants: p.Standing()}
	}
	for i, area := range s.Forms[bed.ID].LayOut(stands) {
		here[i].Area, here[i].Spots = area, area.Plants
	}
	for _, p := range here {
		s.findGround(p, trees)
	}
}

// takePlaces takes over where the plants of a bed stood, where the same stand there still.
func takePlaces(here []*Planting, before *State) bool {
	var old []*Planting
	if len(here) > 0 {
		old = before.StandingIn(here[0].BedID)
	}
	if len(old) != len(here) {
		return false
	}
	for i, p := range here {
		if old[i].Planting != p.Planting || old[i].Species != p.Species || old[i].Lifted != p.Lifted {
			return false
		}
	}
	for i, p := range here {
		p.Area, p.Spots, p.Findings, p.Ground = old[i].Area, old[i].Spots, old[i].Findings, old[i].Ground
	}
	return true
}

// StandingIn returns what stands in a bed.
func (s *State) StandingIn(bedID int64) []*Planting {
	var here []*Planting
	for _, p := range s.Plantings {
		if p.BedID == bedID {
			here = append(here, p)
		}
	}
	return here
}

// Place is all that counts of a bed for a plant that is not there yet, or of the
// plants of one planting where one is given.
func (s *State) Place(bed store.Bed, lore library.Ground, lows []float64, of *Planting) suitability.Place {
	form := s.Forms[bed.ID]
	p := suitability.Place{
		Ground:  s.groundOf(bed),
		Shelter: float64(s.ShelterOf(bed)),
		Held:    s.EdgeHeld(bed),
		Mulched: bed.MulchM >= thickMulchM,
	}
	p.SunHours, _ = s.SummerHours(bed)
	offset := s.WinterOffset(bed, lore.Offsets)
	p.WinterLows = make([]float64, len(lows))
	for i, low := range lows {
		p.WinterLows[i] = low + offset
	}
	p.RoomM2 = s.RoomM2(bed.ID, of)
	if of != nil {
		for _, f := range of.Findings {
			if f.Ground != "" {
				p.Unsafe = append(p.Unsafe, f.Ground)
			}
			if f.Tree != nil {
				p.Trees = append(p.Trees, *f.Tree)
			}
		}
		return p
	}
	if bed.Unsafe != "" {
		p.Unsafe = append(p.Unsafe, suitability.UnsafeGround(bed.Unsafe))
	}
	region := form.Region()
	for _, it := range s.Items {
		if it.Item.Kind.Kind == plan.UnsafeGround && region.Apart(it.Form.Region()) <= it.Item.Traits.Reach(it.Item.Kind) {
			p.Unsafe = append(p.Unsafe, suitability.UnsafeGround(it.Item.Traits.Unsafe))
		}
		tree, known := lore.Tree(it.Item.Traits.Tree)
		if known && form.Shape != plan.Round && region.DistanceTo(it.Form.At) <= s.TreeReachM(it, tree) {
			p.Trees = append(p.Trees, tree)
		}
	}
	return p
}

// thickMulchM is how thick mulch has to lie to be of use, in metres: a usual value.
const thickMulchM = 0.05

// ShelterOf is how sheltered a bed lies, as a place on flora.ShelterWords: by the grower's
// word, else by the plan.
func (s *State) ShelterOf(bed store.Bed) int {
	if i := slices.Index(flora.ShelterWords, bed.Shelter); i >= 0 {
		return i
	}
	return plan.Shelter(s.Forms[bed.ID], s.things())
}

// WinterOffset is how much colder, below 0, or warmer a bed's coldest night is
// than the open plot's, in °C.
func (s *State) WinterOffset(bed store.Bed, offsets suitability.Offsets) float64 {
	return offsets.Of(suitability.Spot{
		FrostHollow: bed.FrostHollow != 0, Pot: plan.Shape(bed.Shape) == plan.Round,
		Cold: bed.Warmth == "cold", Warm: bed.Warmth == "warm" || bed.Warmth == "" && s.Warmed(bed.ID),
	})
}

// RoomM2 is the ground that the plantings of a bed leave free at full size; that
// of one planting counts as free.
func (s *State) RoomM2(bedID int64, except *Planting) float64 {
	room := s.AreaM2(bedID)
	for _, p := range s.StandingIn(bedID) {
		if p != except {
			room -= s.WantedM2(p)
		}
	}
	return math.Max(0, room)
}

// WantedM2 is the ground that a planting covers at full size: the area it was
// sown on, or a circle for each plant.
func (s *State) WantedM2(p *Planting) float64 {
	if p.AreaM2 != nil {
		return *p.AreaM2
	}
	return suitability.MatureArea(p.Species, p.Standing())
}

// WinterLows are the lowest temperatures of winters as they usually come, in °C.
func (s *State) WinterLows() []float64 { return s.Sky.lows }

// AreaM2 is the ground of a bed.
func (s *State) AreaM2(bedID int64) float64 {
	return math.Max(geometry.SmallestArea, s.Forms[bedID].Area())
}
