package plot

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

// BedSamples is how many points of a bed its sun is reckoned at.
const BedSamples = 25

// SunKey is what a plot's sun follows from; the same key has the same sun.
func (s *State) SunKey() string {
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
	}{s.Site.Latitude, s.Site.BearingDeg, s.Season.Start.Year(), nil, map[int64]plan.Form{}}
	for _, it := range s.Items {
		key.Things = append(key.Things, thing{it.PlanItem.Kind, it.Form, it.Item.Traits})
	}
	for _, bed := range s.Beds {
		key.Beds[bed.ID] = s.Forms[bed.ID]
	}
	text, err := json.Marshal(key)
	if err != nil {
		return "" // no number that is none is ever stored
	}
	return string(text)
}

// addSun takes over the sun worked out before, as long as nothing of the plan has
// moved, and else works it out.
func (s *State) addSun(ctx context.Context, before *State) error {
	s.sunFor = s.SunKey()
	if before != nil && before.sunFor == s.sunFor {
		s.SunHours = before.SunHours
		return nil
	}
	course, err := s.YearCourse()
	if err != nil {
		return err
	}
	light, spans, err := s.BedLight(ctx, course, s.Obstacles(0))
	if err != nil {
		return err
	}
	s.SunHours = map[int64][]float64{}
	for _, span := range spans {
		s.SunHours[span.Bed] = light.MeanHours(span.First, span.End)
	}
	return nil
}

// YearCourse is the sun's way over the plot through a year.
func (s *State) YearCourse() (*sun.Course, error) {
	return sun.Year(s.Site.Latitude, s.Site.BearingDeg, s.Season.Start.Year(), sunStepMinutes)
}

// BedSpan is which points of a light are a bed's.
type BedSpan struct {
	Bed        int64
	First, End int
}

// BedLight is the light of all beds between obstacles, with where each bed's points lie in it.
func (s *State) BedLight(
	ctx context.Context,
	course *sun.Course,
	obstacles []sun.Obstacle,
) (*sun.Light, []BedSpan, error) {
	var points []geometry.Point
	var spans []BedSpan
	for _, bed := range s.Beds {
		first := len(points)
		points = append(points, s.Forms[bed.ID].Samples(BedSamples)...)
		spans = append(spans, BedSpan{bed.ID, first, len(points)})
	}
	light, err := sun.NewLight(ctx, course, s.Terrain(), points, obstacles)
	return light, spans, err
}

// Obstacles are all that keeps out the sun, but for one thing by its id.
func (s *State) Obstacles(except int64) []sun.Obstacle {
	var all []sun.Obstacle
	for _, it := range s.Items {
		if it.ID != except {
			all = append(all, it.Obstacles()...)
		}
	}
	return all
}

// Terrain is the ground that the plot lies on, as light falls on it.
func (s *State) Terrain() sun.Terrain {
	var terrain sun.Terrain
	for _, it := range s.Items {
		terrain = append(terrain, it.Ramps(s.Site.BearingDeg)...)
	}
	return terrain
}

// SummerMonths are the six months of the growing season, by the hemisphere, from
// 0 for January.
func (s *State) SummerMonths() []int {
	if s.Site.Latitude < 0 {
		return []int{9, 10, 11, 0, 1, 2}
	}
	return []int{3, 4, 5, 6, 7, 8}
}

// SummerHours is a bed's direct sun a day over the summer months: as measured by
// the grower, or else computed.
func (s *State) SummerHours(bed store.Bed) (hours float64, measured bool) {
	if bed.SunHours != nil {
		return *bed.SunHours, true
	}
	return s.ComputedSummer(bed.ID), false
}

// ComputedSummer is how many hours of sun a day a bed has in summer by the plan.
func (s *State) ComputedSummer(bedID int64) float64 {
	months, sum := s.SunHours[bedID], 0.0
	if len(months) < 12 {
		return 0
	}
	for _, m := range s.SummerMonths() {
		sum += months[m] / 6
	}
	return sum
}
