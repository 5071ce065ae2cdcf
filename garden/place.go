package garden

import (
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/library"
	"bramblyacre/store"
)

// addPlan reads the boundary, the beds and the things on the plan.
func (s *state) addPlan(rows allRows) (err error) {
	if s.boundary, err = boundaryOf(s.site); err != nil {
		return err
	}
	s.forms = map[int64]plan.Form{}
	for _, bed := range rows.beds {
		s.bedByID[bed.ID] = bed
		if s.forms[bed.ID], err = bedForm(bed); err != nil {
			return fmt.Errorf("bed %d: %w", bed.ID, err)
		}
		if bed.RemovedOn == nil {
			s.beds = append(s.beds, bed)
		}
	}
	if s.items, err = readItems(rows.items); err != nil {
		return err
	}
	s.readings, s.fates = map[int64][]store.Reading{}, map[int64][]store.Fate{}
	for _, row := range rows.readings {
		s.readings[row.BedID] = append(s.readings[row.BedID], row)
	}
	for _, row := range rows.fates {
		s.fates[row.PlantingID] = append(s.fates[row.PlantingID], row)
	}
	return nil
}

// addPlace works out where plants stand, the ground they reach, and the soil of each
// bed.
func (g *Garden) addPlace(s *state) error {
	for _, bed := range s.beds {
		here := s.standingIn(bed.ID)
		for i, area := range layOut(s.forms[bed.ID], here) {
			here[i].area, here[i].spots = area, area.plants
		}
	}
	lore := g.lib().Ground()
	s.findGround(lore.Tree)
	s.beliefs = map[int64]map[string]ground.Belief{}
	for _, bed := range s.beds {
		beliefs, err := s.believe(bed, lore.Signs)
		if err != nil {
			return err
		}
		s.beliefs[bed.ID] = beliefs
	}
	return nil
}

// standingIn returns what stands in a bed.
func (s *state) standingIn(bedID int64) []*planting {
	var here []*planting
	for _, p := range s.plantings {
		if p.BedID == bedID {
			here = append(here, p)
		}
	}
	return here
}

// place is all that counts of a bed for a plant that is not there yet, or of the
// plants of one planting where one is given.
func (s *state) place(bed store.Bed, lore library.Ground, lows []float64, of *planting) suitability.Place {
	form := s.forms[bed.ID]
	p := suitability.Place{Ground: s.beliefs[bed.ID], Shelter: float64(s.shelterOf(bed)), Held: s.edgeHeld(bed), Mulched: bed.MulchM >= thickMulchM}
	p.SunHours, _ = s.summerHours(bed)
	offset := s.winterOffset(bed, lore.Offsets)
	p.WinterLows = make([]float64, len(lows))
	for i, low := range lows {
		p.WinterLows[i] = low + offset
	}
	p.RoomM2 = s.roomM2(bed.ID, of)
	if of != nil {
		for _, f := range of.findings {
			if f.ground != "" {
				p.Unsafe = append(p.Unsafe, f.ground)
			}
			if f.tree != nil {
				p.Trees = append(p.Trees, *f.tree)
			}
		}
		return p
	}
	if bed.Unsafe != "" {
		p.Unsafe = append(p.Unsafe, suitability.UnsafeGround(bed.Unsafe))
	}
	region := form.Region()
	for _, it := range s.items {
		if it.Item.Kind.Kind == plan.UnsafeGround && region.Apart(it.Form.Region()) <= it.Item.Traits.Reach(it.Item.Kind) {
			p.Unsafe = append(p.Unsafe, suitability.UnsafeGround(it.Item.Traits.Unsafe))
		}
		tree, known := lore.Tree(it.Item.Traits.Tree)
		if known && form.Shape != plan.Round && region.DistanceTo(it.Form.At) <= s.treeReachM(it, tree) {
			p.Trees = append(p.Trees, tree)
		}
	}
	return p
}

// thickMulchM is how thick mulch has to lie to be of use, in metres: a usual value.
const thickMulchM = 0.05

func (s *state) shelterOf(bed store.Bed) int {
	if i := slices.Index(flora.ShelterWords, bed.Shelter); i >= 0 {
		return i
	}
	return s.sheltered(s.forms[bed.ID])
}

// winterOffset is how much colder, below 0, or warmer a bed's coldest night is
// than the open plot's, in °C.
func (s *state) winterOffset(bed store.Bed, offsets library.Offsets) float64 {
	sum := 0.0
	if bed.FrostHollow != 0 {
		sum += offsets.FrostHollow.Value
	}
	if plan.Shape(bed.Shape) == plan.Round {
		sum += offsets.Pot.Value
	}
	switch {
	case bed.Warmth == "cold":
		sum += offsets.Cold.Value
	case bed.Warmth == "warm" || bed.Warmth == "" && s.warmed(s.forms[bed.ID]):
		sum += offsets.Warm.Value
	}
	return sum
}

// roomM2 is the ground that the plantings of a bed leave free at full size; that
// of one planting counts as free.
func (s *state) roomM2(bedID int64, except *planting) float64 {
	room := s.areaM2(bedID)
	for _, p := range s.standingIn(bedID) {
		if p != except {
			room -= s.wantedM2(p)
		}
	}
	return math.Max(0, room)
}

// wantedM2 is the ground that a planting covers at full size: the area it was
// sown on, or a circle for each plant.
func (s *state) wantedM2(p *planting) float64 {
	if p.AreaM2 != nil {
		return *p.AreaM2
	}
	return suitability.MatureArea(p.species, p.standing())
}

// winterLows are the lowest temperatures of winters as they usually come, in °C.
func (g *Garden) winterLows(s *state) ([]float64, error) {
	g.mu.Lock()
	defer g.mu.Unlock()
	if err := s.sky.climatology(s.season); err != nil {
		return nil, err
	}
	return s.sky.lows, nil
}
