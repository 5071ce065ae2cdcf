package plot

import (
	"math"

	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
)

// Finding is ground that a planting's roots or crown reach: unsafe to pick from,
// or a tree's that poisons others.
type Finding struct {
	// ground is set for unsafe ground, tree for a tree's.
	Ground suitability.UnsafeGround
	Tree   *suitability.Tree
	Where  string
	Plants int
	// ofBed is true where the bed itself lies on it.
	OfBed bool
}

// crownReachM is how far a full-grown plant's crown reaches from its stem, rootReachM
// how far crown or roots do, in metres.
func crownReachM(p *Planting) float64 { return p.Species.Size.Width.Value / 200 }

// RootReachM is how far crown or roots of a full-grown plant reach from its stem, in metres.
func RootReachM(p *Planting) float64 {
	return math.Max(crownReachM(p), p.Species.Site.RootReach.Value/100)
}

// findGround finds the unsafe ground and the poisoning trees that a planting reaches.
func (s *State) findGround(p *Planting, trees func(id string) (suitability.Tree, bool)) {
	p.Findings, p.Ground = nil, ""
	if kind := suitability.UnsafeGround(p.Bed.Unsafe); kind != "" {
		p.Findings = append(p.Findings, Finding{Ground: kind, Where: p.Bed.Name, Plants: len(p.Spots), OfBed: true})
	}
	for _, it := range s.Items {
		switch {
		case it.Item.Kind.Kind == plan.UnsafeGround:
			s.findUnsafe(p, it)
		case it.Item.Traits.Tree != "":
			if tree, known := trees(it.Item.Traits.Tree); known {
				s.findTree(p, it, tree)
			}
		}
	}
	for _, f := range p.Findings {
		if f.Ground != "" {
			p.Ground = f.Ground
			break
		}
	}
}

func (s *State) findUnsafe(p *Planting, it Item) {
	reach := it.Item.Traits.Reach(it.Item.Kind)
	region := it.Form.Region()
	body := RootReachM(p)
	if s.Forms[p.BedID].Shape == plan.Round { // a pot's roots stay in it
		body = crownReachM(p)
	}
	inside := 0
	for _, spot := range p.Spots {
		if region.DistanceTo(spot) <= reach+body {
			inside++
		}
	}
	if inside == 0 {
		return
	}
	kind := suitability.UnsafeGround(it.Item.Traits.Unsafe)
	p.Findings = append(p.Findings, Finding{Ground: kind, Where: ItemName(string(kind), it.Name), Plants: inside})
}

func (s *State) findTree(p *Planting, it Item, tree suitability.Tree) {
	if s.Forms[p.BedID].Shape == plan.Round {
		return // a pot has soil of its own
	}
	reach := s.TreeReachM(it, tree) + p.Species.Site.RootReach.Value/100
	inside := 0
	for _, spot := range p.Spots {
		if spot.Distance(it.Form.At) <= reach {
			inside++
		}
	}
	if inside == 0 {
		return
	}
	p.Findings = append(p.Findings, Finding{Tree: &tree, Where: ItemName(tree.Name, it.Name), Plants: inside})
}

// GoneGround is ground that a planting may have stood on that is gone from the plan.
type GoneGround struct {
	Ground suitability.UnsafeGround
	Where  string
}

// triedSpots is at how many places of a bed it is tried what a planting that is gone may have reached: where each of
// its plants stood is not known any more.
const triedSpots = 60

// UnsafeOnceGone finds the unsafe ground that a planting which is gone from the plan may have reached, wherever in its
// bed it stood: none where there is none, or its bed is gone too.
func (s *State) UnsafeOnceGone(p *Planting) GoneGround {
	if found, known := s.gone.Load(p.ID); known {
		return found.(GoneGround)
	}
	var found GoneGround
	form, stands := s.Forms[p.BedID]
	if stands && !p.Aside {
		tried := *p
		tried.Spots = form.Samples(triedSpots)
		s.findGround(&tried, func(string) (suitability.Tree, bool) { return suitability.Tree{}, false })
		for _, f := range tried.Findings {
			if f.Ground != "" {
				found = GoneGround{f.Ground, f.Where}
				break
			}
		}
	}
	s.gone.Store(p.ID, found)
	return found
}

// TreeReachM is how far a tree's ground reaches from its stem, in metres.
func (s *State) TreeReachM(it Item, tree suitability.Tree) float64 {
	if it.Item.Traits.ReachM != nil {
		return it.Form.Width/2 + *it.Item.Traits.ReachM
	}
	return it.Form.Width/2 + tree.Reach.Value
}
