package spread

import (
	"math"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
)

// Ground is what a cell is for what spreads over it.
type Ground uint8

// The grounds. Sealed is a building, or water: nothing grows through it.
const (
	Open Ground = iota
	Bed
	Lawn
	Path
	Wild
	Hedge
	Sealed
	grounds
)

// EdgeKind is a kind of edge that may hold what runs.
type EdgeKind string

// The kinds. A held edge is that of a pot, or of a bed that its grower says is held; a sunk one a board or sheet in the
// ground.
const (
	WallEdge EdgeKind = "wall"
	PathEdge EdgeKind = "path"
	LawnEdge EdgeKind = "lawn"
	HeldEdge EdgeKind = "held"
	SunkEdge EdgeKind = "sunk"
)

// Edge is a piece of ground that a front may find no way through.
type Edge struct {
	// Name tells it from all others, and is what its luck is drawn by.
	Name  string
	Kind  EdgeKind
	Cells []int32
	// WidthM is how broad a path or lawn is, DepthCm how deep a sunk edge goes.
	WidthM, DepthCm float64
}

// BedGround is a bed as ground.
type BedGround struct {
	Name   string
	Region geometry.Region
	Held   bool
}

// Thing is a thing on the plan, under a name that no other has.
type Thing struct {
	Name string
	plan.Item
}

// Terrain is the ground that fronts and seed meet.
type Terrain struct {
	Grid   Grid
	Ground []Ground
	// BedOf is the bed of each cell by its place in the list it was made of, −1 for none; Within tells whether a cell lies
	// in the plot.
	BedOf  []int16
	Within []bool
	Edges  []Edge
	beds   int
}

// order is the order in which things are laid over each other, the last on top.
var order = []plan.Kind{plan.Wild, plan.Lawn, plan.Hedge, plan.Path}

// groundOf is what a kind of thing makes of its ground; false for one that changes nothing there.
func groundOf(kind plan.Kind) (Ground, bool) {
	switch kind {
	case plan.Wild:
		return Wild, true
	case plan.Lawn:
		return Lawn, true
	case plan.Hedge:
		return Hedge, true
	case plan.Path:
		return Path, true
	case plan.Building, plan.Pond, plan.Stream:
		return Sealed, true
	}
	return Open, false
}

// NewTerrain lays beds and things over the plot's cells.
func NewTerrain(g Grid, boundary geometry.Polygon, beds []BedGround, things []Thing) *Terrain {
	t := &Terrain{
		Grid: g, Ground: make([]Ground, g.Cells()), BedOf: make([]int16, g.Cells()), Within: make([]bool, g.Cells()),
		beds: len(beds),
	}
	for _, cell := range g.Within(geometry.Region{Areas: []geometry.Polygon{boundary}}) {
		t.Within[cell] = true
	}
	for i := range t.BedOf {
		t.BedOf[i] = -1
	}
	lay := func(thing Thing, cells []int32) {
		if ground, has := groundOf(thing.Kind.Kind); has {
			for _, cell := range cells {
				t.Ground[cell] = ground
			}
		}
	}
	for _, kind := range order {
		for _, thing := range things {
			if thing.Kind.Kind == kind {
				lay(thing, t.groundCells(thing))
			}
		}
	}
	for i, bed := range beds {
		for _, cell := range g.Within(bed.Region) {
			t.Ground[cell], t.BedOf[cell] = Bed, int16(i)
		}
	}
	for _, thing := range things {
		if ground, has := groundOf(thing.Kind.Kind); has && ground == Sealed {
			lay(thing, t.groundCells(thing))
		}
	}
	t.addEdges(beds, things)
	return t
}

// groundCells are the cells of a thing's ground: of a line also those that it crosses, so that a narrow one has no
// gaps.
func (t *Terrain) groundCells(thing Thing) []int32 {
	cells := t.Grid.Within(thing.Form.Region())
	if thing.Form.Shape == plan.Line {
		cells = append(cells, t.Grid.Along(thing.Form.Path())...)
		slices.Sort(cells)
		cells = slices.Compact(cells)
	}
	return cells
}

func (t *Terrain) addEdges(beds []BedGround, things []Thing) {
	for _, thing := range things {
		edge := Edge{Name: thing.Name}
		switch thing.Kind.Kind {
		case plan.Wall:
			edge.Kind, edge.Cells = WallEdge, t.Grid.Near(thing.Form.Region(), t.Grid.Step/2)
		case plan.Barrier:
			edge.Kind, edge.Cells = SunkEdge, t.Grid.Along(thing.Form.Path())
			edge.DepthCm = 100 * thing.Traits.DepthM
		case plan.Path:
			edge.Kind, edge.Cells, edge.WidthM = PathEdge, t.still(t.groundCells(thing), Path), breadth(thing.Form)
		case plan.Lawn:
			edge.Kind, edge.Cells, edge.WidthM = LawnEdge, t.still(t.groundCells(thing), Lawn), breadth(thing.Form)
		default:
			continue
		}
		t.Edges = append(t.Edges, edge)
	}
	for _, bed := range beds {
		if !bed.Held {
			continue
		}
		edge := Edge{Name: "held " + bed.Name, Kind: HeldEdge}
		for _, outline := range append(slices.Clone(bed.Region.Areas), bed.Region.Hole) {
			if len(outline) > 0 {
				edge.Cells = append(edge.Cells, t.Grid.Along(append(slices.Clone(outline), outline[0]))...)
			}
		}
		t.Edges = append(t.Edges, edge)
	}
}

// still are those of some cells that are a ground: nothing was laid over them.
func (t *Terrain) still(cells []int32, ground Ground) []int32 {
	return slices.DeleteFunc(cells, func(cell int32) bool { return t.Ground[cell] != ground })
}

// breadth is how broad a thing is in metres where it is narrowest.
func breadth(f plan.Form) float64 {
	if f.Shape == plan.Line {
		return f.Width
	}
	low, high := f.Local().Bounds()
	return math.Min(high.X-low.X, high.Y-low.Y)
}

// speeds are how fast a front is on each cell; poor are the beds that do not suit its kind, by their place.
func (t *Terrain) speeds(lore GroundLore, poor []bool) Speed {
	of := [grounds]flora.Figure{
		Open:  lore.Open,
		Bed:   lore.Bed,
		Lawn:  lore.Lawn,
		Path:  lore.Path,
		Wild:  lore.Wild,
		Hedge: lore.Hedge,
	}
	speed := make(Speed, len(t.Ground))
	for i, ground := range t.Ground {
		speed[i] = float32(of[ground].Value)
		if bed := t.BedOf[i]; bed >= 0 && ground == Bed && poor[bed] {
			speed[i] *= float32(lore.Poor.Value)
		}
	}
	return speed
}
