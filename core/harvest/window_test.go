package harvest

import (
	"math"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

const latitude = 46.6

var season = calendar.SeasonOf(latitude, calendar.Must(2031, time.May, 1))

// herb is a made-up perennial with a flower in summer and a root that rests in winter.
func herb() *flora.Species {
	rule := func(s flora.Stage, warmth float64) flora.StageRule {
		return flora.StageRule{Stage: s, Warmth: figure(warmth)}
	}
	flower := tops()
	flower.From, flower.Until, flower.Peak = flora.FirstFlower, flora.SettingSeed, flora.FullFlower
	root := &flora.HarvestRule{Verb: "Lift", One: "root", Many: "roots", From: flora.DyingBack, Until: flora.Shooting, Peak: flora.DyingBack, MinYear: figure(2), PerPlant: figure(1), TakesPlant: true}
	return &flora.Species{
		ID: "herb", Life: flora.Life{Form: flora.Perennial, FullAge: figure(2)},
		Growth: flora.Growth{Base: figure(4), Upper: figure(30), Spread: figure(0.06), Years: []flora.YearOfLife{
			{From: 1, Stages: []flora.StageRule{rule(flora.Shooting, 110), rule(flora.FullLeaf, 600), rule(flora.DyingBack, 1900), rule(flora.Resting, 2000)}},
			{From: 2, Stages: []flora.StageRule{
				rule(flora.Shooting, 70), rule(flora.FullLeaf, 290), rule(flora.FirstFlower, 650), rule(flora.FullFlower, 780), rule(flora.SettingSeed, 980), rule(flora.DyingBack, 1900), rule(flora.Resting, 2000),
			}},
		}},
		Parts: []flora.Part{{Name: "flower", Harvest: flower}, {Name: "root", Harvest: root}, {Name: "leaf"}},
	}
}

func forecast(t *testing.T, year int) *phenology.Forecast {
	t.Helper()
	generator, err := climate.NewGenerator(climate.Normals{
		ID: "valley", HeightM: 600, Latitude: 46,
		TMin:      [12]float64{-4.6, -4.0, -0.8, 2.8, 7.0, 10.4, 12.3, 12.0, 8.6, 4.8, 0.0, -3.6},
		TMax:      [12]float64{2.2, 4.3, 9.2, 13.6, 18.0, 21.6, 23.9, 23.4, 19.0, 13.6, 6.8, 2.8},
		Rain:      [12]float64{62, 58, 66, 78, 104, 116, 112, 118, 92, 78, 72, 70},
		WetDays:   [12]float64{9.6, 9, 10.2, 10.8, 12.6, 12.4, 11.6, 11.4, 9.4, 9, 9.8, 10.2},
		SpreadMin: 3.2, SpreadMax: 4.2, WetDayCooler: 3.4,
	})
	if err != nil {
		t.Fatal(err)
	}
	weather, err := climate.NewEnsemble(generator, season, 0, nil, 100, 11)
	if err != nil {
		t.Fatal(err)
	}
	daylight, err := phenology.NewDaylight(latitude, season)
	if err != nil {
		t.Fatal(err)
	}
	plan, err := phenology.NewPlan(herb(), year, daylight, season.Start.AddDays(-500))
	if err != nil {
		t.Fatal(err)
	}
	return plan.Forecast(weather, phenology.PriorPace(), nil)
}

// A flower has one window in summer, a root two: the winter that ends in spring and the
// one that begins in autumn. A part without a harvest has none, and a plant too young
// for one, neither.
func TestWindowsFollowThePartsStages(t *testing.T) {
	settled := Age{Year: 4, Seasons: 3}
	windows := Windows(forecast(t, 4), herb(), settled)
	if len(windows) != 3 || windows[0].Part.Name != "flower" || windows[1].Part.Name != "root" || !windows[1].FromBefore || !windows[2].IntoNext {
		t.Fatalf("%d windows", len(windows))
	}
	for i, want := range []struct{ first, last time.Month }{{time.June, time.August}, {time.January, time.April}, {time.September, time.December}} {
		first, last, opens := windows[i].LikelyDays()
		if !opens || first.Month() < want.first || last.Month() > want.last || windows[i].Season() != season {
			t.Errorf("%s is open from %s to %s", windows[i].Part.Name, first, last)
		}
	}
	if young := Windows(forecast(t, 1), herb(), Age{Year: 1}); len(young) != 0 {
		t.Errorf("in its first year it has %d windows", len(young))
	}
	// In its second year the winter before belongs to the first, in which no root is due.
	second := Windows(forecast(t, 2), herb(), Age{Year: 2, Seasons: 1})
	if len(second) != 2 || second[1].FromBefore {
		t.Errorf("in its second year it has %d windows", len(second))
	}
}

// A window is open from its first likely day to its last, and on no other day of any
// season.
func TestAWindowIsOpenOnItsLikelyDays(t *testing.T) {
	for _, w := range Windows(forecast(t, 4), herb(), Age{Year: 4, Seasons: 3}) {
		first, last, _ := w.LikelyDays()
		for day := season.Start.AddDays(-40); day <= season.End.AddDays(40); day++ {
			if want := day >= first && day <= last; w.OpenOn(day) != want {
				t.Fatalf("%s on %s: open %v, want %v", w.Part.Name, day, w.OpenOn(day), want)
			}
			chance := w.ChanceOn(day)
			if chance < 0 || chance > 1 || !season.Contains(day) && chance != 0 {
				t.Fatalf("%s on %s has the chance %v", w.Part.Name, day, chance)
			}
		}
	}
}

// Of a planting some share is ready on every day: none or all of it far from the
// window's edges, and for a root all of it in the depth of winter.
func TestTheShareThatIsReady(t *testing.T) {
	f, parts := forecast(t, 4), herb().Parts
	before := -1.0
	for day := season.Start; day <= season.End; day++ {
		flower, root := ReadyShare(f, parts[0].Harvest, day), ReadyShare(f, parts[1].Harvest, day)
		if flower < 0 || flower > 1 || root < 0 || root > 1 || flower+root > 1+1e-9 {
			t.Fatalf("on %s %v of the flowers and %v of the roots are ready", day, flower, root)
		}
		if day.Month() == time.January && (math.Abs(root-1) > 1e-9 || flower != 0) {
			t.Errorf("on %s %v of the roots are ready", day, root)
		}
		before = max(before, flower)
	}
	if before < 0.6 {
		t.Errorf("at most %v of the flowers are ever ready at once", before)
	}
}

// A part that ripens in flushes has a window for each, in its months alone, and none is ready
// between them.
func TestEachFlushHasItsOwnWindow(t *testing.T) {
	plant := herb()
	flower := plant.Parts[0].Harvest
	f := forecast(t, 4)
	whole := Windows(f, plant, Age{Year: 4, Seasons: 3})[0]
	first, last, _ := whole.LikelyDays()
	if first.Month() == last.Month() {
		t.Fatalf("the flower's window lies in %s alone", first.Month())
	}
	early, late := calendar.MonthsFrom(first.Month(), first.Month()), calendar.MonthsFrom(last.Month(), last.Month())
	flower.Flushes = []flora.Flush{{Name: "first", Season: early}, {Name: "second", Season: late}, {Name: "never", Season: calendar.MonthsFrom(time.January, time.January)}}
	windows := Windows(f, plant, Age{Year: 4, Seasons: 3})
	for i, want := range []struct {
		flush       string
		first, last time.Month
		opens       bool
	}{{"first", first.Month(), first.Month(), true}, {"second", last.Month(), last.Month(), true}, {"never", 0, 0, false}} {
		from, until, opens := windows[i].LikelyDays()
		if windows[i].Flush != want.flush || opens != want.opens || opens && (from.Month() != want.first || until.Month() != want.last) {
			t.Errorf("the %s flush: %s from %s to %s, opens %v", want.flush, windows[i].Flush, from, until, opens)
		}
	}
	for day := season.Start; day <= season.End; day++ {
		if ready := ReadyShare(f, flower, day); ready > 0 && !early.Has(day.Month()) && !late.Has(day.Month()) {
			t.Fatalf("on %s %v are ready, between the flushes", day, ready)
		}
	}
}
