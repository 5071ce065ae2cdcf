package plan

import "fmt"

// Kind is what a thing on the plan is, other than a bed.
type Kind string

// The kinds.
const (
	Wall         Kind = "wall"
	Fence        Kind = "fence"
	Hedge        Kind = "hedge"
	Building     Kind = "building"
	Tree         Kind = "tree"
	Path         Kind = "path"
	Lawn         Kind = "lawn"
	Wild         Kind = "wild ground"
	Pond         Kind = "pond"
	Stream       Kind = "stream"
	Overflow     Kind = "overflow"
	Slope        Kind = "slope"
	UnsafeGround Kind = "unsafe ground"
	Barrier      Kind = "root barrier"
)

// Shade is how a kind keeps out the sun.
type Shade int

// The shades.
const (
	NoShade Shade = iota
	// Solid shade reaches from the ground to the height.
	Solid
	// Crown shade is a crown above a trunk.
	Crown
)

// Trait is something that a kind of thing has besides its place.
type Trait string

// The traits.
const (
	Height      Trait = "height"
	CrownBase   Trait = "crown base"
	LeafSeason  Trait = "leaf season"
	TreeSpecies Trait = "tree"
	LetsThrough Trait = "lets through"
	Reach       Trait = "reach"
	Unsafe      Trait = "unsafe"
	Fall        Trait = "fall"
	Faces       Trait = "faces"
	Depth       Trait = "depth"
)

// KindRow says what a kind of thing is, and what has to be known of it.
type KindRow struct {
	Kind   Kind
	Shapes []Shape
	Shade  Shade
	// Needs and Takes are the traits that must and that may be given.
	Needs, Takes []Trait
	// Water is true for what wets the ground beside it.
	Water bool
	// Means says what the computation makes of it.
	Means string
}

var kindRows = []KindRow{
	{
		Kind:   Wall,
		Shapes: []Shape{Line},
		Shade:  Solid,
		Needs:  []Trait{Height},
		Means:  "Casts shade, shelters, warms what stands before its sunny side.",
	},
	{
		Kind:   Fence,
		Shapes: []Shape{Line},
		Shade:  Solid,
		Needs:  []Trait{Height},
		Takes:  []Trait{LetsThrough},
		Means:  "Casts shade and shelters; gaps let some light through.",
	},
	{
		Kind:   Hedge,
		Shapes: []Shape{Line, Polygon},
		Shade:  Solid,
		Needs:  []Trait{Height, LeafSeason},
		Takes:  []Trait{LetsThrough},
		Means:  "Casts shade and shelters, less when it is bare.",
	},
	{
		Kind:   Building,
		Shapes: []Shape{Rectangle, Polygon},
		Shade:  Solid,
		Needs:  []Trait{Height},
		Means:  "Casts shade, shelters, warms what stands before its sunny side.",
	},
	{
		Kind:   Tree,
		Shapes: []Shape{Round},
		Shade:  Crown,
		Needs:  []Trait{Height, LeafSeason},
		Takes:  []Trait{CrownBase, TreeSpecies, Reach, LetsThrough},
		Means:  "Casts a crown's shade; some poison the ground.",
	},
	{
		Kind:   Path,
		Shapes: []Shape{Line, Polygon, Rectangle},
		Means:  "Lies next to beds; runners are seen on it.",
	},
	{Kind: Lawn, Shapes: []Shape{Polygon, Rectangle}, Means: "Grass creeps in from it, runners out into it."},
	{Kind: Wild, Shapes: []Shape{Polygon, Rectangle}, Means: "Seed and runners come from it."},
	{
		Kind:   Pond,
		Shapes: []Shape{Round, Polygon},
		Takes:  []Trait{Reach},
		Water:  true,
		Means:  "Wets the ground within its reach.",
	},
	{Kind: Stream, Shapes: []Shape{Line}, Takes: []Trait{Reach}, Water: true, Means: "Wets the ground within its reach."},
	{
		Kind:   Overflow,
		Shapes: []Shape{Round},
		Takes:  []Trait{Reach},
		Water:  true,
		Means:  "Wets the ground within its reach whenever the butt runs over.",
	},
	{
		Kind:   Slope,
		Shapes: []Shape{Rectangle, Polygon},
		Needs:  []Trait{Fall, Faces},
		Means:  "Tilts the ground to the sun or away from it.",
	},
	{
		Kind:   UnsafeGround,
		Shapes: []Shape{Line, Round, Polygon, Rectangle},
		Needs:  []Trait{Unsafe},
		Takes:  []Trait{Reach},
		Means:  "Forbids use of all whose roots or crown lie inside, never the growing.",
	},
	{
		Kind:   Barrier,
		Shapes: []Shape{Line},
		Needs:  []Trait{Depth},
		Means:  "A board or sheet sunk into the ground: holds runners that do not go below it, never seed.",
	},
}

// Kinds lists every kind of thing.
func Kinds() []KindRow { return append([]KindRow(nil), kindRows...) }

// KindOf returns a kind's row by its word, or an error.
func KindOf(word string) (KindRow, error) {
	for _, row := range kindRows {
		if string(row.Kind) == word {
			return row, nil
		}
	}
	return KindRow{}, fmt.Errorf("%q is not a thing that the plan knows", word)
}

// Has tells whether a kind needs or takes a trait.
func (k KindRow) Has(trait Trait) bool {
	for _, list := range [][]Trait{k.Needs, k.Takes} {
		for _, t := range list {
			if t == trait {
				return true
			}
		}
	}
	return false
}

// MayBe tells whether a kind may have a shape.
func (k KindRow) MayBe(shape Shape) bool {
	for _, s := range k.Shapes {
		if s == shape {
			return true
		}
	}
	return false
}
