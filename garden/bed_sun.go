package garden

import (
	"context"
	"encoding/json"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/sun"
	"bramblyacre/store"
)

// sunStepMinutes is how finely the sun's way is followed over a year.
const sunStepMinutes = 15

// bedSamples is how many points of a bed its sun is reckoned at.
const bedSamples = 25

// sunKey is what a plot's sun follows from; the same key has the same sun.
func (s *state) sunKey() string {
	type thing struct {
		Kind   string
		Form   plan.Form
		Traits plan.Traits
	}
	key := struct {
		Latitude, Bearing float64
		Year              int
		Things            []thing
		Beds              map[int64]plan.Form
	}{s.site.Latitude, s.site.BearingDeg, s.season.Start.Year(), nil, map[int64]plan.Form{}}
	for _, it := range s.items {
		key.Things = append(key.Things, thing{it.PlanItem.Kind, it.Form, it.Item.Traits})
	}
	for _, bed := range s.beds {
		key.Beds[bed.ID] = s.forms[bed.ID]
	}
	text, err := json.Marshal(key)
	if err != nil {
		return "" // no number that is none is ever stored
	}
	return string(text)
}

// addSun takes over the sun worked out before, as long as nothing of the plan has
// moved, and else works it out.
func (g *Garden) addSun(ctx context.Context, s *state) error {
	key := s.sunKey()
	if g.sunFor != key || g.sunHours == nil {
		course, err := s.yearCourse()
		if err != nil {
			return err
		}
		light, spans, err := s.bedLight(ctx, course, s.obstacles(0))
		if err != nil {
			return err
		}
		g.sunHours = map[int64][]float64{}
		for _, span := range spans {
			g.sunHours[span.bed] = light.MeanHours(span.first, span.end)
		}
		g.sunFor = key
	}
	s.sunHours = g.sunHours
	return nil
}

func (s *state) yearCourse() (*sun.Course, error) {
	return sun.Year(s.site.Latitude, s.site.BearingDeg, s.season.Start.Year(), sunStepMinutes)
}

// bedSpan is which points of a light are a bed's.
type bedSpan struct {
	bed        int64
	first, end int
}

func (s *state) bedLight(ctx context.Context, course *sun.Course, obstacles []sun.Obstacle) (*sun.Light, []bedSpan, error) {
	var points []geometry.Point
	var spans []bedSpan
	for _, bed := range s.beds {
		first := len(points)
		points = append(points, s.forms[bed.ID].Samples(bedSamples)...)
		spans = append(spans, bedSpan{bed.ID, first, len(points)})
	}
	light, err := sun.NewLight(ctx, course, s.terrain(), points, obstacles)
	return light, spans, err
}

// obstacles are all that keeps out the sun, but for one thing by its id.
func (s *state) obstacles(except int64) []sun.Obstacle {
	var all []sun.Obstacle
	for _, it := range s.items {
		if it.ID != except {
			all = append(all, it.Obstacles()...)
		}
	}
	return all
}

func (s *state) terrain() sun.Terrain {
	var terrain sun.Terrain
	for _, it := range s.items {
		terrain = append(terrain, it.Ramps(s.site.BearingDeg)...)
	}
	return terrain
}

// summerMonths are the six months of the growing season, by the hemisphere, from
// 0 for January.
func (s *state) summerMonths() []int {
	if s.site.Latitude < 0 {
		return []int{9, 10, 11, 0, 1, 2}
	}
	return []int{3, 4, 5, 6, 7, 8}
}

// summerHours is a bed's direct sun a day over the summer months: as measured by
// the grower, or else computed.
func (s *state) summerHours(bed store.Bed) (hours float64, measured bool) {
	if bed.SunHours != nil {
		return *bed.SunHours, true
	}
	return s.computedSummer(bed.ID), false
}

func (s *state) computedSummer(bedID int64) float64 {
	months, sum := s.sunHours[bedID], 0.0
	if len(months) < 12 {
		return 0
	}
	for _, m := range s.summerMonths() {
		sum += months[m] / 6
	}
	return sum
}
