package calendar

import (
	"testing"
	"time"
)

func TestMonthsAreReadAndWrittenInWords(t *testing.T) {
	for text, written := range map[string]string{
		"March to July": "March to July", "Oct": "October", "all year": "all year", "November to February": "November to February",
		"February to March, September": "February to March, September", "Dec to Jan, Jun": "June, December to January",
	} {
		var m Months
		if err := m.UnmarshalText([]byte(text)); err != nil || m.String() != written {
			t.Errorf("%q is read as %q, %v", text, m, err)
		}
	}
	for _, text := range []string{"", "spring", "March to", "march", "March-July", "Marchember", "January to Smarch"} {
		var m Months
		if err := m.UnmarshalText([]byte(text)); err == nil {
			t.Errorf("%q is read as %q", text, m)
		}
	}
}

// Every set of months comes back from its own words, and twice half a year on is where it
// was; March is September in the south.
func TestMonthsTurnByHalfAYear(t *testing.T) {
	for m := Months(1); m <= AllYear; m++ {
		var again Months
		if err := again.UnmarshalText([]byte(m.String())); err != nil || again != m {
			t.Fatalf("%q is read as %q, %v", m, again, err)
		}
		if m.HalfAYearOn().HalfAYearOn() != m || m.HalfAYearOn().Count() != m.Count() {
			t.Fatalf("%q turned twice is %q", m, m.HalfAYearOn().HalfAYearOn())
		}
	}
	if south := MonthsFrom(time.March, time.July).HalfAYearOn(); south != MonthsFrom(time.September, time.January) {
		t.Errorf("March to July is %s in the south", south)
	}
	if m := MonthsFrom(time.November, time.February); !m.Has(time.December) || m.Has(time.March) || m.Count() != 4 {
		t.Errorf("November to February is %s", m)
	}
}
