package garden

import (
	"math"

	"bramblyacre/store"
)

// Spot is a plant's middle on the bed, in metres from the bed's own middle:
// along its width and along its depth.
type Spot struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// plotArea is the part of a bed that a planting has.
type plotArea struct {
	middle       Spot
	width, depth float64
	plants       []Spot
}

// mostDrawn is how many plants of one planting are drawn one by one.
const mostDrawn = 80

// layOut shares a bed out among its plantings along its longer side, by the
// ground their full-grown plants want, and sets each one's plants in even rows.
func layOut(bed store.Bed, plantings []*planting) []plotArea {
	wants := make([]float64, len(plantings))
	total := 0.0
	for i, p := range plantings {
		spread := p.species.Size.Width.Value / 100
		wants[i] = float64(max(1, p.standing())) * spread * spread
		if p.AreaM2 != nil {
			wants[i] = *p.AreaM2
		}
		total += wants[i]
	}
	// A small planting still gets room enough to be seen and touched.
	const leastShare = 0.08
	for i := range wants {
		wants[i] = math.Max(wants[i], leastShare*total)
	}
	total = 0
	for _, want := range wants {
		total += want
	}
	along := bed.WidthM >= bed.DepthM
	length := math.Max(bed.WidthM, bed.DepthM)
	at := -length / 2
	areas := make([]plotArea, len(plantings))
	for i, p := range plantings {
		piece := length * wants[i] / total
		area := plotArea{middle: Spot{at + piece/2, 0}, width: piece, depth: math.Min(bed.WidthM, bed.DepthM)}
		if !along {
			area = plotArea{middle: Spot{0, at + piece/2}, width: area.depth, depth: piece}
		}
		area.plants = rows(area, min(p.standing(), mostDrawn))
		areas[i] = area
		at += piece
	}
	return areas
}

// rows sets n plants in an area in as square a pattern as its shape allows.
func rows(area plotArea, n int) []Spot {
	spots := []Spot{}
	if n <= 0 {
		return spots
	}
	columns := int(math.Ceil(math.Sqrt(float64(n) * area.width / area.depth)))
	columns = max(1, min(n, columns))
	lines := (n + columns - 1) / columns
	for i := range n {
		line := i / columns
		inLine := min(columns, n-line*columns)
		spots = append(spots, Spot{
			X: area.middle.X + area.width*((float64(i%columns)+0.5)/float64(inLine)-0.5),
			Y: area.middle.Y + area.depth*((float64(line)+0.5)/float64(lines)-0.5),
		})
	}
	return spots
}
