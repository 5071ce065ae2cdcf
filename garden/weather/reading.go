package weather

import (
	"context"
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// DayReadingInput is what was read of a day's weather, as typed; what is empty was not read.
type DayReadingInput struct {
	Day  string `json:"day"`
	Low  string `json:"low,omitempty" doc:"The lowest of the night, as typed"`
	High string `json:"high,omitempty" doc:"The highest of the day, as typed"`
	Rain string `json:"rain,omitempty" doc:"What was in the gauge, as typed"`
	Note string `json:"note,omitempty"`
}

// What a thermometer and a gauge can show anywhere, in °C and mm.
const (
	coldestC, hottestC = -70, 60
	mostRainMM         = 1900
)

// TypeReading notes what was read of a day's weather, in place of what was typed for it before. seen is the
// version of what the form showed.
func (u *Uses) TypeReading(ctx context.Context, seen say.Version, in DayReadingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, day, err := readReading(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		before, has := s.WeatherRow(day, plot.ReadTyped)
		id := int64(0)
		if has {
			id, row.ID = before.ID, &before.ID
		}
		if err := seen.IsOf(versionOf(before), "the reading of "+day.DayMonth()); err != nil {
			return journal.Record{}, err
		}
		if _, err := plot.WeatherTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindWeather, Summary: fmt.Sprintf("Read the weather of %s: %s", day.DayMonthYear(), readingWords(s, row)),
		}, nil
	})
}

// versionOf is the version of a day's typed reading; of none that of an empty one.
func versionOf(row store.WeatherReading) say.Version { return say.VersionOf(row) }

func readReading(s *plot.State, in DayReadingInput) (store.PutWeatherReadingParams, calendar.Date, error) {
	var c say.Checklist
	row := store.PutWeatherReadingParams{
		Day: in.Day, Source: plot.ReadTyped, Note: c.Text("note", in.Note, say.LongestNote),
	}
	day := input.ReadDay(s, &c, "day", in.Day)
	row.TminC = readAmount(&c, "low", in.Low, unit.Temperature, s.Units.TemperatureUnit())
	row.TmaxC = readAmount(&c, "high", in.High, unit.Temperature, s.Units.TemperatureUnit())
	if metres := readAmount(&c, "rain", in.Rain, unit.Length, s.Units.RainUnit()); metres != nil {
		mm := math.Round(*metres*1e6) / 1e3
		row.RainMm = &mm
	}
	if strings.TrimSpace(in.Low+in.High+in.Rain) == "" {
		c.Add("low", "Type what was read: the lowest, the highest, or the rain.")
	}
	checkReading(&c, s.Units, row)
	return row, day, c.Err()
}

// checkReading adds what cannot be of a reading.
func checkReading(c *say.Checklist, units unit.System, row store.PutWeatherReadingParams) {
	for _, extreme := range []struct {
		field string
		value *float64
	}{{"low", row.TminC}, {"high", row.TmaxC}} {
		if extreme.value != nil && !(*extreme.value >= coldestC && *extreme.value <= hottestC) {
			c.Add(extreme.field, "No air is that cold or hot: it lies between %s and %s.",
				units.Temperature(coldestC), units.Temperature(hottestC))
		}
	}
	if row.TminC != nil && row.TmaxC != nil && *row.TminC > *row.TmaxC {
		c.Add("low", "The lowest cannot be above the highest.")
	}
	if row.RainMm != nil && !(*row.RainMm >= 0 && *row.RainMm <= mostRainMM) {
		c.Add("rain", "So much rain does not fall in a day: it lies between 0 and %s.", units.Rain(mostRainMM))
	}
}

func readAmount(c *say.Checklist, field, text string, kind unit.Kind, defaultUnit string) *float64 {
	if strings.TrimSpace(text) == "" {
		return nil
	}
	value, err := unit.Parse(kind, text, defaultUnit)
	if err != nil {
		c.AddError(field, err)
		return nil
	}
	return &value
}

// readingWords are what a row says.
func readingWords(s *plot.State, row store.PutWeatherReadingParams) string {
	var words []string
	if row.TminC != nil {
		words = append(words, "lowest "+s.Units.FineTemperature(*row.TminC))
	}
	if row.TmaxC != nil {
		words = append(words, "highest "+s.Units.FineTemperature(*row.TmaxC))
	}
	if row.RainMm != nil {
		words = append(words, s.Units.Rainfall(*row.RainMm)+" of rain")
	}
	return strings.Join(words, ", ")
}

// DropReading takes away what was typed or brought in for a day from a source.
func (u *Uses) DropReading(ctx context.Context, dayText, source string) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		day := input.ReadDay(s, &c, "day", dayText)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		rows, dropped := s.WeatherRows(day, day), 0
		for _, row := range rows {
			if row.Source != source {
				continue
			}
			if err := plot.WeatherTable.Drop(ctx, d, row.ID); err != nil {
				return journal.Record{}, err
			}
			dropped++
		}
		if dropped == 0 {
			return journal.Record{}, say.NotFoundError{What: "reading"}
		}
		return journal.Record{Kind: kindWeather, Summary: "Took away the reading of " + day.DayMonthYear()}, nil
	})
}
