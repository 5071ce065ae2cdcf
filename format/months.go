package format

import (
	"encoding/csv"
	"io"
	"slices"
	"strings"

	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
)

// ReadMonths reads a table of monthly means: a head with month, tmin, tmax, rain and, where it has them, wet_days, in
// °C and mm, and a line for each month. Other columns are passed over.
func ReadMonths(r io.Reader) (lines []map[string]string, err error) {
	fault := func(words string) error { return say.Faults{{Field: "file", Message: words}} }
	file := csv.NewReader(r)
	file.TrimLeadingSpace = true
	all, err := file.ReadAll()
	if err != nil {
		return nil, fault("This is no table with commas: " + err.Error() + ".")
	}
	if len(all) == 0 {
		return nil, fault("The file is empty.")
	}
	head := all[0]
	for i := range head {
		head[i] = strings.ToLower(strings.TrimSpace(strings.TrimPrefix(head[i], "\uFEFF")))
	}
	for _, column := range weather.MonthColumns[:4] {
		if !slices.Contains(head, column) {
			return nil, fault("The head names month, tmin, tmax and rain, in °C and mm; " + column + " is missing.")
		}
	}
	const most = 100
	for _, record := range all[1:min(len(all), most)] {
		line := map[string]string{}
		for i, value := range record {
			if slices.Contains(weather.MonthColumns, head[i]) {
				line[head[i]] = value
			}
		}
		lines = append(lines, line)
	}
	return lines, nil
}
