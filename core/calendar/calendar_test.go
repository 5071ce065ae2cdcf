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

// A day travels as text, and comes back as itself; text that is no day is refused.
func TestADayTravelsAsText(t *testing.T) {
	for _, day := range []Date{Must(1969, time.December, 31), Must(1970, time.January, 1), Must(2000, time.February, 29), Must(2031, time.May, 27), Must(2099, time.December, 31)} {
		text, err := day.MarshalText()
		if err != nil {
			t.Fatal(err)
		}
		var back Date
		if err := back.UnmarshalText(text); err != nil || back != day || string(text) != day.String() {
			t.Errorf("%s comes back as %s, %v", text, back, err)
		}
	}
	kept := Must(2031, time.May, 27)
	if err := kept.UnmarshalText([]byte("the day before")); err == nil || kept != Must(2031, time.May, 27) {
		t.Errorf("what is no day was read as %s", kept)
	}
	defer func() {
		if recover() == nil {
			t.Error("30 February was made")
		}
	}()
	Must(2031, time.February, 30)
}

// A moment falls on the day of its own place, whatever the day is elsewhere.
func TestAMomentFallsOnTheDayOfItsPlace(t *testing.T) {
	late := time.Date(2031, time.May, 27, 23, 30, 0, 0, time.FixedZone("west", -7*3600))
	if day := OfTime(late); day.String() != "2031-05-27" {
		t.Errorf("half past eleven at night falls on %s", day)
	}
	if day := OfTime(late.UTC()); day.String() != "2031-05-28" {
		t.Errorf("the same moment elsewhere falls on %s", day)
	}
	if words := Must(2031, time.May, 27).WeekdayDayMonth(); words != "Tuesday 27 May" {
		t.Errorf("it is said as %q", words)
	}
}

func TestASeasonContainsItsDays(t *testing.T) {
	for _, latitude := range []float64{60, 1, -1, -45} {
		s := SeasonOf(latitude, Must(2032, time.February, 29))
		if !s.Contains(s.Start) || !s.Contains(s.End) || s.Contains(s.Start.AddDays(-1)) || s.Contains(s.End.AddDays(1)) || s.End.DaysSince(s.Start)+1 != s.Days() {
			t.Errorf("at %v the season %s to %s does not hold its days", latitude, s.Start, s.End)
		}
	}
}
