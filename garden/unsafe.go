package garden

import (
	"fmt"
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
	words  string
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
				ground: kind, where: p.bed.Name, plants: len(p.spots),
				words: fmt.Sprintf("%s is unsafe ground (%s): %s.", p.bed.Name, kind, kind.Why()),
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
	name := itemName(string(kind), it.Name)
	p.findings = append(p.findings, finding{
		ground: kind, where: name, plants: inside,
		words: fmt.Sprintf("%s of %s with roots or crown inside %s (%s): %s.", capital(counted(float64(inside), "plant", "plants")), p.species.Names.Name, name, kind, kind.Why()),
	})
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
	p.findings = append(p.findings, finding{
		tree: &tree, where: itemName(tree.Name, it.Name), plants: inside,
		words: fmt.Sprintf("%s with roots on the ground of %s: %s. %s", capital(counted(float64(inside), "plant", "plants")), itemName(tree.Name, it.Name), tree.Why, bearsWords(p, tree.ID)),
	})
}

func (s *state) treeReachM(it item, tree suitability.Tree) float64 {
	if it.Item.Traits.ReachM != nil {
		return it.Form.Width/2 + *it.Item.Traits.ReachM
	}
	return it.Form.Width/2 + tree.Reach.Value
}

// bearsWords says what is on record of a species under a tree.
func bearsWords(p *planting, tree string) string {
	name := capital(p.species.Names.Name)
	for _, id := range p.species.Site.Bears {
		if id == tree {
			return name + " is known to bear it."
		}
	}
	for _, id := range p.species.Site.Suffers {
		if id == tree {
			return name + " is known to suffer from it."
		}
	}
	return "Whether " + p.species.Names.Name + " bears it is not on record here."
}

// GroundNotice is ground that a planting reaches.
type GroundNotice struct {
	Forbids bool   `json:"forbids" doc:"Nothing of the planting is for use"`
	Words   string `json:"words"`
}

func (p *planting) notices() []GroundNotice {
	notices := []GroundNotice{}
	for _, f := range p.findings {
		notices = append(notices, GroundNotice{f.ground != "", f.words})
	}
	return notices
}

// treeNotices are the notices of poisoning trees: they warn, and forbid nothing.
func (p *planting) treeNotices() []string {
	words := []string{}
	for _, f := range p.findings {
		if f.tree != nil {
			words = append(words, f.words)
		}
	}
	return words
}

// unsafeWords says why nothing of a planting is for use.
func (p *planting) unsafeWords() string {
	for _, f := range p.findings {
		if f.ground == "" {
			continue
		}
		words := f.words + " It may grow here, but nothing of it is for use."
		if f.plants < len(p.spots) {
			words += " The plants cannot be told apart once they are picked: move those, or make them a planting of their own."
		}
		return words
	}
	return ""
}

// unsafeShort names the unsafe ground in a line.
func (p *planting) unsafeShort() string {
	for _, f := range p.findings {
		if f.ground != "" {
			return fmt.Sprintf("Not for use: %s of %s on unsafe ground (%s: %s).", counted(float64(f.plants), "plant", "plants"), number(float64(len(p.spots))), f.where, f.ground)
		}
	}
	return ""
}
