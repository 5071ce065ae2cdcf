package sun

import (
	"context"

	"bramblyacre/core/geometry"
	"bramblyacre/core/parallel"
)

// Light is the direct sun on points of the ground along a course.
type Light struct {
	course  *Course
	points  []geometry.Point
	heights []float64
	// share[i] is, for each moment, the share of light that reaches point i.
	share [][]float32
}

// NewLight works out the light on points of the ground between obstacles. An
// obstacle's Foot is taken from the terrain where its middle stands. The error is the
// context's, where it ends before all is worked out.
func NewLight(
	ctx context.Context,
	c *Course,
	terrain Terrain,
	points []geometry.Point,
	obstacles []Obstacle,
) (*Light, error) {
	l := &Light{course: c, points: points, heights: make([]float64, len(points)), share: make([][]float32, len(points))}
	obstacles = terrain.standing(obstacles)
	ramps := terrain.measured()
	all := parallel.Until(ctx.Done(), len(l.points), func(i int) {
		at := points[i]
		l.heights[i] = ramps.height(at)
		tilt := terrain.Tilt(at)
		horizon := ramps.horizon(at)
		share := make([]float32, len(c.moments))
		for j := range c.moments {
			m := &c.moments[j]
			// The sun stands in front of tilted ground while it is above it.
			if m.up-m.x*tilt.X-m.y*tilt.Y > 0 && !below(horizon, m) {
				share[j] = 1
			}
		}
		l.share[i] = share
		l.shade(i, share, obstacles)
	})
	if !all {
		return nil, ctx.Err()
	}
	return l, nil
}

// With returns the light when further obstacles stand on the plan. The light it
// is asked of stays as it is: while one thing is dragged, the light of all others
// is worked out once.
func (l *Light) With(terrain Terrain, obstacles []Obstacle) *Light {
	obstacles = terrain.standing(obstacles)
	more := &Light{course: l.course, points: l.points, heights: l.heights, share: make([][]float32, len(l.points))}
	parallel.Each(len(l.points), func(i int) {
		share := make([]float32, len(l.share[i]))
		copy(share, l.share[i])
		more.share[i] = share
		l.shade(i, share, obstacles)
	})
	return more
}

// standing returns the obstacles on the ground's height where they stand.
func (t Terrain) standing(obstacles []Obstacle) []Obstacle {
	placed := make([]Obstacle, len(obstacles))
	for i, o := range obstacles {
		at := o.Middle
		if len(o.Footprint) > 0 {
			at = o.Footprint.Middle()
		}
		o.Foot += t.Height(at)
		placed[i] = o
	}
	return placed
}

func (l *Light) shade(i int, share []float32, obstacles []Obstacle) {
	at, height := l.points[i], l.heights[i]
	for k := range obstacles {
		s := obstacles[k].seenFrom(at, height)
		if s.steepest <= 0 {
			continue
		}
		angles, tans := l.course.angles, l.course.tans
		for j := range share {
			if share[j] == 0 || !s.mayBlock(angles[j], tans[j]) {
				continue
			}
			if m := &l.course.moments[j]; s.blocks(at, height, m) {
				share[j] *= float32(s.Through[m.month])
			}
		}
	}
}

// Hours returns the hours of direct sun a day at point i, for each month of the
// course or for its one day. Light through a crown counts by its share.
func (l *Light) Hours(i int) []float64 {
	hours := make([]float64, l.course.months)
	for j, share := range l.share[i] {
		m := &l.course.moments[j]
		hours[m.slot] += float64(share) * m.hours
	}
	return hours
}

// MeanHours returns the mean of Hours over the points from first up to but not
// including end: the hours of a bed, as the part of it that is lit.
func (l *Light) MeanHours(first, end int) []float64 {
	mean := make([]float64, l.course.months)
	for i := first; i < end; i++ {
		for slot, hours := range l.Hours(i) {
			mean[slot] += hours / float64(end-first)
		}
	}
	return mean
}
