package climate

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
)

// valley is a made-up station for these tests.
var valley = Normals{
	ID: "valley", HeightM: 600, Latitude: 46,
	TMin:      [12]float64{-4.6, -4.0, -0.8, 2.8, 7.0, 10.4, 12.3, 12.0, 8.6, 4.8, 0.0, -3.6},
	TMax:      [12]float64{2.2, 4.3, 9.2, 13.6, 18.0, 21.6, 23.9, 23.4, 19.0, 13.6, 6.8, 2.8},
	Rain:      [12]float64{62, 58, 66, 78, 104, 116, 112, 118, 92, 78, 72, 70},
	WetDays:   [12]float64{9.6, 9, 10.2, 10.8, 12.6, 12.4, 11.6, 11.4, 9.4, 9, 9.8, 10.2},
	SpreadMin: 3.2, SpreadMax: 4.2, WetDayCooler: 3.4,
}

func valleyGenerator(t testing.TB) *Generator {
	t.Helper()
	g, err := NewGenerator(valley)
	if err != nil {
		t.Fatal(err)
	}
	return g
}

func TestGeneratedWeatherHasTheNormalsStatistics(t *testing.T) {
	const years = 300
	g := valleyGenerator(t)
	rng := rand.New(rand.NewPCG(7, 7))
	start := calendar.Must(2001, 1, 1)
	days, _ := g.Generate(nil, rng, start, 365*years, g.Start(rng, start))
	var tmin, tmax, rain, wet, count [12]float64
	for i, day := range days {
		m := int(start.AddDays(i).Month()) - 1
		count[m]++
		tmin[m] += day.TMin
		tmax[m] += day.TMax
		rain[m] += day.Rain
		if day.Wet() {
			wet[m]++
		}
		if day.TMin > day.TMax || math.IsNaN(day.TMin+day.TMax+day.Rain) || day.Rain < 0 {
			t.Fatalf("day %d is %+v", i, day)
		}
	}
	for m := range 12 {
		month := time.Month(m + 1).String()
		length := float64(daysIn(time.Month(m + 1)))
		near(t, month+" lowest", tmin[m]/count[m], valley.TMin[m], 0.6)
		near(t, month+" highest", tmax[m]/count[m], valley.TMax[m], 0.6)
		near(t, month+" wet days", wet[m]/count[m]*length, valley.WetDays[m], 0.9)
		near(t, month+" rain", rain[m]/count[m]*length, valley.Rain[m], 0.12*valley.Rain[m])
	}
}

func TestWetDaysComeInSpells(t *testing.T) {
	g := valleyGenerator(t)
	rng := rand.New(rand.NewPCG(3, 3))
	start := calendar.Must(2001, 6, 1)
	days, _ := g.Generate(nil, rng, start, 90000, g.Start(rng, start))
	afterWet, wetAfterWet, afterDry, wetAfterDry := 0.0, 0.0, 0.0, 0.0
	for i := 1; i < len(days); i++ {
		if days[i-1].Wet() {
			afterWet++
			if days[i].Wet() {
				wetAfterWet++
			}
		} else {
			afterDry++
			if days[i].Wet() {
				wetAfterDry++
			}
		}
	}
	// Geng et al. 1986: the chance after a wet day is a quarter higher.
	near(t, "persistence", wetAfterWet/afterWet-wetAfterDry/afterDry, 0.25, 0.03)
}

func TestSameSeedGivesTheSameEnsembleAndReadDaysAreKept(t *testing.T) {
	g := valleyGenerator(t)
	season := calendar.SeasonOf(46, calendar.Must(2031, 5, 1))
	rng := rand.New(rand.NewPCG(1, 1))
	from := season.Start.AddDays(-LeadDays - 20)
	read, _ := g.Generate(nil, rng, from, LeadDays+20+100, g.Start(rng, from))
	make := func(seed uint64) *Ensemble {
		e, err := NewEnsemble(g, season, from, read, 20, seed)
		if err != nil {
			t.Fatal(err)
		}
		return e
	}
	a, b, other := make(5), make(5), make(6)
	if a.KnownUntil != season.Start.AddDays(99) {
		t.Errorf("known until %s", a.KnownUntil)
	}
	differs := false
	for m := range a.Size() {
		for i, day := range a.Weather(m) {
			if day != b.Weather(m)[i] {
				t.Fatalf("member %d day %d differs under one seed", m, i)
			}
			if i < 100 && day != read[20+LeadDays+i] {
				t.Fatalf("member %d day %d is not the day that was read", m, i)
			}
			differs = differs || day != other.Weather(m)[i]
		}
	}
	if !differs {
		t.Error("another seed gave the same weather")
	}
	table := a.Thermal(5, 30)
	for m := range a.Size() {
		sum := 0.0
		for i, day := range a.Weather(m) {
			sum += degreeDays(day.TMin, day.TMax, 5, 30)
			near(t, "sum", table.Sum(m, i), sum, 1e-6)
		}
		if got := table.DayReaching(m, table.Sum(m, 150), 0); table.Sum(m, got) < table.Sum(m, 150) || got > 150 {
			t.Errorf("member %d reaches day 150's sum on day %d", m, got)
		}
		if got := table.DayReaching(m, sum+1, 0); got != season.Days() {
			t.Errorf("a sum that is never reached gives day %d", got)
		}
	}
}

func TestReadingsThatBeginTooLateAreRefused(t *testing.T) {
	g := valleyGenerator(t)
	season := calendar.SeasonOf(46, calendar.Must(2031, 5, 1))
	if _, err := NewEnsemble(g, season, season.Start, make([]Day, 30), 5, 1); err == nil {
		t.Error("a gap before the readings was accepted")
	}
	if _, err := NewEnsemble(g, season, 0, nil, 0, 1); err == nil {
		t.Error("an ensemble of none was accepted")
	}
}

func TestFrostDatesFallInOrder(t *testing.T) {
	season := calendar.SeasonOf(46, calendar.Must(2031, 5, 1))
	e, err := NewEnsemble(valleyGenerator(t), season, 0, nil, 200, 1)
	if err != nil {
		t.Fatal(err)
	}
	half, fifth, tenth := e.FrostDates(0, 0.5), e.FrostDates(0, 0.2), e.FrostDates(0, 0.1)
	if !(half.Last < fifth.Last && fifth.Last < tenth.Last) {
		t.Errorf("last frosts %s, %s, %s are not in order", half.Last, fifth.Last, tenth.Last)
	}
	if !(tenth.First <= fifth.First && fifth.First <= half.First) {
		t.Errorf("first frosts %s, %s, %s are not in order", tenth.First, fifth.First, half.First)
	}
	if hard := e.FrostDates(-4, 0.1); hard.Last >= tenth.Last || hard.First <= tenth.First {
		t.Errorf("hard frost %+v reaches further than light frost %+v", hard, tenth)
	}
	later := 0
	for m := range e.Size() {
		for i := int(tenth.Last-season.Start) + 1; i < season.Days()/2; i++ {
			if e.Weather(m)[i].TMin <= 0 {
				later++
				break
			}
		}
	}
	if share := float64(later) / float64(e.Size()); share > 0.1 || share < 0.05 {
		t.Errorf("after the 10 %% date, %v of the seasons still freeze", share)
	}
	if warm := e.FrostDates(-60, 0.1); warm.HasLast || warm.HasFirst {
		t.Errorf("a threshold that is never reached has dates %+v", warm)
	}
	chance := e.FrostChance(0)
	if chance[15] < 0.7 || chance[200] > 0.02 {
		t.Errorf("frost chance %v in January, %v in July", chance[15], chance[200])
	}
}

func TestSoilFollowsTheAirLaterAndSmootherWithDepthAndMulch(t *testing.T) {
	season := calendar.SeasonOf(46, calendar.Must(2031, 5, 1))
	e, err := NewEnsemble(valleyGenerator(t), season, 0, nil, 50, 1)
	if err != nil {
		t.Fatal(err)
	}
	course := func(depth, mulch float64) []float64 {
		lag, err := SoilLag(depth, mulch)
		if err != nil {
			t.Fatal(err)
		}
		return e.MeanSoilCourse(lag)
	}
	shallow, deep, mulched := course(0.05, 0), course(0.5, 0), course(0.05, 0.08)
	spring := 90
	if !(shallow[spring] > mulched[spring] && shallow[spring] > deep[spring]) {
		t.Errorf("in spring: shallow %v, mulched %v, deep %v °C", shallow[spring], mulched[spring], deep[spring])
	}
	if autumn := 300; deep[autumn] < shallow[autumn] {
		t.Errorf("in autumn the deep soil, %v °C, is colder than the shallow, %v °C", deep[autumn], shallow[autumn])
	}
	for _, wrong := range [][2]float64{{-0.1, 0}, {5, 0}, {0.1, 2}} {
		if _, err := SoilLag(wrong[0], wrong[1]); err == nil {
			t.Errorf("depth %v m under %v m of mulch was accepted", wrong[0], wrong[1])
		}
	}
}

func TestNormalsMoveWithHeightAndHemisphere(t *testing.T) {
	higher := valley.AtSite(46, 1600)
	near(t, "July 1000 m higher", higher.TMax[6], valley.TMax[6]-6.5, 1e-9)
	south := valley.AtSite(-46, 600)
	near(t, "January in the south", south.TMax[0], valley.TMax[6], 1e-9)
	if err := south.Check(); err != nil {
		t.Error(err)
	}
}

func TestNormalsThatCannotBeAreRefused(t *testing.T) {
	tests := map[string]func(*Normals){
		"above highest": func(n *Normals) { n.TMin[3] = 40 },
		"no wet day":    func(n *Normals) { n.WetDays[5] = 0 },
		"cannot be":     func(n *Normals) { n.WetDays[1] = 30 },
		"of this world": func(n *Normals) { n.TMax[6] = 80 },
		"spreads":       func(n *Normals) { n.SpreadMin = 0 },
	}
	for want, spoil := range tests {
		n := valley
		spoil(&n)
		if _, err := NewGenerator(n); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("got %v, want an error with %q", err, want)
		}
	}
}
