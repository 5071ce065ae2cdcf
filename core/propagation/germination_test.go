package propagation

import (
	"errors"
	"math"
	"strings"
	"testing"

	"bramblyacre/core/climate"
)

var worked = Germination{Base: 4, Optimum: 20, Ceiling: 27, Warmth: 60}

func TestComingUpAsWorkedByHand(t *testing.T) {
	for celsius, want := range map[float64]float64{12: 7.5, 24: 8.75, 20: 3.75} {
		if got, err := worked.DaysAt(celsius); err != nil || math.Abs(got-want) > 1e-9 {
			t.Errorf("at %g °C: %g, %v; want %g", celsius, got, err, want)
		}
	}
	_, err := worked.DaysAt(28)
	var never NeverError
	if !errors.As(err, &never) || !never.Warm || !strings.Contains(err.Error(), "sow where it is cooler") {
		t.Errorf("at 28 °C: %v", err)
	}
	if _, err := worked.DaysAt(4); !errors.As(err, &never) || never.Warm {
		t.Errorf("at the base: %v", err)
	}
}

func TestTemperaturesOutOfOrderAreRefused(t *testing.T) {
	for _, bad := range []Germination{{4, 20, 15, 60}, {20, 10, 30, 60}, {4, 20, 27, 0}, {4, 20, 27, math.NaN()}} {
		if _, err := bad.DaysAt(12); err == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
}

// Under a steady course the day is the whole day in which the days of DaysAt end.
func TestTheCourseAgreesWithTheSteadyTemperature(t *testing.T) {
	for celsius := 5.0; celsius < 27; celsius += 0.7 {
		days, err := worked.DaysAt(celsius)
		if err != nil {
			t.Fatal(err)
		}
		day, up := worked.DayUp(func(int) float64 { return celsius }, 2000)
		if !up || day != int(math.Ceil(days-1e-6))-1 {
			t.Errorf("at %.1f °C: up on day %d, steady %.3f days", celsius, day, days)
		}
	}
	if _, up := worked.DayUp(func(int) float64 { return 30 }, 2000); up {
		t.Error("it comes up above its ceiling")
	}
}

func TestColdBeforeTheWarmthDoesNotCount(t *testing.T) {
	rest := Rest{
		WarmDays: 3,
		ColdDays: 4,
		Warm:     climate.ChillRange{Low: 15, High: 30},
		Cold:     climate.ChillRange{Low: 0, High: 10},
	}
	course := []float64{5, 5, 20, 20, 12, 20, 5, 12, 5, -3, 5, 5, 20}
	//                  cold first, 3 warm by day 5, then cold on 6, 8, 10, 11
	day, ends := rest.Ends(func(day int) float64 { return course[day] }, len(course))
	if !ends || day != 12 {
		t.Errorf("the rest ends on day %d, %v; want 12", day, ends)
	}
	if day, ends := (Rest{}).Ends(func(int) float64 { return 0 }, 5); !ends || day != 0 {
		t.Errorf("without a rest: %d, %v", day, ends)
	}
	if _, ends := rest.Ends(func(int) float64 { return 20 }, 400); ends {
		t.Error("the cold comes without a cold day")
	}
}
