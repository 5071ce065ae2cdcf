package climate_test

import (
	"math"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/library"
)

// By hand: two outlooks of one day, off by 2 and 1 °C at night and by 0 and 3 by day; the first within its band, the
// second not by day; a chance of rain of 0.8 before a wet day and of 0.3 before a dry one.
func TestOutlooksAreScoredByHand(t *testing.T) {
	g := hillValley(t)
	first := calendar.Must(2031, 5, 10)
	said := []climate.Said{
		{On: first, Outlook: []climate.Expected{{TMin: 8, TMax: 20, Spread: 2, WetChance: 0.8}}},
		{On: first.AddDays(1), Outlook: []climate.Expected{{TMin: 8, TMax: 20, Spread: 2, WetChance: 0.3}}},
		{On: first.AddDays(2), Outlook: []climate.Expected{{TMin: 8, TMax: 20, Spread: 2, WetChance: 0.3}}},
	}
	came := map[calendar.Date]climate.Day{
		first.AddDays(1): {TMin: 6, TMax: 20, Rain: 5},
		first.AddDays(2): {TMin: 9, TMax: 23, Rain: 0},
	}
	scores := g.ScoreOutlooks(said, func(day calendar.Date) climate.Day {
		if read, has := came[day]; has {
			return read
		}
		return climate.NoReading() // nobody read the third day: it is not counted
	})
	if len(scores) != 1 || scores[0].Days != 2 || scores[0].WetDays != 2 {
		t.Fatalf("%+v", scores)
	}
	s := scores[0]
	for what, pair := range map[string][2]float64{
		"off":    {s.OffC, (2 + 0 + 1 + 3) / 4.0},
		"inside": {s.Inside, 3 / 4.0},
		"brier":  {s.Brier, (0.2*0.2 + 0.3*0.3) / 2},
	} {
		if math.Abs(pair[0]-pair[1]) > 1e-12 {
			t.Errorf("%s: %v, by hand %v", what, pair[0], pair[1])
		}
	}
	if none := g.ScoreOutlooks(nil, nil); len(none) != 0 {
		t.Errorf("nothing said is scored %v", none)
	}
}

// The rains set in where a dry season ends, and nowhere else: in the dry-summer climate in autumn, in the desert with summer
// rain in its summer. The same counted from the members day by day.
func TestTheRainsSetInAfterTheDryMonths(t *testing.T) {
	for id, want := range map[string]struct {
		latitude    float64
		from, until calendar.Date
		has         bool
	}{
		"dry-summer":         {38, calendar.Must(2031, 9, 1), calendar.Must(2031, 12, 15), true},
		"desert-summer-rain": {32, calendar.Must(2031, 6, 1), calendar.Must(2031, 9, 1), true},
		"cool-maritime":      {55, 0, 0, false},
	} {
		normals := climateOf(t, id)
		g, err := climate.NewGenerator(normals)
		if err != nil {
			t.Fatal(err)
		}
		season := calendar.SeasonOf(want.latitude, calendar.Must(2031, 5, 1))
		e, err := climate.NewEnsemble(g, season, 0, nil, 200, 4)
		if err != nil {
			t.Fatal(err)
		}
		onset, has := e.RainsOnset(normals)
		if has != want.has {
			t.Fatalf("%s has a rain season: %v", id, has)
		}
		if !has {
			continue
		}
		if !(onset.P10 <= onset.P50 && onset.P50 <= onset.P90) || onset.P50 < want.from || onset.P50 > want.until {
			t.Errorf("%s: %s, %s, %s", id, onset.P10, onset.P50, onset.P90)
		}
		// By P50 the rains have come in half of the members, counted anew.
		dry := map[string]int{"dry-summer": 7, "desert-summer-rain": 5}[id]
		came := 0
		for m := range e.Size() {
			window := 0.0
			days := e.Weather(m)
			for i := 2; i < len(days); i++ {
				day := season.Start.AddDays(i)
				window = days[i].Rain + days[i-1].Rain + days[i-2].Rain
				if int(day.Month()) > dry && window > 20 {
					if season.Start.AddDays(i-2) <= onset.P50 {
						came++
					}
					break
				}
			}
		}
		if came < 85 || came > 130 {
			t.Errorf("%s: by %s they have come in %d of 200", id, onset.P50, came)
		}
	}
}

func climateOf(t *testing.T, id string) climate.Normals {
	t.Helper()
	l, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	n, has := l.Climate(id)
	if !has {
		t.Fatal(id)
	}
	return n
}
