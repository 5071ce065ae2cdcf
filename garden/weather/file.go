package weather

import (
	"cmp"
	"context"
	"fmt"
	"strconv"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/area"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// mostLines is the most lines that one file brings: ten years, a line for each of three elements.
const mostLines = 12_000

// fileDay is what a file says of a day, or of a part of it.
type fileDay struct {
	day calendar.Date
	row store.PutWeatherReadingParams
}

// BringFile brings daily readings in from a file, or shows what it would bring. Its lines have the fields date,
// tmin and tmax in °C and rain in mm, each of which may be empty, and refused with the reason where the
// file's own form was wrong.
func (u *Uses) BringFile(
	ctx context.Context,
	lines []area.FileLine,
	note, leaveOut bool,
) (area.BroughtFileView, error) {
	// What earlier lines said of a day, so that no day is said twice otherwise.
	var said map[calendar.Date]fileDay
	return area.Brought[fileDay]{
		Most: mostLines,
		Read: func(s *plot.State, line area.FileLine, before []fileDay) (fileDay, string, error) {
			if len(before) == 0 {
				said = map[calendar.Date]fileDay{}
			}
			one, words, err := readLine(s, line.Fields)
			if err != nil {
				return one, words, err
			}
			all, err := joined(said[one.day], one)
			if err == nil {
				said[one.day] = all
			}
			return one, words, err
		},
		Words: fileWords,
		Write: writeDays,
	}.Take(ctx, u.plot, lines, note, leaveOut)
}

// readLine reads one line.
func readLine(s *plot.State, fields map[string]string) (one fileDay, words string, err error) {
	var c say.Checklist
	get := func(name string) string { return strings.TrimSpace(fields[name]) }
	words = get("date")
	if refused := get("refused"); refused != "" {
		return one, words, say.Faults{{Field: "file", Message: refused}}
	}
	one.day = input.ReadDay(s, &c, "date", get("date"))
	one.row = store.PutWeatherReadingParams{Day: get("date"), Source: plot.ReadFile}
	number := func(name string) *float64 {
		text := get(name)
		if text == "" {
			return nil
		}
		value, err := strconv.ParseFloat(text, 64)
		if err != nil {
			c.Add(name, "%s: %q is not a number.", name, text)
			return nil
		}
		return &value
	}
	one.row.TminC, one.row.TmaxC, one.row.RainMm = number("tmin"), number("tmax"), number("rain")
	if one.row.TminC == nil && one.row.TmaxC == nil && one.row.RainMm == nil && len(c.Faults) == 0 {
		c.Add("date", "Nothing was read on this day.")
	}
	checkReading(&c, s.Units, one.row)
	if len(c.Faults) == 0 {
		words += ": " + readingWords(s, one.row)
	}
	return one, words, c.Err()
}

// joined are two readings of a day as one; an error where both say the same part otherwise, or where the
// two together cannot be.
func joined(a, b fileDay) (fileDay, error) {
	if a.row.Day == "" {
		return b, nil
	}
	for _, part := range []struct {
		name     string
		into, of **float64
	}{
		{"lowest", &a.row.TminC, &b.row.TminC},
		{"highest", &a.row.TmaxC, &b.row.TmaxC},
		{"rain", &a.row.RainMm, &b.row.RainMm},
	} {
		switch {
		case *part.of == nil:
		case *part.into == nil:
			*part.into = *part.of
		case **part.into != **part.of:
			return a, say.Faults{
				{Field: "date", Message: fmt.Sprintf("An earlier line says another %s of this day.", part.name)},
			}
		}
	}
	if a.row.TminC != nil && a.row.TmaxC != nil && *a.row.TminC > *a.row.TmaxC {
		return a, say.Faults{
			{Field: "date", Message: "The lowest is above the highest that an earlier line says of this day."},
		}
	}
	return a, nil
}

// daysOf are the lines joined by day, in the order of the file.
func daysOf(rows []fileDay) []fileDay {
	at := map[calendar.Date]int{}
	var days []fileDay
	for _, row := range rows {
		i, has := at[row.day]
		if !has {
			at[row.day] = len(days)
			days = append(days, row)
			continue
		}
		days[i], _ = joined(days[i], row) // that they can be was checked line by line
	}
	return days
}

// fileWords sum up what a file brings.
func fileWords(s *plot.State, rows []fileDay) string {
	days := daysOf(rows)
	first, last, again := days[0].day, days[0].day, 0
	for _, one := range days {
		first, last = min(first, one.day), max(last, one.day)
		if _, has := s.WeatherRow(one.day, plot.ReadFile); has {
			again++
		}
	}
	words := fmt.Sprintf(
		"%s from %s to %s.",
		say.Counted(float64(len(days)), "day", "days"),
		first.DayMonthYear(),
		last.DayMonthYear(),
	)
	if first == last {
		words = "One day, " + first.DayMonthYear() + "."
	}
	if missing := int(last-first) + 1 - len(days); missing > 0 {
		words += fmt.Sprintf(" %s between them is not in the file.", say.Counted(float64(missing), "day", "days"))
		words = strings.Replace(words, "days between them is", "days between them are", 1)
	}
	if again > 0 {
		words += fmt.Sprintf(
			" %s in place of what an earlier file said.",
			say.Counted(float64(again), "day stands", "days stand"),
		)
	}
	return words
}

func writeDays(ctx context.Context, s *plot.State, d *journal.Draft, rows []fileDay) (journal.Record, error) {
	days := daysOf(rows)
	for _, one := range days {
		id, row := int64(0), one.row
		if before, has := s.WeatherRow(one.day, plot.ReadFile); has {
			// What the new file does not say stays as the earlier one said it, unless both cannot be.
			id, row.ID = before.ID, &before.ID
			row.TminC, row.TmaxC = cmp.Or(row.TminC, before.TminC), cmp.Or(row.TmaxC, before.TmaxC)
			row.RainMm = cmp.Or(row.RainMm, before.RainMm)
			if row.TminC != nil && row.TmaxC != nil && *row.TminC > *row.TmaxC {
				row.TminC, row.TmaxC = one.row.TminC, one.row.TmaxC
			}
		}
		if _, err := plot.WeatherTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
	}
	return journal.Record{
		Kind:    kindWeather,
		Summary: "Brought in the weather of " + say.Counted(float64(len(days)), "day", "days") + " from a file",
	}, nil
}

// DailyRow is a day's weather for a file.
type DailyRow struct {
	Day calendar.Date
	plot.ReadDay
}

// Daily returns every day of which something was read: from the first that a person read, or the season's
// lead-in, to today.
func (u *Uses) Daily(ctx context.Context) ([]DailyRow, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	first := s.Season.Start.AddDays(-climate.LeadDays)
	for _, row := range s.WeatherRows(s.Today.AddDays(-say.LongestAgoDays), s.Today) {
		if day, err := calendar.Parse(row.Day); err == nil {
			first = min(first, day)
		}
	}
	read, err := s.Sky.Read(first, s.Today)
	if err != nil {
		return nil, fmt.Errorf("read the weather: %w", err)
	}
	rows := []DailyRow{}
	for i, day := range read {
		if !day.Blank() {
			rows = append(rows, DailyRow{first.AddDays(i), day})
		}
	}
	return rows, nil
}
