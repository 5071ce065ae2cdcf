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
		wants   float64
		day     int
	}{
		{"the autumn gave enough", steady(whole, 4), 60, 0},
		{"a fifth of it falls in the season", append(steady(LeadDays, 4), steady(season.Days(), 4)...), LeadDays + 20, 19},
		{"too warm a winter", steady(whole, 9), 10, season.Days()},
		{"too cold to count", steady(whole, -6), 10, season.Days()},
		{"at the bounds", steady(whole, 7), 1, 0},
		{"a warm autumn, then cold", append(steady(LeadDays, 12), steady(season.Days(), 2)...), 30, 29},
	}
	for _, test := range tests {
		e, err := NewEnsemble(valleyGenerator(t), season, from, test.weather, 2, 1)
		if err != nil {
			t.Fatal(err)
		}
		for member := range e.Size() {
			if got := e.Chill(within).DayReaching(member, test.wants); got != test.day {
				t.Errorf("%s: %v cold days have passed by day %d, want %d", test.name, test.wants, got, test.day)
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
