package garden

import (
	"math"

	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
)

// finding is ground that a planting's roots or crown reach: unsafe to pick from,
// or a tree's that poisons others.
type finding struct {
	// ground is set for unsafe ground, tree for a tree's.
	ground suitability.UnsafeGround
	tree   *suitability.Tree
	where  string
	plants int
	// ofBed is true where the bed itself lies on it.
	ofBed bool
}

// crownReachM is how far a full-grown plant's crown reaches from its stem, rootReachM
// how far crown or roots do, in metres.
func crownReachM(p *planting) float64 { return p.species.Size.Width.Value / 200 }

func rootReachM(p *planting) float64 {
	return math.Max(crownReachM(p), p.species.Site.RootReach.Value/100)
}

// findGround finds the unsafe ground and the poisoning trees of every planting.
func (s *state) findGround(trees func(id string) (suitability.Tree, bool)) {
	for _, p := range s.plantings {
		p.findings = nil
		if kind := suitability.UnsafeGround(p.bed.Unsafe); kind != "" {
			p.findings = append(p.findings, finding{
				ground: kind, where: p.bed.Name, plants: len(p.spots), ofBed: true,
			})
		}
		for _, it := range s.items {
			switch {
			case it.Item.Kind.Kind == plan.UnsafeGround:
				s.findUnsafe(p, it)
			case it.Item.Traits.Tree != "":
				if tree, known := trees(it.Item.Traits.Tree); known {
					s.findTree(p, it, tree)
				}
			}
		}
		for _, f := range p.findings {
			if f.ground != "" {
				p.ground = f.ground
				break
			}
		}
	}
}

func (s *state) findUnsafe(p *planting, it item) {
	reach := it.Item.Traits.Reach(it.Item.Kind)
	region := it.Form.Region()
	body := rootReachM(p)
	if s.forms[p.BedID].Shape == plan.Round { // a pot's roots stay in it
		body = crownReachM(p)
	}
	inside := 0
	for _, spot := range p.spots {
		if region.DistanceTo(spot) <= reach+body {
			inside++
		}
	}
	if inside == 0 {
		return
	}
	kind := suitability.UnsafeGround(it.Item.Traits.Unsafe)
	p.findings = append(p.findings, finding{ground: kind, where: itemName(string(kind), it.Name), plants: inside})
}

func (s *state) findTree(p *planting, it item, tree suitability.Tree) {
	if s.forms[p.BedID].Shape == plan.Round {
		return // a pot has soil of its own
	}
	reach := s.treeReachM(it, tree) + p.species.Site.RootReach.Value/100
	inside := 0
	for _, spot := range p.spots {
		if spot.Distance(it.Form.At) <= reach {
			inside++
		}
	}
	if inside == 0 {
		return
	}
	p.findings = append(p.findings, finding{tree: &tree, where: itemName(tree.Name, it.Name), plants: inside})
}

func (s *state) treeReachM(it item, tree suitability.Tree) float64 {
	if it.Item.Traits.ReachM != nil {
		return it.Form.Width/2 + *it.Item.Traits.ReachM
	}
	return it.Form.Width/2 + tree.Reach.Value
}
