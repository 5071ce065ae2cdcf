package spread

import (
	"fmt"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/spread"
	"bramblyacre/garden/plot"
)

// target is a piece of ground that may be reached, with how it is named.
type target struct {
	spread.Target
	// Key names it for good: edge, neighbour, bed:3, item:5.
	Key string
	// Where says where something is that has reached it: "under the Fence path".
	Where string
	// BedID is the bed that it is; 0 for none.
	BedID int64
}

// The keys of targets that every stand has.
const (
	edgeKey      = "edge"
	neighbourKey = "neighbour"
)

func bedKey(id int64) string  { return fmt.Sprintf("bed:%d", id) }
func itemKey(id int64) string { return fmt.Sprintf("item:%d", id) }

// ground is the plot as what spreads meets it.
type ground struct {
	terrain *spread.Terrain
	targets []target // all but a stand's own edge
}

// groundOf lays out the plot's ground.
func groundOf(s *plot.State) (*ground, error) {
	grid, err := spread.GridAround(s.Boundary)
	if err != nil {
		return nil, err
	}
	beds := make([]spread.BedGround, len(s.Beds))
	for i, bed := range s.Beds {
		beds[i] = spread.BedGround{Name: bedKey(bed.ID), Region: s.Forms[bed.ID].Region(), Held: s.EdgeHeld(bed)}
	}
	things := make([]spread.Thing, len(s.Items))
	for i, it := range s.Items {
		things[i] = spread.Thing{Name: itemKey(it.ID), Item: it.Item}
	}
	g := &ground{terrain: spread.NewTerrain(grid, s.Boundary, beds, things)}
	for _, bed := range s.Beds {
		g.add(bedKey(bed.ID), "into "+bed.Name, bed.ID, grid.Within(s.Forms[bed.ID].Region()))
	}
	for _, it := range s.Items {
		if where, has := whereWords(it); has {
			cells := grid.Within(it.Form.Region())
			if it.Form.Shape == plan.Line {
				cells = append(cells, grid.Along(it.Form.Path())...)
			}
			g.add(itemKey(it.ID), where, 0, cells)
		}
	}
	var beyond []int32
	for cell, within := range g.terrain.Within {
		if !within {
			beyond = append(beyond, int32(cell))
		}
	}
	g.add(neighbourKey, "beyond the boundary", 0, beyond)
	return g, nil
}

func (g *ground) add(key, where string, bed int64, cells []int32) {
	if len(cells) > 0 {
		g.targets = append(g.targets, target{spread.Target{Name: key, Cells: cells}, key, where, bed})
	}
}

// whereWords say where something is that has reached a thing; false for things that nothing reaches, or whose ground is
// told by another.
func whereWords(it plot.Item) (string, bool) {
	name := plot.ItemName(it.PlanItem.Kind, it.PlanItem.Name)
	if it.PlanItem.Name != "" {
		name = "the " + name
	}
	switch it.Item.Kind.Kind {
	case plan.Path:
		return "under " + name, true
	case plan.Lawn, plan.Wild, plan.Hedge:
		return "into " + name, true
	case plan.Fence, plan.Wall:
		return "at " + name, true
	}
	return "", false
}

// nearest is the place among cells that lies nearest to some spots.
func (g *ground) nearest(cells []int32, spots []geometry.Point) geometry.Point {
	best, at := -1.0, geometry.Point{}
	for _, cell := range cells {
		middle := g.terrain.Grid.Middle(int(cell))
		for _, spot := range spots {
			if d := middle.Distance(spot); best < 0 || d < best {
				best, at = d, middle
			}
		}
	}
	return at
}
