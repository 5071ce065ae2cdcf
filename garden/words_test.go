package garden

import (
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spelling"
	"bramblyacre/garden/say"
)

func TestWords(t *testing.T) {
	tests := []struct{ got, want string }{
		{say.YearWords(3), "third year"}, {say.YearWords(14), "year 14"},
		{say.Counted(1, "plant", "plants"), "1 plant"}, {say.Counted(2.46, "handful", "handfuls"), "2.5 handfuls"}, {say.Counted(0, "leaf", "leaves"), "0 leaves"},
		{say.ShareWords(0.33), "a third"}, {say.ShareWords(0.5), "half"}, {say.ShareWords(0.42), "42 %"},
		{say.Joined(nil), ""}, {say.Joined([]string{"a"}), "a"}, {say.Joined([]string{"a", "b", "c"}), "a, b and c"},
		{say.InTen(0.84), "8 in 10"}, {say.InTen(0.949), "9 in 10"}, {say.InTen(0.97), "over 9 in 10"}, {say.InTen(1), "10 in 10"}, {say.MinutesWords(0.2), "1 min"}, {say.MinutesWords(59), "59 min"}, {say.MinutesWords(60), "1 h"}, {say.MinutesWords(111), "1 h 50 min"},
		{say.DaysLeft(day, day), "last day"}, {say.DaysLeft(day, day+1), "1 day left"}, {say.DaysLeft(day, day+9), "9 days left"}, {say.DaysLeft(day, day+20), "to 16 June"},
		{say.Sentence("no such bed"), "No such bed."}, {say.Capital(""), ""}, {say.LowerFirst("Up"), "up"}, {spelling.Plain("Süßdolde Á"), "sussdolde a"},
	}
	for _, test := range tests {
		if test.got != test.want {
			t.Errorf("got %q, want %q", test.got, test.want)
		}
	}
}

func TestDatesSayTheirChance(t *testing.T) {
	june := func(d int) calendar.Date { return calendar.Must(2031, 6, d) }
	tests := []struct {
		dates phenology.Dates
		want  string
	}{
		{phenology.Dates{P10: june(2), P50: june(4), P90: june(6), Chance: 1}, "2–6 June, 8 in 10"},
		{phenology.Dates{P10: june(4), P50: june(4), P90: june(4), Chance: 1}, "4 June"},
		{phenology.Dates{P10: june(4), P50: june(30), P90: june(30), Chance: 0.3}, "not expected this year; in 3 in 10 years from 4 June"},
		{phenology.Dates{P10: june(30), P50: june(30), P90: june(30), Chance: 0.04}, "not expected this year"},
		{phenology.Dates{P10: june(4), P50: june(20), P90: june(30), Chance: 0.7}, "from 4 June, in 7 in 10 years"},
	}
	for _, test := range tests {
		if got := say.ViewDates(test.dates).Text; got != test.want {
			t.Errorf("%+v reads %q, want %q", test.dates, got, test.want)
		}
	}
}
