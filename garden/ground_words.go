package garden

import "fmt"

// groundWords say which ground a planting reaches, with how many of its plants, and why that
// counts.
func (p *planting) groundWords(f finding) string {
	plants := capital(counted(float64(f.plants), "plant", "plants"))
	switch {
	case f.ofBed:
		return fmt.Sprintf("%s is unsafe ground (%s): %s.", f.where, f.ground, f.ground.Why())
	case f.tree != nil:
		return fmt.Sprintf("%s with roots on the ground of %s: %s. %s", plants, f.where, f.tree.Why, bearsWords(p, f.tree.ID))
	}
	return fmt.Sprintf("%s of %s with roots or crown inside %s (%s): %s.", plants, p.species.Names.Name, f.where, f.ground, f.ground.Why())
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
		notices = append(notices, GroundNotice{f.ground != "", p.groundWords(f)})
	}
	return notices
}

// treeNotices are the notices of poisoning trees: they warn, and forbid nothing.
func (p *planting) treeNotices() []string {
	words := []string{}
	for _, f := range p.findings {
		if f.tree != nil {
			words = append(words, p.groundWords(f))
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
		words := p.groundWords(f) + " It may grow here, but nothing of it is for use."
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
