package propagation

import (
	"errors"
	"fmt"
	"math"

	"bramblyacre/core/geometry"
)

// Pattern is how plants stand to each other.
type Pattern string

// The patterns.
const (
	Triangle Pattern = "triangle"
	Square   Pattern = "square"
)

// SettingOut is plants at a spacing, and at least Edge from every edge, both in metres.
type SettingOut struct{ Spacing, Edge float64 }

// mostSpots is the most places that are worked out for one bed.
const mostSpots = 20_000

// fits says by how much rounding may let a plant stand beyond its line, in metres.
const fits = 1e-9

// Check returns an error for a spacing or edge that cannot be.
func (s SettingOut) Check() error {
	switch {
	case !(s.Spacing > 0) || math.IsInf(s.Spacing, 0):
		return errors.New("the spacing must be above 0")
	case !(s.Edge >= 0) || math.IsInf(s.Edge, 0):
		return errors.New("the distance from the edge must be 0 or more")
	}
	return nil
}

// Layout is where plants stand.
type Layout struct {
	Pattern Pattern
	Spots   []geometry.Point
	// Rows are the spots of each row, for taping them out; Along is true where rows run along
	// the depth of a rectangle.
	Rows  [][]geometry.Point
	Along bool
}

// InRectangle sets plants out in a rectangle of a width and depth in metres, whose corner is at
// 0, 0. Triangles stand in rows spacing·√3/2 apart, every other row shifted by half a spacing
// and one plant shorter where it has to be; both directions are tried. A rectangle with no room
// for one plant has none.
func (s SettingOut) InRectangle(width, depth float64, pattern Pattern) (Layout, error) {
	if err := s.Check(); err != nil {
		return Layout{}, err
	}
	if !(width > 0 && depth > 0) || math.IsInf(width*depth, 0) {
		return Layout{}, errors.New("width and length must be above 0")
	}
	if width*depth/(s.Spacing*s.Spacing) > mostSpots {
		return Layout{}, fmt.Errorf("more than %d plants are not set out at once", mostSpots)
	}
	across := s.rows(width, depth, pattern)
	along := s.rows(depth, width, pattern)
	best := Layout{Pattern: pattern, Rows: across}
	if count(along) > count(across) {
		for _, row := range along {
			for i, spot := range row {
				row[i] = geometry.Point{X: spot.Y, Y: spot.X}
			}
		}
		best = Layout{Pattern: pattern, Rows: along, Along: true}
	}
	for _, row := range best.Rows {
		best.Spots = append(best.Spots, row...)
	}
	return best, nil
}

func count(rows [][]geometry.Point) (n int) {
	for _, row := range rows {
		n += len(row)
	}
	return n
}

// rows run along x, one above the other.
func (s SettingOut) rows(width, depth float64, pattern Pattern) (rows [][]geometry.Point) {
	apart, shift := s.Spacing, 0.0
	if pattern == Triangle {
		apart, shift = s.Spacing*math.Sqrt(3)/2, s.Spacing/2
	}
	for i := 0; s.Edge+float64(i)*apart <= depth-s.Edge+fits; i++ {
		from := s.Edge + shift*float64(i%2)
		var row []geometry.Point
		for j := 0; from+float64(j)*s.Spacing <= width-s.Edge+fits; j++ {
			row = append(row, geometry.Point{X: from + float64(j)*s.Spacing, Y: s.Edge + float64(i)*apart})
		}
		if row != nil {
			rows = append(rows, row)
		}
	}
	return rows
}

// turns is how many ways of turning a pattern are tried in a bed of any shape, offsets how many
// shifts each way of each.
const (
	turns   = 24
	offsets = 6
)

// mostTried is how many spots are asked in all; many plants gain little by turning a pattern.
const mostTried = 200_000

// tries is how many turns and shifts each way are tried where a pattern has so many spots: the
// shifts go first, then the turns.
func tries(spots float64) (turned, shifted int) {
	each := mostTried / math.Max(spots, 1)
	shifted = min(offsets, max(1, int(math.Sqrt(each/turns))))
	turned = min(turns, max(1, int(each)/(shifted*shifted)))
	return turned, shifted
}

// InRegion sets plants out in a region of any shape, the best of up to 24 turns and 36 shifts of
// the pattern, of fewer where it has more than some 200 spots. Every plant stands inside, Edge or
// more from the outline and from holes.
func (s SettingOut) InRegion(region geometry.Region, pattern Pattern) (Layout, error) {
	if err := s.Check(); err != nil {
		return Layout{}, err
	}
	low, high := region.Bounds()
	spots := (high.X - low.X) * (high.Y - low.Y) / (s.Spacing * s.Spacing)
	if spots > mostSpots {
		return Layout{}, fmt.Errorf("more than %d plants are not set out at once", mostSpots)
	}
	turn := 90.0
	if pattern == Triangle {
		turn = 60
	}
	middle := geometry.Point{X: (low.X + high.X) / 2, Y: (low.Y + high.Y) / 2}
	reach := low.Distance(high)/2 + s.Spacing
	best := Layout{Pattern: pattern}
	turned, shifted := tries(spots)
	for i := range turned {
		for j := range shifted * shifted {
			degrees := turn * float64(i) / float64(turned)
			shiftX, shiftY := float64(j/shifted)/float64(shifted), float64(j%shifted)/float64(shifted)
			rows := s.lattice(region, pattern, middle, reach, degrees, shiftX, shiftY)
			if n := count(rows); n > len(best.Spots) {
				best.Rows, best.Spots = rows, nil
				for _, row := range rows {
					best.Spots = append(best.Spots, row...)
				}
			}
		}
	}
	return best, nil
}

// lattice is a pattern turned and shifted, of which those spots are kept that may be planted.
func (s SettingOut) lattice(
	region geometry.Region,
	pattern Pattern,
	middle geometry.Point,
	reach, degrees, shiftX, shiftY float64,
) (rows [][]geometry.Point) {
	apart, shift, period := s.Spacing, 0.0, 1
	if pattern == Triangle {
		apart, shift, period = s.Spacing*math.Sqrt(3)/2, s.Spacing/2, 2
	}
	steps, lines := int(reach/s.Spacing)+2, int(reach/apart)+2
	for i := -lines; i <= lines; i++ {
		var row []geometry.Point
		odd := float64(((i % period) + period) % period)
		for j := -steps; j <= steps; j++ {
			spot := geometry.Point{
				X: (float64(j)+shiftX)*s.Spacing + shift*odd,
				Y: (float64(i) + shiftY*float64(period)) * apart,
			}.Turned(degrees).Plus(middle)
			if s.mayStand(region, spot) {
				row = append(row, spot)
			}
		}
		if row != nil {
			rows = append(rows, row)
		}
	}
	return rows
}

// mayStand tells whether a plant may stand at a spot. In ground of several areas, as the bends
// of a strip, an edge of one may lie within another: there a ring of points about the spot is
// asked.
func (s SettingOut) mayStand(region geometry.Region, at geometry.Point) bool {
	if !region.Contains(at) {
		return false
	}
	if len(region.Hole) > 0 && region.Hole.ToEdge(at) < s.Edge-fits {
		return false
	}
	if len(region.Areas) == 1 {
		return region.Areas[0].ToEdge(at) >= s.Edge-fits
	}
	const ring = 32
	for i := range ring {
		sin, cos := math.Sincos(2 * math.Pi * float64(i) / ring)
		if !region.Contains(at.Plus(geometry.Point{X: cos, Y: sin}.Times(s.Edge))) {
			return false
		}
	}
	return true
}

// Better is the pattern of which more stand; squares where both do alike, for they are taped
// out and hoed more easily.
func Better(triangle, square int) Pattern {
	if triangle > square {
		return Triangle
	}
	return Square
}
