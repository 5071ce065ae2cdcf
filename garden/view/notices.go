package view

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// groundWords say which ground a planting reaches, with how many of its plants, and why that
// counts.
func groundWords(p *plot.Planting, f plot.Finding) string {
	plants := say.Capital(say.Counted(float64(f.Plants), "plant", "plants"))
	switch {
	case f.OfBed:
		return fmt.Sprintf("%s is unsafe ground (%s): %s.", f.Where, f.Ground, f.Ground.Why())
	case f.Tree != nil:
		return fmt.Sprintf("%s with roots on the ground of %s: %s. %s", plants, f.Where, f.Tree.Why, bearsWords(p, f.Tree.ID))
	}
	return fmt.Sprintf(
		"%s of %s with roots or crown inside %s (%s): %s.",
		plants,
		p.Species.Names.Name,
		f.Where,
		f.Ground,
		f.Ground.Why(),
	)
}

// bearsWords says what is on record of a species under a tree.
func bearsWords(p *plot.Planting, tree string) string {
	name := say.Capital(p.Species.Names.Name)
	for _, id := range p.Species.Site.Bears {
		if id == tree {
			return name + " is known to bear it."
		}
	}
	for _, id := range p.Species.Site.Suffers {
		if id == tree {
			return name + " is known to suffer from it."
		}
	}
	return "Whether " + p.Species.Names.Name + " bears it is not on record here."
}

// GroundNotice is ground that a planting reaches.
type GroundNotice struct {
	Forbids bool   `json:"forbids" doc:"Nothing of the planting is for use"`
	Words   string `json:"words"`
}

// Notices are the unsafe ground and the trees that a planting reaches.
func Notices(p *plot.Planting) []GroundNotice {
	notices := []GroundNotice{}
	for _, f := range p.Findings {
		notices = append(notices, GroundNotice{f.Ground != "", groundWords(p, f)})
	}
	return notices
}

// treeNotices are the notices of poisoning trees: they warn, and forbid nothing.
func treeNotices(p *plot.Planting) []string {
	words := []string{}
	for _, f := range p.Findings {
		if f.Tree != nil {
			words = append(words, groundWords(p, f))
		}
	}
	return words
}

// UnsafeWords says why nothing of a planting is for use.
func UnsafeWords(p *plot.Planting) string {
	for _, f := range p.Findings {
		if f.Ground == "" {
			continue
		}
		words := groundWords(p, f) + " It may grow here, but nothing of it is for use."
		if f.Plants < len(p.Spots) {
			words += " The plants cannot be told apart once they are picked: move those, or make them a planting of their own."
		}
		return words
	}
	return ""
}

// unsafeShort names the unsafe ground in a line.
func unsafeShort(p *plot.Planting) string {
	for _, f := range p.Findings {
		if f.Ground != "" {
			return fmt.Sprintf(
				"Not for use: %s of %s on unsafe ground (%s: %s).",
				say.Counted(float64(f.Plants), "plant", "plants"),
				say.Number(float64(len(p.Spots))),
				f.Where,
				f.Ground,
			)
		}
	}
	return ""
}

// troubleNotices are what to mind of the last look where something is picked.
func troubleNotices(s *plot.State, p *plot.Planting, on calendar.Date) []string {
	var words []string
	found, seen := s.TroublesOf(p, on)
	for _, t := range found {
		if t.Picking != "" {
			words = append(words, fmt.Sprintf("Seen on %s: %s. %s", seen.Day.DayMonth(), t.Mark, t.Picking))
		}
	}
	return words
}
