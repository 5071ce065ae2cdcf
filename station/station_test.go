package station

import (
	"math"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/library"
)

func TestSimulatedWeatherIsTheSameHoweverItIsAskedFor(t *testing.T) {
	l, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	normals, _ := l.Climate("hill-valley")
	from, to := calendar.Must(2030, 11, 1), calendar.Must(2031, 3, 1)
	one, err := NewSimulated(normals, 7)
	if err != nil {
		t.Fatal(err)
	}
	whole, err := one.Days(from, to)
	if err != nil {
		t.Fatal(err)
	}
	other, _ := NewSimulated(normals, 7)
	another, _ := NewSimulated(normals, 8)
	differs := false
	for i := range whole {
		day, err := other.Days(from.AddDays(len(whole)-1-i), from.AddDays(len(whole)-1-i))
		if err != nil || day[0] != whole[len(whole)-1-i] {
			t.Fatalf("asked for alone, day %d is %v, %v", len(whole)-1-i, day, err)
		}
		foreign, _ := another.Days(from.AddDays(i), from.AddDays(i))
		differs = differs || foreign[0] != whole[i]
	}
	if !differs {
		t.Error("another seed gives the same weather")
	}
	if _, err := one.Days(to, from); err == nil {
		t.Error("days that run backwards were given")
	}
	if !one.Simulated() {
		t.Error("the stand-in does not say that it is simulated")
	}
}

// The outlook is off like a real one's: more the further ahead, never by more than knowing nothing; what it gives as
// its spread holds; of days that it calls likely wet so many are; and it is the same when it is asked for again.
func TestTheSimulatedOutlookIsUnsureAsItSays(t *testing.T) {
	l, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	for _, climateID := range []string{"hill-valley", "cold-continental", "desert-summer-rain", "humid-subtropical-south"} {
		normals, _ := l.Climate(climateID)
		s, err := NewSimulated(normals, 7)
		if err != nil {
			t.Fatal(err)
		}
		generator, err := climate.NewGenerator(normals)
		if err != nil {
			t.Fatal(err)
		}
		const days = 1500
		var off, usualOff, inside [OutlookDays]float64
		var said, came, called [10]float64 // by tenths of the chance of rain
		first := calendar.Must(2031, 1, 1)
		for n := range days {
			day := first.AddDays(n)
			outlook, err := s.Outlook(day)
			if err != nil || len(outlook) != OutlookDays {
				t.Fatalf("%d days, %v", len(outlook), err)
			}
			again, _ := s.Outlook(day)
			truth, _ := s.Days(day.AddDays(1), day.AddDays(OutlookDays))
			for i, e := range outlook {
				if again[i] != e {
					t.Fatal("asked again it says something else")
				}
				usual, _, _, _, _ := generator.Usual(day.AddDays(i + 1))
				off[i] += math.Abs(truth[i].TMax-e.TMax) / days
				usualOff[i] += math.Abs(truth[i].TMax-usual.TMax) / days
				if math.Abs(truth[i].TMax-e.TMax) < 1.2816*e.Spread {
					inside[i] += 1.0 / days
				}
				at := min(9, int(10*e.WetChance))
				said[at] += e.WetChance
				called[at]++
				if truth[i].Wet() {
					came[at]++
				}
			}
		}
		for i := range OutlookDays {
			if i > 0 && off[i] < off[i-1]-0.05 {
				t.Errorf("%s: %d days ahead it is off by %.2f, a day before by %.2f", climateID, i+1, off[i], off[i-1])
			}
			if off[i] > usualOff[i] {
				t.Errorf("%s: %d days ahead it is off by %.2f, what is usual by %.2f", climateID, i+1, off[i], usualOff[i])
			}
			if inside[i] < 0.72 || inside[i] > 0.88 {
				t.Errorf("%s: %d days ahead %.2f lie in the band of 8 in 10", climateID, i+1, inside[i])
			}
		}
		if off[0] > 0.6*off[OutlookDays-1] {
			t.Errorf("%s: tomorrow is off by %.2f, a week on by %.2f", climateID, off[0], off[OutlookDays-1])
		}
		for at := range called {
			if called[at] > 150 && math.Abs(said[at]-came[at])/called[at] > 0.06 {
				t.Errorf("%s: %.2f wet was said, %.2f came", climateID, said[at]/called[at], came[at]/called[at])
			}
		}
	}
}
