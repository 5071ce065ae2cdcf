package climate

import (
	"math"
	"testing"
	"time"

	"bramblyacre/core/calendar"
)

func near(t *testing.T, what string, got, want, within float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > within {
		t.Errorf("%s = %v, want %v ± %v", what, got, want, within)
	}
}

// The values are FAO-56's own examples 8 (radiation), 9 (day length) and 20 (ET0).
func TestPublishedExamplesOfFAO56(t *testing.T) {
	september := calendar.Must(2031, time.September, 3)
	hours, err := DayLength(-20, september)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "day length at 20° S on 3 September", hours, 11.67, 0.005)
	radiation, err := ExtraterrestrialRadiation(-20, september)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "radiation at 20° S on 3 September", radiation, 32.19, 0.005)
	et0, err := ReferenceEvapotranspiration(45.72, calendar.Must(2031, time.July, 15), 14.8, 26.6)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "ET0 at 45.72° N on 15 July", et0, 5.03, 0.005)
}

func TestPolarDaysAreWholeOrNoneNeverNaN(t *testing.T) {
	tests := []struct {
		latitude float64
		month    time.Month
		hours    float64
	}{{90, 6, 24}, {90, 12, 0}, {70, 6, 24}, {70, 12, 0}, {-90, 6, 0}, {-90, 12, 24}, {-70, 12, 24}}
	for _, test := range tests {
		day := calendar.Must(2031, test.month, 21)
		hours, err := DayLength(test.latitude, day)
		if err != nil || hours != test.hours {
			t.Errorf("day length at %v on %s = %v, %v; want %v", test.latitude, day, hours, err, test.hours)
		}
		radiation, err := ExtraterrestrialRadiation(test.latitude, day)
		if err != nil || math.IsNaN(radiation) || (radiation > 0) != (test.hours > 0) {
			t.Errorf("radiation at %v on %s = %v, %v", test.latitude, day, radiation, err)
		}
	}
}

func TestHemispheresMirrorEachOther(t *testing.T) {
	for offset := range 365 {
		day := calendar.Must(2031, 1, 1).AddDays(offset)
		north, err := DayLength(40, day)
		if err != nil {
			t.Fatal(err)
		}
		south, err := DayLength(-40, day)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "day at 40° N and 40° S together on "+day.String(), north+south, 24, 1e-9)
	}
}

func TestWrongArgumentsAreErrors(t *testing.T) {
	day := calendar.Must(2031, 6, 1)
	for _, latitude := range []float64{90.1, -91, math.NaN(), math.Inf(1)} {
		if _, err := DayLength(latitude, day); err == nil {
			t.Errorf("latitude %v was accepted", latitude)
		}
	}
	if _, err := ReferenceEvapotranspiration(45, day, 20, 10); err == nil {
		t.Error("a lowest temperature above the highest was accepted")
	}
	if _, err := DegreeDays(15, 5, 10, NoUpper); err == nil {
		t.Error("a lowest temperature above the highest was accepted")
	}
	if _, err := DegreeDays(5, 15, 10, 8); err == nil {
		t.Error("a cut-off below the base was accepted")
	}
}

func TestDegreeDays(t *testing.T) {
	tests := []struct {
		tmin, tmax, base, upper, want float64
		source                        string
	}{
		{5, 15, 10, NoUpper, 5 / math.Pi, "half a sine: amplitude/π"},
		{12, 20, 10, NoUpper, 6, "all above the base: the mean less the base"},
		{-5, 9, 10, NoUpper, 0, "all below"},
		{20, 40, 10, 30, 20 - 10/math.Pi, "half a sine above the cut-off is lost"},
		{31, 35, 10, 30, 20, "all above the cut-off: the cut-off less the base"},
		{10, 10, 10, NoUpper, 0, "a still day at the base"},
	}
	for _, test := range tests {
		got, err := DegreeDays(test.tmin, test.tmax, test.base, test.upper)
		if err != nil {
			t.Fatal(err)
		}
		near(t, test.source, got, test.want, 1e-9)
	}
}

// The closed form of Baskerville and Emin is the integral of the sine.
func TestDegreeDaysEqualTheIntegralOfTheSine(t *testing.T) {
	for _, day := range [][2]float64{{-3, 12}, {2, 31}, {8, 40}, {9.9, 10.1}} {
		const steps = 100000
		sum := 0.0
		for i := range steps {
			at := (day[0]+day[1])/2 + (day[1]-day[0])/2*math.Sin(2*math.Pi*(float64(i)+0.5)/steps)
			sum += math.Min(math.Max(at-6, 0), 28-6) / steps
		}
		got, err := DegreeDays(day[0], day[1], 6, 28)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "degree-days", got, sum, 1e-5)
	}
}
