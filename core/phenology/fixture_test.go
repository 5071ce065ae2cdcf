package phenology

import (
	"math/rand/v2"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

const latitude = 46.6

// valley is a made-up cool climate; herb is a made-up perennial.
var valley = climate.Normals{
	ID: "valley", HeightM: 600, Latitude: 46,
	TMin:      [12]float64{-4.6, -4.0, -0.8, 2.8, 7.0, 10.4, 12.3, 12.0, 8.6, 4.8, 0.0, -3.6},
	TMax:      [12]float64{2.2, 4.3, 9.2, 13.6, 18.0, 21.6, 23.9, 23.4, 19.0, 13.6, 6.8, 2.8},
	Rain:      [12]float64{62, 58, 66, 78, 104, 116, 112, 118, 92, 78, 72, 70},
	WetDays:   [12]float64{9.6, 9, 10.2, 10.8, 12.6, 12.4, 11.6, 11.4, 9.4, 9, 9.8, 10.2},
	SpreadMin: 3.2, SpreadMax: 4.2, WetDayCooler: 3.4,
}

func herb() *flora.Species {
	figure := func(v float64) flora.Figure { return flora.Figure{Value: v} }
	hours := func(v float64) *flora.Figure { return &flora.Figure{Value: v, Low: v, High: v} }
	rule := func(s flora.Stage, warmth float64) flora.StageRule {
		return flora.StageRule{Stage: s, Warmth: figure(warmth)}
	}
	dying := rule(flora.DyingBack, 1300)
	dying.DayBelow = hours(11.8)
	resting := rule(flora.Resting, 1300)
	resting.DayBelow = hours(10)
	return &flora.Species{
		ID: "herb", Names: flora.Names{Name: "herb"},
		Life: flora.Life{Form: flora.Perennial, FullAge: figure(3)},
		Size: flora.Size{Height: figure(100), Width: figure(50)},
		Growth: flora.Growth{
			Base: figure(4), Upper: figure(30), Spread: figure(0.06),
			Years: []flora.YearOfLife{
				{From: 1, Stages: []flora.StageRule{rule(flora.Shooting, 110), rule(flora.Leafing, 260), rule(flora.FullLeaf, 600), dying, resting}},
				{From: 2, Stages: []flora.StageRule{
					rule(flora.Shooting, 70), rule(flora.Leafing, 150), rule(flora.FullLeaf, 290), rule(flora.InBud, 460),
					rule(flora.FirstFlower, 650), rule(flora.FullFlower, 780), rule(flora.SettingSeed, 980), rule(flora.Ripe, 1280), dying, resting,
				}},
			},
		},
	}
}

var season = calendar.SeasonOf(latitude, calendar.Must(2031, 5, 1))

func generator(t testing.TB) *climate.Generator {
	t.Helper()
	g, err := climate.NewGenerator(valley)
	if err != nil {
		t.Fatal(err)
	}
	return g
}

// year generates one season with its lead-in: a truth to be forecast.
func year(t testing.TB, seed uint64) (from calendar.Date, days []climate.Day) {
	t.Helper()
	g := generator(t)
	rng := rand.New(rand.NewPCG(seed, 99))
	from = season.Start.AddDays(-climate.LeadDays)
	days, _ = g.Generate(nil, rng, from, climate.LeadDays+season.Days(), g.Start(rng, from))
	return from, days
}

func ensemble(t testing.TB, from calendar.Date, read []climate.Day, size int) *climate.Ensemble {
	t.Helper()
	e, err := climate.NewEnsemble(generator(t), season, from, read, size, 11)
	if err != nil {
		t.Fatal(err)
	}
	return e
}

func plan(t testing.TB, yearOfLife int) *Plan {
	t.Helper()
	daylight, err := NewDaylight(latitude, season)
	if err != nil {
		t.Fatal(err)
	}
	p, err := NewPlan(herb(), yearOfLife, daylight, season.Start.AddDays(-500))
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// planOf is the plan of a species in its third year.
func planOf(t testing.TB, species *flora.Species) *Plan {
	t.Helper()
	daylight, err := NewDaylight(latitude, season)
	if err != nil {
		t.Fatal(err)
	}
	p, err := NewPlan(species, 3, daylight, season.Start-1)
	if err != nil {
		t.Fatal(err)
	}
	return p
}
