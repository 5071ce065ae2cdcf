package sun

import (
	"math"

	"bramblyacre/core/geometry"
)

// Obstacle is something that keeps out direct sun.
type Obstacle struct {
	// Footprint is the ground of a solid thing; empty for a crown.
	Footprint geometry.Polygon
	// Middle and Radius are a crown's place and half its width, in metres.
	Middle geometry.Point
	Radius float64
	// Low and High are the heights in metres between which it stands: 0 and the
	// height of a wall, the lowest leaves and the top of a crown.
	Low, High float64
	// Foot is the height in metres of the ground it stands on.
	Foot float64
	// Through is the share of light that passes in each calendar month.
	Through [12]float64
}

// seen is an obstacle as seen from one point of the ground: the directions and
// the height within which it can stand before the sun at all.
type seen struct {
	*Obstacle
	// angle and half bound the directions in radians; half of π bounds none.
	angle, half float64
	// steepest is the tangent of the highest altitude that it can reach to.
	steepest float64
}

// seenFrom returns how an obstacle is seen from a point at a height in metres.
func (o *Obstacle) seenFrom(at geometry.Point, height float64) seen {
	s := seen{Obstacle: o, half: math.Pi, steepest: math.Inf(1)}
	rise := o.Foot + o.High - height
	if rise <= 0 {
		s.steepest = 0
		return s
	}
	if len(o.Footprint) == 0 {
		toward := o.Middle.Minus(at)
		distance := math.Hypot(toward.X, toward.Y)
		if distance > o.Radius {
			s.angle, s.half = math.Atan2(toward.Y, toward.X), math.Asin(o.Radius/distance)
			s.steepest = rise / (distance - o.Radius)
		}
		return s
	}
	if o.Footprint.Contains(at) {
		return s
	}
	first := o.Footprint[0].Minus(at)
	middle := math.Atan2(first.Y, first.X)
	least, most := 0.0, 0.0
	for _, corner := range o.Footprint[1:] {
		toward := corner.Minus(at)
		off := turn(math.Atan2(toward.Y, toward.X) - middle)
		least, most = math.Min(least, off), math.Max(most, off)
	}
	if most-least < math.Pi {
		s.angle, s.half = turn(middle+(least+most)/2), (most-least)/2
	}
	if near := o.Footprint.ToEdge(at); near > 0 {
		s.steepest = rise / near
	}
	return s
}

// turn brings an angle in radians between −π and π.
func turn(angle float64) float64 {
	for angle > math.Pi {
		angle -= 2 * math.Pi
	}
	for angle <= -math.Pi {
		angle += 2 * math.Pi
	}
	return angle
}

// mayBlock tells whether the sun stands within the directions and below the height
// that it can be seen in; the sun's angle lies between −π and π.
func (s *seen) mayBlock(angle, tan float64) bool {
	if tan >= s.steepest {
		return false
	}
	off := angle - s.angle
	if off > math.Pi {
		off -= 2 * math.Pi
	} else if off < -math.Pi {
		off += 2 * math.Pi
	}
	return off <= s.half && off >= -s.half
}

// blocks tells whether it stands between a point at a height and the sun, where
// mayBlock has not ruled that out.
func (s *seen) blocks(at geometry.Point, height float64, m *moment) bool {
	if len(s.Footprint) == 0 {
		return s.crownBlocks(at, height, m)
	}
	return s.solidBlocks(at, height, m)
}

// solidBlocks follows the ray to where it first enters the footprint: it rises,
// so there it is lowest.
func (s *seen) solidBlocks(at geometry.Point, height float64, m *moment) bool {
	entry := math.Inf(1)
	if s.Footprint.Contains(at) {
		entry = 0
	} else {
		n := len(s.Footprint)
		for i, a := range s.Footprint {
			b := s.Footprint[(i+1)%n]
			ex, ey := b.X-a.X, b.Y-a.Y
			across := m.toX*ey - m.toY*ex
			if across == 0 {
				continue
			}
			ax, ay := a.X-at.X, a.Y-at.Y
			along := (ax*ey - ay*ex) / across
			on := (ax*m.toY - ay*m.toX) / across
			if along >= 0 && along < entry && on >= 0 && on <= 1 {
				entry = along
			}
		}
	}
	if math.IsInf(entry, 1) {
		return false
	}
	return height+entry*m.tan < s.Foot+s.High
}

// crownBlocks meets the ray with a dome: the upper half of an ellipsoid, flat below
// at the lowest leaves, where a crown that grows in the open is widest.
func (s *seen) crownBlocks(at geometry.Point, height float64, m *moment) bool {
	up := s.High - s.Low
	dx, dy := (at.X-s.Middle.X)/s.Radius, (at.Y-s.Middle.Y)/s.Radius
	dz := (height - s.Foot - s.Low) / up
	vx, vy, vz := m.x/s.Radius, m.y/s.Radius, m.up/up
	a := vx*vx + vy*vy + vz*vz
	b := dx*vx + dy*vy + dz*vz
	c := dx*dx + dy*dy + dz*dz - 1
	root := b*b - a*c
	if root < 0 {
		return false
	}
	// The ray climbs, so where it leaves the ellipsoid it is highest in it.
	leaves := (math.Sqrt(root) - b) / a
	return leaves > 0 && dz+leaves*vz > 0
}
