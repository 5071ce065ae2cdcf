package plan

import (
	"cmp"
	"math"
	"slices"

	"bramblyacre/core/geometry"
)

// Stand is what stands in a bed, as its ground is shared out.
type Stand struct {
	// WantM2 is the ground that it covers full-grown, in m².
	WantM2 float64
	Plants int
}

// Area is the part of a bed that a stand has, on the plan.
type Area struct {
	Outline geometry.Polygon
	Middle  geometry.Point
	// Width and Depth are the outline's sides, along and across the bed, in metres.
	Width, Depth float64
	Plants       []geometry.Point
}

// mostDrawn is how many plants of one stand are drawn one by one.
const mostDrawn = 80

// LayOut shares a bed out among its stands, by the ground that they want full-grown, along
// its longer side or round its ring, and sets each one's plants evenly.
func (f Form) LayOut(stands []Stand) []Area {
	areas := make([]Area, len(stands))
	for i, outline := range shareOut(f, sharesOf(stands)) {
		low, high := outline.Bounds()
		area := Area{Width: high.X - low.X, Depth: high.Y - low.Y}
		n := min(stands[i].Plants, mostDrawn)
		if f.Shape == Rectangle {
			area.Plants = rows(low, area.Width, area.Depth, n)
		} else {
			area.Plants = scatter(outline, n)
		}
		area.Middle = f.OnPlan(handle(outline, area.Plants))
		area.Outline = outline.Turned(f.Turn).Moved(f.At)
		for j, plant := range area.Plants {
			area.Plants[j] = f.OnPlan(plant)
		}
		areas[i] = area
	}
	return areas
}

// handle is where a piece of a bed is taken hold of: its middle, or where that
// lies outside, as round a ring, the plant nearest to it.
func handle(outline geometry.Polygon, plants []geometry.Point) geometry.Point {
	middle := outline.Middle()
	if outline.Contains(middle) || len(plants) == 0 {
		return middle
	}
	return slices.MinFunc(
		plants,
		func(a, b geometry.Point) int { return cmp.Compare(a.Distance(middle), b.Distance(middle)) },
	)
}

// sharesOf is each stand's share of the bed. A small one still gets room enough to be seen
// and touched.
func sharesOf(stands []Stand) []float64 {
	const leastShare = 0.08
	shares := make([]float64, len(stands))
	total := 0.0
	for _, stand := range stands {
		total += stand.WantM2
	}
	sum := 0.0
	for i, stand := range stands {
		shares[i] = math.Max(stand.WantM2, leastShare*total)
		sum += shares[i]
	}
	for i := range shares {
		shares[i] /= sum
	}
	return shares
}

// shareOut cuts a form's ground into pieces of given shares, about its own middle
// before its turn.
func shareOut(form Form, shares []float64) []geometry.Polygon {
	region := form.Local()
	if form.Shape == Ring {
		return sectors(form, shares)
	}
	ground := region.Areas[0]
	low, high := ground.Bounds()
	along, from, until := geometry.Point{X: 1}, low.X, high.X
	if high.Y-low.Y > high.X-low.X {
		along, from, until = geometry.Point{Y: 1}, low.Y, high.Y
	}
	pieces := make([]geometry.Polygon, len(shares))
	whole, at, sum := ground.Area(), from, 0.0
	for i, share := range shares {
		sum += share
		end := until
		if i < len(shares)-1 {
			end = cutAt(ground, along, at, until, from, sum*whole)
		}
		pieces[i] = ground.Slab(along, at, end)
		at = end
	}
	return pieces
}

// cutAt finds how far along the ground an area lies, by halving.
func cutAt(ground geometry.Polygon, along geometry.Point, low, high, from, area float64) float64 {
	for range 50 {
		middle := (low + high) / 2
		if ground.Slab(along, from, middle).Area() < area {
			low = middle
		} else {
			high = middle
		}
	}
	return (low + high) / 2
}

// sectors cuts a ring into pieces round its hole.
func sectors(form Form, shares []float64) []geometry.Polygon {
	const steps = 48
	pieces := make([]geometry.Polygon, len(shares))
	at := 0.0
	for i, share := range shares {
		n := max(2, int(math.Ceil(steps*share)))
		var outer, inner geometry.Polygon
		for k := range n + 1 {
			edge := geometry.Point{X: 1}.Turned(360 * (at + share*float64(k)/float64(n)))
			outer = append(outer, edge.Times(form.Width/2))
			inner = append(inner, edge.Times(form.Inner/2))
		}
		piece := outer
		for k := len(inner) - 1; k >= 0; k-- {
			piece = append(piece, inner[k])
		}
		pieces[i] = piece
		at += share
	}
	return pieces
}

// rows sets n plants in a rectangle in as square a pattern as its shape allows.
func rows(corner geometry.Point, width, depth float64, n int) []geometry.Point {
	spots := []geometry.Point{}
	if n <= 0 || width <= 0 || depth <= 0 {
		return spots
	}
	columns := max(1, min(n, int(math.Ceil(math.Sqrt(float64(n)*width/depth)))))
	lines := (n + columns - 1) / columns
	for i := range n {
		line := i / columns
		inLine := min(columns, n-line*columns)
		spots = append(spots, geometry.Point{
			X: corner.X + width*(float64(i%columns)+0.5)/float64(inLine),
			Y: corner.Y + depth*(float64(line)+0.5)/float64(lines),
		})
	}
	return spots
}

// scatter sets n plants evenly inside an outline: on a grid just fine enough.
func scatter(outline geometry.Polygon, n int) []geometry.Point {
	spots := []geometry.Point{}
	area := outline.Area()
	if n <= 0 || area <= 0 {
		return spots
	}
	low, high := outline.Bounds()
	for spacing := math.Sqrt(area / float64(n)); ; spacing *= 0.93 {
		spots = spots[:0]
		for y := low.Y + spacing/2; y < high.Y; y += spacing {
			for x := low.X + spacing/2; x < high.X; x += spacing {
				if at := (geometry.Point{X: x, Y: y}); outline.Contains(at) {
					spots = append(spots, at)
				}
			}
		}
		if len(spots) >= n {
			break
		}
	}
	even := make([]geometry.Point, n)
	for i := range even {
		even[i] = spots[i*len(spots)/n]
	}
	return even
}
