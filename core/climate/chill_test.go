package climate

import (
	"testing"

	"bramblyacre/core/calendar"
)

// steady is weather of one temperature, day and night.
func steady(days int, celsius float64) []Day {
	weather := make([]Day, days)
	for i := range weather {
		weather[i] = Day{TMin: celsius, TMax: celsius}
	}
	return weather
}

func TestChillCountsTheColdOfTheAutumnBefore(t *testing.T) {
	season := calendar.SeasonOf(46, calendar.Must(2031, 5, 1))
	from := season.Start.AddDays(-LeadDays)
	whole := LeadDays + season.Days()
	within := ChillRange{Low: 0, High: 7}
	tests := []struct {
		name    string
		weather []Day
		day     int
		want    float64
	}{
		{"the autumn and the first day", steady(whole, 4), 0, LeadDays + 1},
		{"before the first day", steady(whole, 4), -1, LeadDays},
		{"twenty days of the season too", steady(whole, 4), 19, LeadDays + 20},
		{"too warm a winter", steady(whole, 9), 300, 0},
		{"too cold to count", steady(whole, -6), 300, 0},
		{"at the bounds", steady(whole, 7), 9, LeadDays + 10},
		{"a warm autumn, then cold", append(steady(LeadDays, 12), steady(season.Days(), 2)...), 29, 30},
		{"beyond the season", steady(whole, 4), 5000, float64(whole)},
	}
	for _, test := range tests {
		e, err := NewEnsemble(valleyGenerator(t), season, from, test.weather, 2, 1)
		if err != nil {
			t.Fatal(err)
		}
		for member := range e.Size() {
			if got := e.Chill(within).Days(member, test.day); got != test.want {
				t.Errorf("%s: %v cold days by day %d, want %v", test.name, got, test.day, test.want)
			}
		}
	}
}

func TestWarmthOfSteadyWeatherIsDaysTimesDegrees(t *testing.T) {
	season := calendar.SeasonOf(46, calendar.Must(2031, 5, 1))
	e, err := NewEnsemble(valleyGenerator(t), season, season.Start.AddDays(-LeadDays), steady(LeadDays+season.Days(), 14), 1, 1)
	if err != nil {
		t.Fatal(err)
	}
	table := e.Thermal(4, 30)
	near(t, "a hundred days 10 °C above the base", table.Sum(0, 99), 1000, 1e-9)
	for sum, day := range map[float64]int{0: 0, 10: 0, 10.1: 1, 1000: 99, 3649.9: 364, 3651: 365} {
		if got := table.DayReaching(0, sum, 0); got != day {
			t.Errorf("%v °C·d are reached on day %d, want %d", sum, got, day)
		}
	}
	if got := table.DayReaching(0, 100, 50); got != 50 {
		t.Errorf("from day 50 on, 100 °C·d are reached on day %d", got)
	}
}
