package calendar

import "time"

// Season is one growing year of a plot: from midwinter to midwinter. North of
// the equator it is the calendar year; south of it, July to June. It is what
// makes every forecast turn round by itself in the other hemisphere.
type Season struct {
	// Start is the first day, 1 January or 1 July.
	Start Date
	// End is the last day, 31 December or 30 June.
	End Date
}

// SeasonOf returns the season that a day falls in at a latitude in degrees,
// negative in the south.
func SeasonOf(latitude float64, day Date) Season {
	first := time.January
	if latitude < 0 {
		first = time.July
	}
	year := day.Year()
	if day < Must(year, first, 1) {
		year--
	}
	return Season{Start: Must(year, first, 1), End: Must(year+1, first, 1) - 1}
}

// Days returns the length of the season, 365 or 366.
func (s Season) Days() int { return int(s.End-s.Start) + 1 }

// Contains tells whether a day lies in the season.
func (s Season) Contains(day Date) bool { return day >= s.Start && day <= s.End }

// Next returns the season that follows.
func (s Season) Next(latitude float64) Season { return SeasonOf(latitude, s.End+1) }

// YearsBefore returns how many seasons lie between this one and an earlier or
// equal one: 0 for the same season. It is the difference of the years they
// begin in.
func (s Season) YearsBefore(earlier Season) int {
	return s.Start.Year() - earlier.Start.Year()
}
