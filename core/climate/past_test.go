package climate

import (
	"math/rand/v2"
	"slices"
	"testing"

	"bramblyacre/core/calendar"
)

// After half a year of read days, the mean of the sixty days to come lies in the eight
// middle tenths of the weathers that may follow in 75 to 85 of 100 years, and a warm
// half-year is followed by warmer days than a cold one: the slow part of the weather is
// told from the day's own.
func TestWhatIsReadSaysOfTheDaysToComeWhatItCan(t *testing.T) {
	const years, past, ahead, members = 400, 180, 60, 60
	g := valleyGenerator(t)
	rng := rand.New(rand.NewPCG(31, 5))
	start := calendar.Must(2031, 1, 1)
	inside, warmAhead, coldAhead, warm, cold := 0, 0.0, 0.0, 0, 0
	meanOf := func(days []Day) (mean float64) {
		for _, day := range days {
			mean += day.Mean() / float64(len(days))
		}
		return mean
	}
	for range years {
		days, _ := g.Generate(nil, rng, start, past+ahead, g.Start(rng, start))
		truth := meanOf(days[past:])
		known := g.After(start, days[:past])
		var drawn []float64
		expected := 0.0
		for range members {
			next, _ := g.Generate(nil, rng, start.AddDays(past), ahead, known.State(rng))
			drawn = append(drawn, meanOf(next))
			expected += meanOf(next) / members
		}
		slices.Sort(drawn)
		if truth >= drawn[members/10] && truth <= drawn[members-1-members/10] {
			inside++
		}
		if known.slow[0]*weeksShare+known.slow[1]*yearShare > 0 {
			warm, warmAhead = warm+1, warmAhead+truth
		} else {
			cold, coldAhead = cold+1, coldAhead+truth
		}
	}
	if share := float64(inside) / years; share < 0.75 || share > 0.85 {
		t.Errorf("in %.3f of the years the days to come lie where eight in ten should", share)
	}
	if by := warmAhead/float64(warm) - coldAhead/float64(cold); by < 0.3 {
		t.Errorf("after what is held for a slow warmth the days are %.2f °C warmer than after a slow cold", by)
	}
}

func TestAFrostDateThatMostYearsDoNotHaveIsNone(t *testing.T) {
	mild := valley
	for m := range 12 {
		mild.TMin[m], mild.TMax[m] = mild.TMin[m]+11.5, mild.TMax[m]+11.5
	}
	for _, latitude := range []float64{46, -46} {
		g, err := NewGenerator(mild.AtSite(latitude, mild.HeightM))
		if err != nil {
			t.Fatal(err)
		}
		e, err := NewEnsemble(g, calendar.SeasonOf(latitude, calendar.Must(2031, 5, 1)), 0, nil, 200, 1)
		if err != nil {
			t.Fatal(err)
		}
		dates := e.FrostDates(0, 0.5)
		if dates.HasLast || dates.HasFirst || dates.InSpring == 0 || dates.InSpring >= 0.5 {
			t.Errorf("at %v°, with a frost in %.2f of springs and %.2f of autumns: %+v", latitude, dates.InSpring, dates.InAutumn, dates)
		}
		if rare := e.FrostDates(0, dates.InSpring/2); !rare.HasLast || rare.Last <= e.Season.Start {
			t.Errorf("at %v° the last one in few years is %+v", latitude, rare)
		}
	}
}

// Any twelve means come back from their course.
func TestACourseKeepsTheMeanOfEveryMonth(t *testing.T) {
	rng := rand.New(rand.NewPCG(8, 8))
	for range 50 {
		var monthly [12]float64
		for m := range monthly {
			monthly[m] = 40*rng.Float64() - 15
		}
		c := fitCourse(monthly)
		var sums, days [12]float64
		for i := range 365 {
			m := int(calendar.Must(2031, 1, 1).AddDays(i).Month()) - 1
			sums[m] += c[i+1]
			days[m]++
		}
		for m := range monthly {
			near(t, "a month's mean", sums[m]/days[m], monthly[m], 1e-6)
		}
	}
}
