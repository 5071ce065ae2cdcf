package format

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"

	"bramblyacre/garden/area"
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
)

// The open layouts of daily weather that are read:
//
//   - plain: a head with date and any of tmin, tmax and rain, in °C and mm, or with tmin_f, tmax_f and rain_in in
//     °F and inches; other columns are passed over;
//   - GHCN-Daily's CSV by year or station: ID,YYYYMMDD,ELEMENT,VALUE,M-FLAG,Q-FLAG,S-FLAG,OBS-TIME, with or without
//     a head, a line for each element, in tenths of °C and of mm;
//   - GHCN-Daily's CSV of one line a day: a head with STATION, DATE and the elements, in tenths too, each with a
//     column of its flags beside it or none.

// ghcnElements are the elements that are used, with the field that they fill.
var ghcnElements = map[string]string{"TMIN": "tmin", "TMAX": "tmax", "PRCP": "rain"}

// ghcnMissing is the value of what was not measured.
const ghcnMissing = "-9999"

// plainColumns are the columns of the plain layout, with the field that they fill and how.
var plainColumns = map[string]struct {
	field string
	from  func(float64) float64
}{
	"tmin": {"tmin", nil}, "tmax": {"tmax", nil}, "rain": {"rain", nil},
	"tmin_c": {"tmin", nil}, "tmax_c": {"tmax", nil}, "rain_mm": {"rain", nil},
	"tmin_f":  {"tmin", func(f float64) float64 { return (f - 32) * 5 / 9 }},
	"tmax_f":  {"tmax", func(f float64) float64 { return (f - 32) * 5 / 9 }},
	"rain_in": {"rain", func(inches float64) float64 { return inches * 25.4 }},
}

// ReadDailyWeather reads the lines of a file of daily weather, each with its date and what it says in °C and mm. A
// file of no known layout is a fault; a line that its own source flags as failed, or whose number is none, is
// handed on as refused with the reason.
func ReadDailyWeather(r io.Reader) ([]area.FileLine, error) {
	file := csv.NewReader(r)
	file.FieldsPerRecord = -1
	file.TrimLeadingSpace = true
	first, err := file.Read()
	if errors.Is(err, io.EOF) {
		return nil, weatherFault("The file is empty.")
	}
	if err != nil {
		return nil, weatherFault("This is no table: %v.", err)
	}
	first[0] = strings.TrimPrefix(first[0], "\uFEFF")
	head := make([]string, len(first))
	for i, name := range first {
		head[i] = strings.ToLower(strings.TrimSpace(name))
	}
	read, err := layoutOf(head)
	if err != nil {
		return nil, err
	}
	var lines []area.FileLine
	take := func(record []string) {
		at, _ := file.FieldPos(0)
		if fields := read(record); fields != nil {
			lines = append(lines, area.FileLine{Line: at, Fields: fields})
		}
	}
	if isGHCNLine(first) {
		take(first)
	}
	for {
		record, err := file.Read()
		if errors.Is(err, io.EOF) {
			return lines, nil
		}
		if err != nil {
			return nil, weatherFault("The table cannot be read: %v.", err) // with its line
		}
		take(record)
	}
}

func weatherFault(format string, args ...any) error {
	return say.Faults{{Field: "file", Message: fmt.Sprintf(format, args...)}}
}

// layoutOf is how a file's lines are read, by its head.
func layoutOf(head []string) (func([]string) map[string]string, error) {
	at := func(name string) int { return slices.Index(head, name) }
	switch {
	case isGHCNLine(head):
		return readElement(0, 1, 2, 3, 5), nil
	case at("element") >= 0 && at("date") >= 0:
		value, flag := at("data_value"), at("q_flag")
		if value < 0 {
			value = at("value")
		}
		if value < 0 {
			return nil, weatherFault("The heading DATA_VALUE is missing.")
		}
		return readElement(at("id"), at("date"), at("element"), value, flag), nil
	case at("station") >= 0 && at("date") >= 0:
		return readWide(head, at("date"))
	case at("date") >= 0:
		return readPlain(head, at("date"))
	}
	return nil, weatherFault(
		"This is no table of daily weather: its head has to name date and any of tmin, tmax and rain.",
	)
}

// isGHCNLine tells whether a line is one of GHCN-Daily's by element, which may come without a head.
func isGHCNLine(record []string) bool {
	if len(record) < 4 || len(record[1]) != 8 || len(record[2]) != 4 {
		return false
	}
	_, errDay := strconv.Atoi(record[1])
	_, errValue := strconv.Atoi(record[3])
	return errDay == nil && errValue == nil
}

// readElement reads lines of one element each. It returns nothing for elements that are not used here, and for what
// was not measured.
func readElement(_, date, element, value, flag int) func([]string) map[string]string {
	return func(record []string) map[string]string {
		get := fieldsOf(record)
		field, used := ghcnElements[strings.ToUpper(get(element))]
		if !used || get(value) == ghcnMissing {
			return nil
		}
		fields := map[string]string{"date": wholeDate(get(date))}
		if quality := get(flag); quality != "" {
			fields["refused"] = fmt.Sprintf("Its source found this %s wanting (quality flag %s).", field, quality)
			return fields
		}
		fill(fields, field, get(value), func(tenths float64) float64 { return tenths / 10 })
		return fields
	}
}

// readWide reads lines of one day each, in tenths.
func readWide(head []string, date int) (func([]string) map[string]string, error) {
	columns := map[string]int{}
	for element, field := range ghcnElements {
		if i := slices.Index(head, strings.ToLower(element)); i >= 0 {
			columns[field] = i
		}
	}
	if len(columns) == 0 {
		return nil, weatherFault("None of the headings TMIN, TMAX and PRCP is there.")
	}
	return func(record []string) map[string]string {
		get := fieldsOf(record)
		fields := map[string]string{"date": wholeDate(get(date))}
		for _, field := range []string{"tmin", "tmax", "rain"} {
			i, has := columns[field]
			if !has || get(i) == ghcnMissing || get(i) == "" {
				continue
			}
			// The flags stand in the column beside it: measurement, quality, source.
			if strings.HasSuffix(columnAt(head, i+1), "_attributes") {
				if parts := strings.Split(get(i+1), ","); len(parts) > 1 && strings.TrimSpace(parts[1]) != "" {
					fields["refused"] = fmt.Sprintf(
						"Its source found this %s wanting (quality flag %s).",
						field,
						strings.TrimSpace(parts[1]),
					)
				}
			}
			fill(fields, field, get(i), func(tenths float64) float64 { return tenths / 10 })
		}
		return fields
	}, nil
}

// readPlain reads lines of one day each, as they are.
func readPlain(head []string, date int) (func([]string) map[string]string, error) {
	known := map[string]string{}
	for _, name := range head {
		column, is := plainColumns[name]
		if before, twice := known[column.field]; is && twice {
			return nil, weatherFault("The headings %s and %s both tell the same: leave one out.", before, name)
		}
		if is {
			known[column.field] = name
		}
	}
	if len(known) == 0 {
		return nil, weatherFault("None of the headings tmin, tmax and rain is there.")
	}
	return func(record []string) map[string]string {
		get := fieldsOf(record)
		fields := map[string]string{"date": wholeDate(get(date))}
		for i, name := range head {
			if column, is := plainColumns[name]; is && get(i) != "" {
				fill(fields, column.field, get(i), column.from)
			}
		}
		return fields
	}, nil
}

func columnAt(head []string, i int) string {
	if i < len(head) {
		return head[i]
	}
	return ""
}

// fieldsOf reads a record by place, empty where it is not there.
func fieldsOf(record []string) func(int) string {
	return func(i int) string {
		if i < 0 || i >= len(record) {
			return ""
		}
		return strings.TrimSpace(plain(record[i]))
	}
}

// fill fills a field with a number, turned into its unit, or with what stands there in place of one.
func fill(fields map[string]string, field, text string, turned func(float64) float64) {
	number, err := strconv.ParseFloat(text, 64)
	if err == nil && turned != nil {
		text = strconv.FormatFloat(turned(number), 'f', 3, 64)
	}
	fields[field] = text
}

// wholeDate writes a date of eight digits as others are.
func wholeDate(text string) string {
	if len(text) == 8 && !strings.ContainsAny(text, "-/. ") {
		return text[:4] + "-" + text[4:6] + "-" + text[6:]
	}
	return text
}

// WriteDailyWeather writes daily readings in the plain layout, with where each comes from in columns beside.
func WriteDailyWeather(w io.Writer, days []weather.DailyRow) error {
	table := [][]string{{"date", "tmin", "tmax", "rain", "tmin from", "tmax from", "rain from"}}
	for _, d := range days {
		number := func(value float64) string {
			if math.IsNaN(value) {
				return ""
			}
			return decimal(value, 2)
		}
		table = append(table, []string{
			d.Day.String(), number(d.TMin), number(d.TMax), number(d.Rain), d.TMinFrom, d.TMaxFrom, d.RainFrom,
		})
	}
	return write(w, table)
}
