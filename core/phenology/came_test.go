package phenology_test

import (
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

var yearsPlan = &phenology.Plan{
	Season: calendar.SeasonOf(50, calendar.Must(2031, 6, 1)),
	Stages: []flora.Stage{
		flora.Resting, flora.Shooting, flora.Leafing, flora.FullLeaf, flora.InBud, flora.FirstFlower, flora.SettingSeed, flora.Resting,
	},
}

func lookOn(month time.Month, day int, stage flora.Stage, share phenology.Share) phenology.Sighting {
	return phenology.Sighting{Day: calendar.Must(2031, month, day), Stage: stage, Share: share}
}

func TestLooksTellWhenAStageCame(t *testing.T) {
	seen := []phenology.Sighting{
		lookOn(3, 20, flora.Resting, phenology.Most), // it rests at both ends of the year: in March still
		lookOn(4, 10, flora.Shooting, phenology.Most),
		lookOn(5, 1, flora.Leafing, phenology.AThird), // the middle plant shoots still
		lookOn(5, 11, flora.FullLeaf, phenology.Most), // leafing and full leaf both came since
		lookOn(6, 10, flora.FirstFlower, phenology.AFew),
		lookOn(6, 14, flora.FirstFlower, phenology.Half),
	}
	want := map[flora.Stage][2]calendar.Date{
		flora.Shooting:    {calendar.Must(2031, 3, 20), calendar.Must(2031, 4, 10)},
		flora.Leafing:     {calendar.Must(2031, 5, 1), calendar.Must(2031, 5, 11)},
		flora.FullLeaf:    {calendar.Must(2031, 5, 1), calendar.Must(2031, 5, 11)},
		flora.InBud:       {calendar.Must(2031, 5, 11), calendar.Must(2031, 6, 14)},
		flora.FirstFlower: {calendar.Must(2031, 6, 10), calendar.Must(2031, 6, 14)},
	}
	all := yearsPlan.CameIn(seen)
	if len(all) != len(want) {
		t.Errorf("they tell of %d stages, want %d: %+v", len(all), len(want), all)
	}
	for _, came := range all {
		if w := want[came.Stage]; came.After != w[0] || came.By != w[1] {
			// In bud: a few in flower on 10 June leave the middle plant in bud or before: nobody knows.
			t.Errorf("%s came after %s by %s, want after %s by %s", came.Stage, came.After, came.By, w[0], w[1])
		}
	}
}

func TestLooksThatContradictTellNothing(t *testing.T) {
	seen := []phenology.Sighting{
		lookOn(4, 10, flora.Shooting, phenology.Most), lookOn(5, 1, flora.FullLeaf, phenology.Most), lookOn(5, 9, flora.Leafing, phenology.Most),
	}
	for _, came := range yearsPlan.CameIn(seen) {
		if came.Stage == flora.FullLeaf {
			t.Errorf("full leaf came by %s, though it leafed on 9 May", came.By)
		}
	}
	if all := yearsPlan.CameIn(nil); len(all) != 0 {
		t.Errorf("without a look it tells %+v", all)
	}
}

func TestWhatWasToldIsCounted(t *testing.T) {
	day := func(n int) calendar.Date { return calendar.Must(2031, 6, n) }
	told := phenology.Dates{P10: day(5), P50: day(10), P90: day(15), Chance: 1}
	var score phenology.Told
	for _, days := range [][2]int{{1, 4}, {1, 5}, {9, 12}, {14, 20}, {15, 20}} { // not yet on the one, there on the other
		score.Add(told, phenology.Came{After: day(days[0]), By: day(days[1])})
	}
	// 1 to 4 June is surely early and 16 to 20 surely late; the middle, the 10th, is 6, 5, 0, 5 and 6 days off at least.
	if score.Of != 5 || score.Within != 3 || score.Early != 1 || score.Late != 1 || score.Off != 4.4 || score.Wide != 10 {
		t.Errorf("counted as %+v", score)
	}
	// Of twenty, 12 or fewer come in 3.2 % of cases, 13 or fewer in 8.7 %: tables of the binomial distribution.
	for within := 0; within <= 20; within++ {
		if got, want := (phenology.Told{Of: 20, Within: within}).Plausible(), within >= 13; got != want {
			t.Errorf("%d of 20 is plausible: %v", within, got)
		}
	}
	if !(phenology.Told{}).Plausible() {
		t.Error("of nothing, nothing speaks against it")
	}
}
