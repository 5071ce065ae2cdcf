package unit

import (
	"errors"
	"math"
	"strings"
	"testing"
)

func TestParseReadsWhatGrowersType(t *testing.T) {
	tests := []struct {
		kind        Kind
		text        string
		defaultUnit string
		want        float64
	}{
		{Length, "18 in", "cm", 0.4572},
		{Length, "18in", "cm", 0.4572},
		{Length, "45 cm", "in", 0.45},
		{Length, "45", "cm", 0.45},
		{Length, "5' 4\"", "cm", 1.6256},
		{Length, "5'4\"", "cm", 1.6256},
		{Length, "2 ft 6 in", "cm", 0.762},
		{Length, "1,5 m", "cm", 1.5},
		{Length, ".5 m", "cm", 0.5},
		{Mass, "2 lb 3 oz", "g", 992.2333},
		{Mass, "1.2 kg", "g", 1200},
		{Mass, "1/4 lb", "g", 113.398},
		{Mass, "1 1/2 lb", "g", 680.3886},
		{Mass, "1½ lb", "g", 680.3886},
		{Mass, "½ kg", "g", 500},
		{Mass, "half a pound", "g", 226.7962},
		{Mass, "a pound", "g", 453.59237},
		{Mass, "two ounces", "g", 56.699},
		{Mass, "1/2", "oz", 14.1748},
		{Length, "2 ft 6 1/2 in", "cm", 0.7747},
		{Mass, "1.2 KG", "g", 1200},
		{Area, "3 m2", "m²", 3},
		{Area, "1 acre", "m²", 4046.8564224},
		{Volume, "85 ml", "l", 0.085},
		{Volume, "6.5", "l", 6.5},
		{Volume, "2 qt 1 pt", "qt", 2*0.946352946 + 0.473176473},
		{Temperature, "64 °F", "°c", 17.7778},
		{Temperature, "-40 f", "°c", -40},
	}
	for _, test := range tests {
		got, err := Parse(test.kind, test.text, test.defaultUnit)
		if err != nil || math.Abs(got-test.want) > 1e-4 {
			t.Errorf("Parse(%s, %q) = %v, %v; want %v", test.kind, test.text, got, err, test.want)
		}
	}
}

func TestParseRefusesWithAnExample(t *testing.T) {
	for _, text := range []string{"a lot", "1/0 m", "half", "a", "1/", "12 kg", "1e400", "--3", "4 4x", "3 apples"} {
		_, err := Parse(Length, text, "cm")
		if err == nil || !strings.Contains(err.Error(), "45 cm or 18 in") {
			t.Errorf("Parse(length, %q) gave %v; want an error with an example", text, err)
		}
	}
	if _, err := Parse(Mass, "  ", "g"); !errors.Is(err, ErrEmpty) {
		t.Errorf("an empty text gave %v, want ErrEmpty", err)
	}
	if _, err := Parse(Temperature, "3 c 4 c", "c"); err == nil {
		t.Error("two temperatures were added up")
	}
}

func TestDisplayedAmountsAreReadBackAsThemselves(t *testing.T) {
	for _, system := range Systems {
		for _, metres := range []float64{0.04, 0.92, 1.6, 2.35, 12.5} {
			for text, unit := range map[string]string{
				system.PlantLength(metres): system.LengthUnit(), system.GroundLength(metres): system.GroundUnit(),
			} {
				got, err := Parse(Length, text, unit)
				if err != nil || math.Abs(got-metres) > 0.051 {
					t.Errorf("%v m is shown as %q and read back as %v, %v", metres, text, got, err)
				}
			}
		}
		for _, grams := range []float64{3.2, 45, 312, 992, 2740} {
			text := system.Weight(grams)
			got, err := Parse(Mass, text, system.MassUnit())
			if err != nil || math.Abs(got-grams) > 0.02*grams+1 {
				t.Errorf("%v g is shown as %q and read back as %v, %v", grams, text, got, err)
			}
		}
	}
}

func TestDisplay(t *testing.T) {
	tests := []struct{ got, want string }{
		{Metric.PlantLength(0.92), "92 cm"}, {US.PlantLength(0.9144), "36 in"},
		{Metric.GroundLength(2.4), "2.4 m"}, {US.GroundLength(2.4), "7 ft 10 in"}, {US.GroundLength(3.048), "10 ft"},
		{Metric.Weight(312), "310 g"}, {Metric.Weight(1240), "1.24 kg"}, {US.Weight(992.2), "2 lb 3 oz"}, {US.Weight(20), "0.7 oz"},
		{Metric.Temperature(-0.2), "0 °C"}, {US.Temperature(19), "66 °F"}, {Metric.TemperatureDifference(0.7), "0.7 °C"}, {US.TemperatureDifference(0.7), "1.3 °F"}, {US.Area(3.1), "33 ft²"}, {Metric.SmallArea(0.12), "0.12 m²"}, {US.SmallArea(0.12), "1.29 ft²"}, {Metric.Area(3.1), "3.1 m²"}, {Metric.Volume(0.085), "85 ml"}, {Metric.Volume(6.45), "6.5 l"}, {Metric.Volume(2335.4), "2335 l"}, {US.Volume(189.27), "200 qt"}, {Metric.Rainfall(4.21), "4.2 mm"}, {US.Rainfall(4.21), "0.17 in"}, {Metric.FineTemperature(-1.42), "-1.4 °C"}, {US.FineTemperature(-1.4), "29.5 °F"}, {US.Volume(6.45), "6.8 qt"}, {US.Volume(0.085), "0.18 pt"},
	}
	for _, test := range tests {
		if test.got != test.want {
			t.Errorf("got %q, want %q", test.got, test.want)
		}
	}
}

func TestNumbersAreReadAsTheyAreWrittenAndSaid(t *testing.T) {
	for _, test := range []struct {
		text string
		want float64
		rest string
	}{
		{"a handful", 1, " handful"}, {"an armful", 1, " armful"}, {"half a bowl", 0.5, " bowl"}, {"Two bunches", 2, " bunches"}, {"1/4 lb", 0.25, " lb"},
		{"1 1/2 cups", 1.5, " cups"}, {"1-1/2 cups", 1.5, " cups"}, {"2 ½ cups", 2.5, " cups"}, {"¾ quart", 0.75, " quart"}, {"-3 °C", -3, " °C"}, {"a dozen heads", 12, " heads"}, {"1,5", 1.5, ""}, {"one", 1, ""},
		{"1 000 g", 1000, " g"}, {"1\u202f250 000", 1250000, ""}, {"12 12", 12, " 12"}, {"0,125 kg", 0.125, " kg"}, {"1000,5", 1000.5, ""},
	} {
		if got, rest, err := SplitNumber(test.text); err != nil || math.Abs(got-test.want) > 1e-12 || rest != test.rest {
			t.Errorf("SplitNumber(%q) = %v, %q, %v; want %v, %q", test.text, got, rest, err, test.want, test.rest)
		}
	}
	for _, text := range []string{"", "apples", "another", "1/0 cup", "--3", "/4", "oneself", "1,500 g", "999,000"} {
		if got, _, err := SplitNumber(text); err == nil {
			t.Errorf("SplitNumber(%q) = %v", text, got)
		}
	}
}

// Two numbers, or one that can be read two ways, are never quietly added up or cut short.
func TestWhatCanBeReadTwoWaysIsRefused(t *testing.T) {
	for _, text := range []string{"12 12", "1 2 kg", "1,500 g", "1,500,000", "3 4 5", "2 lb 3 4 oz"} {
		if got, err := Parse(Mass, text, "g"); err == nil {
			t.Errorf("%q is %v g", text, got)
		}
	}
	for text, want := range map[string]float64{"1 000": 1000, "1 000 g": 1000, "1 kg 250": 1250, "2 lb 3 oz": 2*453.59237 + 3*28.349523125} {
		if got, err := Parse(Mass, text, "g"); err != nil || math.Abs(got-want) > 1e-9 {
			t.Errorf("%q is %v g, %v; want %v", text, got, err, want)
		}
	}
}
