package station

import (
	"testing"

	"bramblyacre/core/calendar"
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
