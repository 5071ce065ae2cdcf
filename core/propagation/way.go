package propagation

import "bramblyacre/core/flora"

// Deed is what is done to begin with in a way of making more.
type Deed string

// The deeds.
const (
	Sow    Deed = "sow"
	Lift   Deed = "lift"
	Divide Deed = "divide"
	Strike Deed = "strike"
	Peg    Deed = "peg down"
	Set    Deed = "set"
	Graft  Deed = "graft"
	Buy    Deed = "buy"
)

// WayRow is what a way of making more asks for, whatever the plant.
type WayRow struct {
	Way  string
	Deed Deed
	// Origin is what plants of it come from.
	Origin flora.Origin
	// Mother tells that pieces are taken from a plant that stands, Grown that she must have stood
	// a year.
	Mother, Grown bool
	// Cover tells that pieces root under cover, in a warm bed or a house.
	Cover bool
	// OpenRain tells that pieces are set into the open, and wait there for a soaking rain.
	OpenRain bool
}

var wayRows = []WayRow{
	{Way: "seed", Deed: Sow, Origin: flora.FromSeed},
	{Way: "volunteers", Deed: Lift, Origin: flora.FromVolunteer},
	{Way: "division", Deed: Divide, Origin: flora.FromDivision, Mother: true, Grown: true},
	{Way: "root piece", Deed: Set, Origin: flora.FromDivision, Mother: true, Grown: true},
	{Way: "runner", Deed: Lift, Origin: flora.FromDivision, Mother: true},
	{Way: "sucker", Deed: Lift, Origin: flora.FromDivision, Mother: true, Grown: true},
	{Way: "layer", Deed: Peg, Origin: flora.FromCutting, Mother: true, Grown: true},
	{Way: "bulb", Deed: Set, Origin: flora.FromDivision, Mother: true, Grown: true},
	{Way: "softwood cutting", Deed: Strike, Origin: flora.FromCutting, Mother: true, Cover: true},
	{Way: "half-ripe cutting", Deed: Strike, Origin: flora.FromCutting, Mother: true, Cover: true},
	{Way: "hardwood cutting", Deed: Strike, Origin: flora.FromCutting, Mother: true, Grown: true, OpenRain: true},
	{Way: "leaf cutting", Deed: Strike, Origin: flora.FromCutting, Mother: true, Cover: true},
	{Way: "root cutting", Deed: Strike, Origin: flora.FromCutting, Mother: true, Grown: true, Cover: true},
	{Way: "graft", Deed: Graft, Origin: flora.FromCutting, Mother: true, Grown: true},
	{Way: "bought", Deed: Buy, Origin: flora.FromBought},
}

// WayOf returns what a way asks for, and whether there is such a way.
func WayOf(way string) (WayRow, bool) {
	for _, row := range wayRows {
		if row.Way == way {
			return row, true
		}
	}
	return WayRow{}, false
}
