package place

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/sun"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// LightView is the direct sun of one day over the plot.
type LightView struct {
	Day     calendar.Date `json:"day"`
	DayText string        `json:"dayText" doc:"The day's length in the open"`
	OpenH   float64       `json:"openHours"`
	// The cells run from the upper left corner, row after row; −1 lies outside.
	StepM   float64    `json:"stepM"`
	Columns int        `json:"columns"`
	Rows    int        `json:"rows"`
	Hours   []float64  `json:"hours"`
	Beds    []BedHours `json:"beds"`
	Sunrise float64    `json:"sunrise" doc:"Solar time, hours; the sun stands highest at 12"`
	Sunset  float64    `json:"sunset"`
}

// BedHours are a bed's hours of sun.
type BedHours struct {
	ID     int64     `json:"id"`
	Hours  float64   `json:"hours" doc:"On the day, or over the summer months for a drag"`
	Words  string    `json:"words"`
	Months []float64 `json:"months" doc:"By month, January first"`
}

const (
	mostCells    = 4500
	layerMinutes = 20
)

// Light returns the hours of direct sun on a day, over the plot and for each bed.
func (u *Uses) Light(ctx context.Context, on calendar.Date) (LightView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return LightView{}, err
	}
	course, err := sun.Day(s.Site.Latitude, s.Site.BearingDeg, on, layerMinutes)
	if err != nil {
		return LightView{}, err
	}
	open := course.OpenHours()[0]
	low, high := s.Boundary.Bounds()
	v := LightView{
		Day:     on,
		OpenH:   open,
		DayText: say.HoursWords(open),
		Sunrise: 12 - open/2,
		Sunset:  12 + open/2,
		Beds:    []BedHours{},
		Hours:   []float64{},
	}
	v.StepM = math.Max(0.5, math.Ceil(2*math.Sqrt((high.X-low.X)*(high.Y-low.Y)/mostCells))/2)
	v.Columns, v.Rows = int(math.Ceil((high.X-low.X)/v.StepM)), int(math.Ceil((high.Y-low.Y)/v.StepM))
	var points []geometry.Point
	for r := range v.Rows {
		for c := range v.Columns {
			points = append(points, geometry.Point{X: low.X + (float64(c)+0.5)*v.StepM, Y: low.Y + (float64(r)+0.5)*v.StepM})
		}
	}
	light, err := sun.NewLight(ctx, course, s.Terrain(), points, s.Obstacles(0))
	if err != nil {
		return LightView{}, err
	}
	for i, at := range points {
		hours := -1.0
		if s.Boundary.DistanceTo(at) <= v.StepM/2 {
			hours = say.Round1(light.Hours(i)[0])
		}
		v.Hours = append(v.Hours, hours)
	}
	beds, spans, err := s.BedLight(ctx, course, s.Obstacles(0))
	if err != nil {
		return LightView{}, err
	}
	for _, span := range spans {
		hours := say.Round1(beds.MeanHours(span.First, span.End)[0])
		v.Beds = append(
			v.Beds,
			BedHours{ID: span.Bed, Hours: hours, Words: say.HoursWords(hours), Months: monthHours(s, span.Bed)},
		)
	}
	return v, nil
}

func monthHours(s *plot.State, bedID int64) []float64 {
	months := []float64{}
	for _, hours := range s.SunHours[bedID] {
		months = append(months, say.Round1(hours))
	}
	return months
}

// ShadowsView is where the shadows lie at an hour.
type ShadowsView struct {
	Day      calendar.Date      `json:"day"`
	Hour     float64            `json:"hour"`
	Altitude float64            `json:"altitude"`
	Words    string             `json:"words"`
	Toward   geometry.Point     `json:"toward" doc:"Unit vector to the sun on the plan"`
	Outlines []geometry.Polygon `json:"outlines"`
}

// Shadows returns the shadows on a day at an hour of solar time, on level ground.
func (u *Uses) Shadows(ctx context.Context, on calendar.Date, hour float64) (ShadowsView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return ShadowsView{}, err
	}
	return shadows(s, on, hour, s.Obstacles(0))
}

func shadows(s *plot.State, on calendar.Date, hour float64, obstacles []sun.Obstacle) (ShadowsView, error) {
	at, err := sun.At(s.Site.Latitude, on, hour)
	if err != nil {
		return ShadowsView{}, say.Faults{{Field: "hour", Message: say.Sentence(err.Error())}}
	}
	v := ShadowsView{
		Day:      on,
		Hour:     hour,
		Altitude: say.Round1(at.Altitude),
		Outlines: []geometry.Polygon{},
		Toward:   sun.Toward(at.Azimuth, s.Site.BearingDeg),
	}
	if at.Altitude <= 0 {
		v.Words = "The sun is down."
		return v, nil
	}
	v.Words = fmt.Sprintf(
		"The sun stands %.0f° high in the %s. A fence of %s casts %s.",
		at.Altitude,
		compassWord(at.Azimuth),
		s.Units.GroundLength(1.8),
		s.Units.GroundLength(math.Round(10*sun.ShadowLength(1.8, at.Altitude))/10),
	)
	for _, o := range obstacles {
		for _, outline := range o.Shadow(at, s.Site.BearingDeg) {
			v.Outlines = append(v.Outlines, rounded(outline))
		}
	}
	return v, nil
}

// rounded keeps an outline to centimetres, for a short answer.
func rounded(outline geometry.Polygon) geometry.Polygon {
	short := make(geometry.Polygon, len(outline))
	for i, p := range outline {
		short[i] = geometry.Point{X: math.Round(p.X*100) / 100, Y: math.Round(p.Y*100) / 100}
	}
	return short
}

var compass = []string{"north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"}

func compassWord(azimuthDeg float64) string {
	return compass[int(math.Round(math.Mod(azimuthDeg+360, 360)/45))%8]
}

// DragInput is a thing on its way over the plan, in metres.
type DragInput struct {
	ItemID int64   `json:"itemId"`
	XM     float64 `json:"xM"`
	YM     float64 `json:"yM"`
	On     string  `json:"on,omitempty"`
	Hour   float64 `json:"hour"`
}

// DragView is the sun as it would be if a thing stood elsewhere. Nothing of it is
// noted.
type DragView struct {
	Beds    []BedHours  `json:"beds"`
	Shadows ShadowsView `json:"shadows"`
}

// dragLight is the light of all things but one, kept while that one is dragged.
type dragLight struct {
	plan  string
	item  int64
	light *sun.Light
	spans []plot.BedSpan
}

// Drag returns the sun of every bed, the mean of the summer months, with one
// thing's middle elsewhere.
func (u *Uses) Drag(ctx context.Context, in DragInput) (DragView, error) {
	day := plot.NoDay
	if in.On != "" {
		parsed, err := calendar.Parse(in.On)
		if err != nil {
			return DragView{}, say.Faults{{Field: "on", Message: err.Error()}}
		}
		day = parsed
	}
	s, on, err := u.plot.StateOn(ctx, day)
	if err != nil {
		return DragView{}, err
	}
	it, err := StandingItem(s, in.ItemID)
	if err != nil {
		return DragView{}, err
	}
	it.Form.At = geometry.Point{X: in.XM, Y: in.YM}
	if !it.Form.At.IsFinite() || math.Abs(in.XM)+math.Abs(in.YM) > 2*plan.LargestM {
		return DragView{}, say.Faults{{Field: "xM", Message: "Say where it would stand, in metres."}}
	}
	others, err := u.dragging.lightWithout(ctx, s, it.ID)
	if err != nil {
		return DragView{}, err
	}
	moved := others.light.With(s.Terrain(), it.Obstacles())
	v := DragView{Beds: []BedHours{}}
	for _, span := range others.spans {
		months, summer := moved.MeanHours(span.First, span.End), 0.0
		for _, m := range s.SummerMonths() {
			summer += months[m] / 6
		}
		for m := range months {
			months[m] = say.Round1(months[m])
		}
		v.Beds = append(
			v.Beds,
			BedHours{ID: span.Bed, Hours: say.Round1(summer), Words: say.HoursWords(summer), Months: months},
		)
	}
	v.Shadows, err = shadows(s, on, in.Hour, append(s.Obstacles(it.ID), it.Obstacles()...))
	return v, err
}

// dragging keeps the last light without a thing: while one is dragged it is asked for with
// every step.
type dragging struct {
	mu   sync.Mutex // guards last
	last dragLight
}

// lightWithout is the light of all things of a plan but one.
func (g *dragging) lightWithout(ctx context.Context, s *plot.State, itemID int64) (dragLight, error) {
	g.mu.Lock()
	defer g.mu.Unlock()
	key := s.SunKey()
	if g.last.plan == key && g.last.item == itemID {
		return g.last, nil
	}
	course, err := s.YearCourse()
	if err != nil {
		return dragLight{}, err
	}
	light, spans, err := s.BedLight(ctx, course, s.Obstacles(itemID))
	if err != nil {
		return dragLight{}, err
	}
	g.last = dragLight{key, itemID, light, spans}
	return g.last, nil
}

// ShadeTaker is a thing that keeps sun from a bed.
type ShadeTaker struct {
	ItemID int64  `json:"itemId"`
	Name   string `json:"name"`
	Words  string `json:"words" doc:"What it takes of a summer day"`
	hours  float64
}

// shadeTakers are the things that keep sun from a bed in summer, the one that
// takes most first. What two things shade together is counted for neither.
func shadeTakers(ctx context.Context, s *plot.State, bedID int64) ([]ShadeTaker, error) {
	course, err := s.YearCourse()
	if err != nil {
		return nil, err
	}
	points := s.Forms[bedID].Samples(plot.BedSamples)
	open, err := sun.NewLight(ctx, course, s.Terrain(), points, nil)
	if err != nil {
		return nil, err
	}
	summer := func(months []float64) (hours float64) {
		for _, m := range s.SummerMonths() {
			hours += months[m] / 6
		}
		return hours
	}
	// A thing takes no more from what the others leave than it would take alone, which is
	// quickly told: the long sum is done only for those that can matter.
	const leastHours, mostAsked = 0.1, 40
	alone := map[int64]float64{}
	var asked []plot.Item
	for _, it := range s.Items {
		if obstacles := it.Obstacles(); len(obstacles) > 0 {
			alone[it.ID] = summer(
				open.MeanHours(0, len(points)),
			) - summer(
				open.With(s.Terrain(), obstacles).MeanHours(0, len(points)),
			)
			if alone[it.ID] >= leastHours {
				asked = append(asked, it)
			}
		}
	}
	slices.SortStableFunc(asked, func(a, b plot.Item) int { return cmp.Compare(alone[b.ID], alone[a.ID]) })
	takers := []ShadeTaker{}
	for _, it := range asked[:min(len(asked), mostAsked)] {
		without, err := sun.NewLight(ctx, course, s.Terrain(), points, s.Obstacles(it.ID))
		if err != nil {
			return nil, err
		}
		gain := summer(without.MeanHours(0, len(points))) - summer(s.SunHours[bedID])
		if gain >= leastHours {
			takers = append(
				takers,
				ShadeTaker{it.ID, plot.ItemName(it.PlanItem.Kind, it.Name), say.Number(gain) + " h a day in summer", gain},
			)
		}
	}
	slices.SortStableFunc(takers, func(a, b ShadeTaker) int { return cmp.Compare(b.hours, a.hours) })
	return takers, nil
}
