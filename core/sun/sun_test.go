package sun

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/geometry"
)

func check(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

func near(t *testing.T, what string, got, want, within float64) {
	t.Helper()
	if !(math.Abs(got-want) <= within) {
		t.Errorf("%s is %v, want %v within %v", what, got, want, within)
	}
}

// At noon the altitude is 90° less the distance from the sun's own latitude; the
// obliquity at the solstices is 23.44°, and 0° within half a day of the equinox
// (Astronomical Almanac).
func TestNoonAltitudes(t *testing.T) {
	tests := []struct {
		latitude          float64
		day               calendar.Date
		altitude, azimuth float64
	}{
		{46.6, calendar.Must(2031, time.June, 21), 90 - 46.6 + 23.44, 180},
		{46.6, calendar.Must(2031, time.December, 22), 90 - 46.6 - 23.44, 180},
		{46.6, calendar.Must(2031, time.March, 20), 90 - 46.6, 180},
		{-33.9, calendar.Must(2031, time.December, 22), 90 - 33.9 + 23.44, 0},
		{10, calendar.Must(2031, time.June, 21), 90 - 23.44 + 10, 0},
		{0, calendar.Must(2031, time.September, 23), 90, -1},
	}
	for _, test := range tests {
		at, err := At(test.latitude, test.day, 12)
		check(t, err)
		near(t, "the altitude", at.Altitude, test.altitude, 0.35)
		if test.azimuth >= 0 {
			near(t, "the azimuth", math.Mod(at.Azimuth+180, 360)-180, math.Mod(test.azimuth+180, 360)-180, 0.01)
		}
	}
}

// The solstices' declination is the obliquity; the day between is the worked
// example 25.a of Meeus, Astronomical Algorithms: −7.785° on 13 October 1992 at 0 h.
func TestDeclination(t *testing.T) {
	near(t, "the declination of Meeus' example", declinationAt(calendar.Must(1992, time.October, 13), 0), -7.785, 0.01)
	for day, want := range map[calendar.Date]float64{
		calendar.Must(2031, time.June, 21): 23.44, calendar.Must(2031, time.December, 21): -23.44,
		calendar.Must(2000, time.January, 1): -23.03,
	} {
		near(t, "the declination of "+day.String(), Declination(day), want, 0.02)
	}
}

func TestMorningMirrorsAfternoon(t *testing.T) {
	day := calendar.Must(2031, time.December, 21)
	morning, err := At(46.6, day, 9)
	check(t, err)
	afternoon, err := At(46.6, day, 15)
	check(t, err)
	near(t, "the altitude", morning.Altitude, afternoon.Altitude, 0.01)
	near(t, "the azimuth", morning.Azimuth, 360-afternoon.Azimuth, 0.02)
	if morning.Azimuth < 90 || morning.Azimuth > 180 {
		t.Errorf("a winter morning's sun stands at %v°", morning.Azimuth)
	}
}

func TestWhatCannotBeIsRefused(t *testing.T) {
	day := calendar.Must(2031, time.May, 1)
	for _, bad := range [][2]float64{{91, 12}, {-91, 12}, {math.NaN(), 12}, {46, -1}, {46, 25}, {46, math.NaN()}} {
		if _, err := At(bad[0], day, bad[1]); err == nil {
			t.Errorf("latitude %v, hour %v gave a position", bad[0], bad[1])
		}
	}
	if _, err := Year(100, 0, 2031, 10); err == nil {
		t.Error("a latitude of 100 has a year")
	}
}

// An open field has the whole day, at every latitude, with any bearing; FAO-56's
// day length, from a simpler declination, is near.
func TestOpenFieldEqualsDayLength(t *testing.T) {
	field := []geometry.Point{{X: 3, Y: 4}}
	for latitude := -90.0; latitude <= 90; latitude += 7.5 {
		for _, month := range []time.Month{1, 3, 6, 9, 12} {
			day := calendar.Must(2031, month, 21)
			course, err := Day(latitude, latitude*3, day, 10)
			check(t, err)
			want, err := DayLength(latitude, day)
			check(t, err)
			near(t, "an open field's sun", lightOf(t, course, nil, field, nil).Hours(0)[0], want, 1e-4)
			if fao, err := climate.DayLength(latitude, day); err != nil || math.Abs(latitude) < 55 && math.Abs(fao-want) > 0.3 {
				t.Errorf("at %v° on %s the day is %v h here and %v h by FAO-56", latitude, day, want, fao)
			}
		}
	}
}

func wall(y, height float64) Obstacle {
	return Obstacle{Footprint: geometry.Polygon{{X: -500, Y: y}, {X: 500, Y: y}, {X: 500, Y: y + 0.3}, {X: -500, Y: y + 0.3}}, High: height}
}

// At noon the ground on the pole's side of a long wall is shaded as far as the
// shadow reaches and no farther; on its other side never.
func TestShadeOfALongWallAtNoon(t *testing.T) {
	const height = 2.0
	day := calendar.Must(2031, time.March, 20)
	for _, side := range []struct {
		latitude, poleward float64 // poleward: −1 up the plan, in the north
	}{{46.6, -1}, {-46.6, 1}} {
		noon, err := At(side.latitude, day, 12)
		check(t, err)
		reach := ShadowLength(height, noon.Altitude)
		near(t, "the shadow at 43.4°", reach, height/math.Tan(43.4*rad), 0.05)
		course, err := Day(side.latitude, 0, day, 1)
		check(t, err)
		at := func(y float64) geometry.Point { return geometry.Point{Y: y} }
		face := 0.0
		if side.poleward > 0 {
			face = 0.3 // the wall is 0.3 m thick
		}
		points := []geometry.Point{at(face + side.poleward*0.95*reach), at(face + side.poleward*1.05*reach), at(0.3 - face - side.poleward*0.5)}
		light := lightOf(t, course, nil, points, []Obstacle{wall(0, height)})
		middle := len(course.moments) / 2
		for i, want := range []float32{0, 1, 1} {
			if got := light.share[i][middle]; got != want {
				t.Errorf("latitude %v: point %d has %v of the noon sun, want %v", side.latitude, i, got, want)
			}
		}
		open, err := DayLength(side.latitude, day)
		check(t, err)
		// Within half an hour of the equinox's due east and west, the sunny side
		// has all of the day.
		near(t, "the sunny side's hours", light.Hours(2)[0], open, 0.5)
	}
}

// Summer's sun rises and sets behind an east–west wall's shaded side: a strip at
// its foot has sun only while the sun stands on that side of it.
func TestFootOfAWallInMidsummer(t *testing.T) {
	day := calendar.Must(2031, time.June, 21)
	course, err := Day(46.6, 0, day, 2)
	check(t, err)
	light := lightOf(t, course, nil, []geometry.Point{{Y: -0.01}}, []Obstacle{wall(0, 50)})
	want := 0.0
	for _, m := range course.moments {
		if m.toY < 0 { // the sun stands up the plan, north of east and west
			want += m.hours
		}
	}
	near(t, "the hours at the foot", light.Hours(0)[0], want, 0.05)
	if want < 3 || want > 8 {
		t.Errorf("the sun stands north of the wall for %v h", want)
	}
}

func TestBareCrownsLetMoreThrough(t *testing.T) {
	tree := Obstacle{Middle: geometry.Point{X: 0, Y: 6}, Radius: 4, Low: 2, High: 10}
	for m := range tree.Through {
		tree.Through[m] = 0.5
		if m >= 3 && m <= 9 {
			tree.Through[m] = 0.1
		}
	}
	course, err := Year(46.6, 0, 2031, 10)
	check(t, err)
	point := []geometry.Point{{}}
	shaded := lightOf(t, course, nil, point, []Obstacle{tree}).Hours(0)
	lost := func(m int) float64 { return (course.OpenHours()[m] - shaded[m]) / course.OpenHours()[m] }
	if lost(9) <= lost(10)/2 || lost(10) <= 0 {
		t.Errorf("October loses %v of its sun, November %v", lost(9), lost(10))
	}
	tree.Through = [12]float64{}
	opaque := lightOf(t, course, nil, point, []Obstacle{tree}).Hours(0)
	for m := range 12 {
		if opaque[m] > shaded[m]+1e-6 {
			t.Errorf("month %d: an opaque crown leaves %v h, a thin one %v h", m+1, opaque[m], shaded[m])
		}
	}
}

// A slope that faces the noon sun keeps its hours at the equinox and lengthens
// shadows' opposites; one that faces away as steeply as the sun is high loses it.
func TestSlopes(t *testing.T) {
	day := calendar.Must(2031, time.December, 21)
	course, err := Day(46.6, 0, day, 5)
	check(t, err)
	area := geometry.Polygon{{X: -20, Y: -20}, {X: 20, Y: -20}, {X: 20, Y: 20}, {X: -20, Y: 20}}
	hours := func(faces, gradient float64) float64 {
		slope := Terrain{{Area: area, Uphill: Toward(faces+180, 0), Gradient: gradient}}
		return lightOf(t, course, slope, []geometry.Point{{}}, nil).Hours(0)[0]
	}
	level := lightOf(t, course, nil, []geometry.Point{{}}, nil).Hours(0)[0]
	near(t, "a south slope's sun in December", hours(180, 0.3), level, 1e-4)
	if got := hours(0, 0.45); got != 0 { // noon's sun is 19.96° high, and tan 20° is 0.36
		t.Errorf("a steep north slope has %v h of December sun", got)
	}
	if gentle := hours(0, 0.2); gentle <= 0 || gentle >= level {
		t.Errorf("a gentle north slope has %v h of %v", gentle, level)
	}
	// A wall uphill of a bed on a bank is higher over it.
	slope := Terrain{{Area: area, Uphill: Toward(180, 0), Gradient: 0.2}}
	near(t, "the bank's height five metres up", slope.Height(geometry.Point{Y: 5})-slope.Height(geometry.Point{}), 1, 1e-9)
}

func randomObstacles(rng *rand.Rand, n int) []Obstacle {
	obstacles := make([]Obstacle, n)
	for i := range obstacles {
		at := geometry.Point{X: rng.Float64() * 70, Y: rng.Float64() * 55}
		o := Obstacle{High: 1 + rng.Float64()*9}
		if i%2 == 0 {
			o.Middle, o.Radius, o.Low = at, 1+rng.Float64()*4, o.High/4
			for m := range o.Through {
				o.Through[m] = 0.1
			}
		} else {
			o.Footprint = geometry.Rectangle(1+rng.Float64()*12, 0.2+rng.Float64()*6).Turned(rng.Float64() * 360).Moved(at)
		}
		obstacles[i] = o
	}
	return obstacles
}

func randomPoints(rng *rand.Rand, n int) []geometry.Point {
	points := make([]geometry.Point, n)
	for i := range points {
		points[i] = geometry.Point{X: rng.Float64() * 70, Y: rng.Float64() * 55}
	}
	return points
}

func TestSunHoursNeverExceedTheDayAndMoreObstaclesNeverHelp(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 1))
	for range 40 {
		latitude := rng.Float64()*180 - 90
		course, err := Year(latitude, rng.Float64()*360, 2031, 20)
		check(t, err)
		obstacles := randomObstacles(rng, 8)
		terrain := Terrain{{Area: geometry.Rectangle(40, 30).Moved(geometry.Point{X: 35, Y: 27}), Uphill: Toward(rng.Float64()*360, 0), Gradient: rng.Float64()}}
		points := randomPoints(rng, 12)
		few := lightOf(t, course, terrain, points, obstacles[:5])
		all := few.With(terrain, obstacles[5:])
		atOnce := lightOf(t, course, terrain, points, obstacles)
		for i := range points {
			for m, hours := range all.Hours(i) {
				if hours > course.OpenHours()[m]+1e-4 || hours > few.Hours(i)[m]+1e-5 || hours < 0 {
					t.Fatalf("%v h of %v in the open, %v with fewer obstacles", hours, course.OpenHours()[m], few.Hours(i)[m])
				}
				near(t, "the light made at once", atOnce.Hours(i)[m], hours, 1e-4)
			}
		}
	}
}

// Turning everything on the plan one way and the north arrow with it changes
// nothing.
func TestTurningPlanAndNorthTogetherChangesNothing(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 2))
	obstacles, points := randomObstacles(rng, 10), randomPoints(rng, 15)
	terrain := Terrain{{Area: geometry.Rectangle(40, 30).Moved(geometry.Point{X: 35, Y: 27}), Uphill: Toward(200, 0), Gradient: 0.2}}
	course, err := Year(46.6, 0, 2031, 10)
	check(t, err)
	before := lightOf(t, course, terrain, points, obstacles)
	const angle = 63.0
	turned, err := Year(46.6, -angle, 2031, 10)
	check(t, err)
	for i := range obstacles {
		obstacles[i].Footprint = obstacles[i].Footprint.Turned(angle)
		obstacles[i].Middle = obstacles[i].Middle.Turned(angle)
	}
	for i := range points {
		points[i] = points[i].Turned(angle)
	}
	terrain[0].Area, terrain[0].Uphill = terrain[0].Area.Turned(angle), Toward(200, -angle)
	after := lightOf(t, turned, terrain, points, obstacles)
	for i := range points {
		for m := range 12 {
			// A ray along an edge may fall to either side of it.
			near(t, "an hour's sum", after.Hours(i)[m], before.Hours(i)[m], 0.35)
		}
	}
}

// The drawn shadow and the reckoned light agree on where the sun is kept out.
func TestDrawnShadowsAgreeWithTheLight(t *testing.T) {
	rng := rand.New(rand.NewPCG(11, 5))
	day := calendar.Must(2031, time.April, 10)
	course, err := Day(46.6, 20, day, 30)
	check(t, err)
	points := randomPoints(rng, 400)
	disagree, shaded := 0, 0
	for _, o := range randomObstacles(rng, 12) {
		light := lightOf(t, course, nil, points, []Obstacle{o})
		for j, m := range course.moments {
			azimuth := math.Atan2(m.x, -m.y)/rad + 20
			outlines := o.Shadow(Position{Altitude: math.Asin(m.up) / rad, Azimuth: azimuth}, 20)
			for i, at := range points {
				drawn := false
				for _, outline := range outlines {
					drawn = drawn || outline.Contains(at)
				}
				dark := light.share[i][j] < 1
				if drawn {
					shaded++
				}
				if drawn != dark && ShadowLength(o.High, math.Asin(m.up)/rad) < longestShadowM {
					disagree++
				}
			}
		}
	}
	if shaded < 1000 || disagree > shaded/100 {
		t.Errorf("%d of %d shaded points disagree", disagree, shaded)
	}
}

func TestNoShadowAtNight(t *testing.T) {
	if got := wall(0, 2).Shadow(Position{Altitude: -3}, 0); got != nil {
		t.Errorf("a wall casts %v at night", got)
	}
	if !math.IsInf(ShadowLength(2, 0), 1) {
		t.Error("a shadow at sunset ends")
	}
}

// A plot of 40 beds of 25 points each and 30 obstacles, over a year.
func benchPlot(b *testing.B) (*Course, []geometry.Point, []Obstacle) {
	rng := rand.New(rand.NewPCG(1, 1))
	course, err := Year(46.6, 0, 2031, 15)
	check(b, err)
	return course, randomPoints(rng, 40*25), randomObstacles(rng, 30)
}

func BenchmarkYearOf40BedsAnd30Obstacles(b *testing.B) {
	course, points, obstacles := benchPlot(b)
	for b.Loop() {
		lightOf(b, course, nil, points, obstacles)
	}
}

func BenchmarkDragStepOf40BedsAnd30Obstacles(b *testing.B) {
	course, points, obstacles := benchPlot(b)
	others := lightOf(b, course, nil, points, obstacles[1:])
	for b.Loop() {
		moved := others.With(nil, obstacles[:1])
		for bed := range 40 {
			moved.MeanHours(bed*25, bed*25+25)
		}
	}
}

// lightOf is a light that nobody waits for in vain.
func lightOf(t testing.TB, course *Course, terrain Terrain, points []geometry.Point, obstacles []Obstacle) *Light {
	t.Helper()
	light, err := NewLight(t.Context(), course, terrain, points, obstacles)
	if err != nil {
		t.Fatal(err)
	}
	return light
}

// Whoever leaves takes their work along: nothing is worked out for nobody.
func TestALightThatNobodyWaitsForIsNotWorkedOut(t *testing.T) {
	course, err := Year(46.6, 0, 2031, 15)
	if err != nil {
		t.Fatal(err)
	}
	ctx, leave := context.WithCancel(t.Context())
	leave()
	if light, err := NewLight(ctx, course, nil, make([]geometry.Point, 100), nil); !errors.Is(err, context.Canceled) || light != nil {
		t.Errorf("it is %v, %v", light, err)
	}
}
