package calendar

import (
	"testing"
	"time"
)

func TestDatesThatDoNotExistAreRefused(t *testing.T) {
	for _, text := range []string{"2031-02-30", "2031-13-01", "27 May 2031", "", "2031-5-7"} {
		if _, err := Parse(text); err == nil {
			t.Errorf("Parse(%q) was accepted", text)
		}
	}
	if _, err := New(2031, time.February, 29); err == nil {
		t.Error("29 February 2031 was accepted")
	}
}

func TestDateArithmeticAcrossALeapYear(t *testing.T) {
	d := Must(2032, time.February, 28)
	if got := d.AddDays(2).String(); got != "2032-03-01" {
		t.Errorf("two days after 28 February 2032 is %s", got)
	}
	if got := Must(2033, time.January, 1).DaysSince(Must(2032, time.January, 1)); got != 366 {
		t.Errorf("2032 has %d days", got)
	}
	if got := Must(2031, time.September, 3).YearDay(); got != 246 {
		t.Errorf("3 September is day %d, want 246", got)
	}
	if got := Must(2031, time.May, 27).Weekday(); got != time.Tuesday {
		t.Errorf("27 May 2031 is a %s", got)
	}
}

func TestSeasonTurnsRoundInTheSouth(t *testing.T) {
	tests := []struct {
		latitude         float64
		day, start, end  string
		days             int
		nextSeasonStarts string
	}{
		{46.6, "2031-05-27", "2031-01-01", "2031-12-31", 365, "2032-01-01"},
		{-33, "2031-05-27", "2030-07-01", "2031-06-30", 365, "2031-07-01"},
		{-33, "2031-07-01", "2031-07-01", "2032-06-30", 366, "2032-07-01"},
	}
	for _, test := range tests {
		day, err := Parse(test.day)
		if err != nil {
			t.Fatal(err)
		}
		s := SeasonOf(test.latitude, day)
		if s.Start.String() != test.start || s.End.String() != test.end || s.Days() != test.days {
			t.Errorf("season of %s at %v is %s to %s (%d days)", test.day, test.latitude, s.Start, s.End, s.Days())
		}
		if next := s.Next(test.latitude); next.Start.String() != test.nextSeasonStarts || next.YearsBefore(s) != 1 {
			t.Errorf("the season after starts %s", next.Start)
		}
	}
}

func TestSpanIsSaidAsAGrowerSaysIt(t *testing.T) {
	tests := []struct{ from, to, want string }{
		{"2031-06-02", "2031-06-06", "2–6 June"},
		{"2031-05-29", "2031-06-03", "29 May – 3 June"},
		{"2031-05-29", "2031-05-29", "29 May"},
	}
	for _, test := range tests {
		from, _ := Parse(test.from)
		to, _ := Parse(test.to)
		if got := Span(from, to); got != test.want {
			t.Errorf("Span(%s, %s) = %q, want %q", test.from, test.to, got, test.want)
		}
	}
}
