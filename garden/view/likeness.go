package view

import (
	"slices"
	"strings"

	"bramblyacre/core/flora"
)

// Likeness is what a drawing of a species follows: how it stands, its leaf, flower and fruit. It
// holds the first state of each character, which is the commonest one of the species.
type Likeness struct {
	ID    string `json:"id"`
	Habit string `json:"habit" enum:"tree,bush,climber,pads,broom,blades,rosette,mat,upright"`
	// Order is how leaves stand, Leaf how one is built or shaped, LeafSize its length from 1 to 5.
	Order    string  `json:"order" enum:"alternate,opposite,whorled,basal"`
	Leaf     string  `json:"leaf"`
	Edge     string  `json:"edge"`
	LeafSize int     `json:"leafSize" doc:"1 for less than 1 cm to 5 for more than 30 cm"`
	Stalked  bool    `json:"stalked" doc:"Its leaves stand on stalks"`
	Height   float64 `json:"height" doc:"cm"`
	Pale     bool    `json:"pale" doc:"Grey or white with hairs"`
	// Group is how flowers stand, Form what one is like, FlowerSize its width from 1 to 4.
	Group      string `json:"group"`
	Form       string `json:"form"`
	Petals     int    `json:"petals" doc:"0 where there are none to count"`
	Colour     string `json:"colour"`
	FlowerSize int    `json:"flowerSize" doc:"1 for less than 5 mm to 4 for more than 30 mm"`
	// Fruit is its kind, FruitSet how fruits stand.
	Fruit       string `json:"fruit"`
	FruitColour string `json:"fruitColour"`
	FruitSet    string `json:"fruitSet"`
	// BeforeLeaf is true where it flowers without leaves, Evergreen where leaves stay all winter,
	// Woody where its stems do, Annual where nothing does.
	BeforeLeaf bool `json:"beforeLeaf"`
	Evergreen  bool `json:"evergreen"`
	Woody      bool `json:"woody"`
	Annual     bool `json:"annual"`
}

// LikenessOf is what a drawing of a species follows.
func LikenessOf(s *flora.Species) Likeness {
	first := func(character, otherwise string) string {
		if states := s.Identity.Shows[character]; len(states) > 0 {
			return states[0]
		}
		return otherwise
	}
	l := Likeness{
		ID:          s.ID,
		Order:       first("leaf-order", "alternate"),
		Leaf:        leafDrawn(first("leaf-build", "whole"), first("leaf-shape", "egg")),
		Edge:        first("leaf-margin", "smooth"),
		LeafSize:    1 + slices.Index(leafLengths, first("leaf-length", "middling")),
		Pale:        isPale(first("leaf-surface", ""), first("leaf-underside", "")),
		Stalked:     strings.HasPrefix(first("leaf-base", ""), "stalk-"),
		Height:      s.Size.Height.Value,
		Group:       first("flower-group", "few"),
		Form:        first("flower-form", "open"),
		Petals:      petalsDrawn[first("flower-parts", "five")],
		Colour:      first("flower-colour", "green"),
		FlowerSize:  1 + slices.Index(flowerWidths, first("flower-width", "small")),
		Fruit:       first("fruit", "nut"),
		FruitColour: first("fruit-colour", "brown"),
		FruitSet:    first("fruit-set", ""),
		BeforeLeaf:  first("leaf-and-flower", "together") != "together",
		Evergreen:   s.Life.KeepsLeaf,
		Woody:       s.Life.Habit == "tree" || s.Life.Habit == "shrub",
		Annual:      s.Life.Form == flora.Annual,
	}
	if l.Order == "tufted" || l.Order == "leafless" {
		l.Order = "basal"
	}
	l.Habit = habitDrawn(s, l)
	return l
}

// The states of length and width, the least first.
var (
	leafLengths  = []string{"tiny", "small", "middling", "long", "huge"}
	flowerWidths = []string{"tiny", "small", "middling", "large"}
)

var petalsDrawn = map[string]int{"three": 3, "four": 4, "five": 5, "six": 6, "many": 9}

// leafDrawn is the shape of a whole leaf, or else how a leaf is divided.
func leafDrawn(build, shape string) string {
	switch build {
	case "whole":
		switch shape {
		case "sword":
			return "line"
		case "kidney":
			return "round"
		case "diamond":
			return "egg"
		}
		return shape
	case "twice-three":
		return "three"
	case "twice-feather":
		return "fern"
	case "pad":
		return "none"
	}
	return build
}

func isPale(surface, underside string) bool {
	return surface == "woolly" || surface == "waxy" && underside == "grey" || surface == "downy" && underside == "white"
}

// habitDrawn is how a species stands. Wood and climbing come before what a young plant looks like.
func habitDrawn(s *flora.Species, l Likeness) string {
	growth := s.Identity.Shows["growth"]
	build := s.Identity.Shows["leaf-build"]
	grows := func(state string) bool { return slices.Contains(growth, state) }
	mostly := ""
	if len(growth) > 0 {
		mostly = growth[0]
	}
	grassy := slices.Contains(s.Identity.Shows["leaf-veins"], "side-by-side")
	switch {
	case slices.Contains(build, "pad"):
		return "pads"
	case slices.Contains(build, "scale"):
		return "broom"
	case s.Life.Habit == "tree":
		return "tree"
	case s.Life.Habit == "climber":
		return "climber"
	case s.Life.Habit == "shrub" && mostly == "mat":
		return "mat"
	case s.Life.Habit == "shrub":
		return "bush"
	case l.Leaf == "line" && (l.Order == "basal" || mostly == "clump" && grassy):
		return "blades"
	case (mostly == "mat" || mostly == "sprawling") && (grows("sprawling") || !grows("upright")):
		return "mat"
	case mostly == "twining":
		return "climber"
	case l.Order == "basal" || mostly == "rosette" && len(growth) == 1:
		return "rosette"
	}
	return "upright"
}
