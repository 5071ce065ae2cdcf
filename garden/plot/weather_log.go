package plot

import (
	"maps"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/store"
)

// Where a reading comes from, the one that counts most first: what a person read is believed before
// a file, and a file before a station.
const (
	ReadTyped   = "typed"
	ReadFile    = "file"
	ReadStation = "station"
)

// weatherLog are the weather's readings by people, by year and in the order of the days.
type weatherLog map[string][]store.WeatherReading

// yearOf is the year of a day as it is stored.
func yearOf(day string) string { return day[:min(4, len(day))] }

// sameIn tells whether two logs hold one and the same readings from a day to another.
func (l weatherLog) sameIn(other weatherLog, first, last calendar.Date) bool {
	for year := first.Year(); year <= last.Year(); year++ {
		key := yearOf(calendar.Must(year, 1, 1).String())
		if !same(l[key], other[key]) {
			return false
		}
	}
	return true
}

// sameAs tells whether two logs hold one and the same readings.
func (l weatherLog) sameAs(other weatherLog) bool {
	return maps.EqualFunc(l, other, same[store.WeatherReading])
}

// rowsIn are the readings from a day to another.
func (l weatherLog) rowsIn(first, last calendar.Date) (found []store.WeatherReading) {
	from, until := first.String(), last.String()
	for year := first.Year(); year <= last.Year(); year++ {
		for _, row := range l[yearOf(calendar.Must(year, 1, 1).String())] {
			if row.Day >= from && row.Day <= until {
				found = append(found, row)
			}
		}
	}
	return found
}

// ReadDay is a day's weather as it was read, with where each part comes from; empty where it was not read.
type ReadDay struct {
	climate.Day
	TMinFrom, TMaxFrom, RainFrom string
}

// Read is what was read of the days from first to last, both inside and none to come.
func (s *Sky) Read(first, last calendar.Date) ([]ReadDay, error) {
	last = min(last, s.key.today)
	if last < first {
		return nil, nil
	}
	days := make([]ReadDay, last-first+1)
	for i := range days {
		days[i].Day = climate.NoReading()
	}
	if s.Station != nil {
		read, err := s.Station.Days(first, last)
		if err != nil {
			return nil, err
		}
		for i, day := range read {
			days[i].Day = day
			days[i].tell(ReadStation, day)
		}
	}
	rows := s.log.rowsIn(first, last)
	// A file is laid over the station and what was typed over both, the later over the earlier.
	for _, source := range []string{ReadFile, ReadTyped} {
		for _, row := range rows {
			day, err := calendar.Parse(row.Day)
			if err != nil || row.Source != source {
				continue
			}
			days[day-first].lay(row)
		}
	}
	return days, nil
}

// tell notes where the parts of a day come from.
func (d *ReadDay) tell(source string, day climate.Day) {
	if day.HasWarmth() {
		d.TMinFrom, d.TMaxFrom = source, source
	}
	if day.HasRain() {
		d.RainFrom = source
	}
}

// lay lays a reading over a day. An extreme that contradicts what stands beside it puts that out: a
// night that was read colder is believed before a day of another source that was warmer.
func (d *ReadDay) lay(row store.WeatherReading) {
	if row.TminC != nil {
		d.TMin, d.TMinFrom = *row.TminC, row.Source
		if row.TmaxC == nil && d.TMax < d.TMin {
			d.TMax, d.TMaxFrom = climate.Unread, ""
		}
	}
	if row.TmaxC != nil {
		d.TMax, d.TMaxFrom = *row.TmaxC, row.Source
		if row.TminC == nil && d.TMin > d.TMax {
			d.TMin, d.TMinFrom = climate.Unread, ""
		}
	}
	if row.RainMm != nil {
		d.Rain, d.RainFrom = *row.RainMm, row.Source
	}
}

// WeatherRow is the row of a day's readings from a source, and whether there is one.
func (s *State) WeatherRow(day calendar.Date, source string) (row store.WeatherReading, has bool) {
	for _, one := range slices.Backward(s.rows.weather.rowsIn(day, day)) {
		if one.Source == source {
			return one, true
		}
	}
	return row, false
}

// WeatherRows are the readings by people from a day to another.
func (s *State) WeatherRows(first, last calendar.Date) []store.WeatherReading {
	return s.rows.weather.rowsIn(first, last)
}
