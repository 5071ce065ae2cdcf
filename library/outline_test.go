package library

import (
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// The months of frost that a climate is outlined by are those in which nights freeze in weather that is made day by day.
func TestMonthsOfFrostFreezeInTheWeather(t *testing.T) {
	shipped, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	for _, n := range shipped.Climates() {
		g, err := climate.NewGenerator(n)
		if err != nil {
			t.Fatal(err)
		}
		season := calendar.SeasonOf(n.Latitude, calendar.Must(2031, time.May, 27))
		const members = 100
		weather, err := climate.NewEnsemble(g, season, 0, nil, members, 5)
		if err != nil {
			t.Fatal(err)
		}
		var nights [13]float64
		for m := range members {
			for i, day := range weather.Weather(m) {
				if at := season.Start.AddDays(i); at <= season.End && day.TMin < 0 {
					nights[at.Month()] += 1.0 / members
				}
			}
		}
		o := n.OutlineAt(n.Latitude)
		said := func(month time.Month) bool {
			if o.FrostFrom == 0 {
				return false
			}
			for at := o.FrostFrom; ; at = at%12 + 1 {
				if at == month {
					return true
				}
				if at == o.FrostTo {
					return false
				}
			}
		}
		for month := time.January; month <= time.December; month++ {
			if said(month) && nights[month] < 1.25 || !said(month) && nights[month] > 5 {
				t.Errorf("%s: in %s %.1f nights freeze, and frost is said to be there: %v", n.ID, month, nights[month], said(month))
			}
		}
		t.Logf("%s: %s to %s, nights %.1f", n.ID, o.FrostFrom, o.FrostTo, nights[1:])
	}
}
