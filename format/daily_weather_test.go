package format_test

import (
	"bytes"
	"math"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/format"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/weather"
)

// lineOf is a line as it is read: its number and fields by name, written as name=value.
func linesOf(t *testing.T, text string) (lines []string) {
	t.Helper()
	read, err := format.ReadDailyWeather(strings.NewReader(text))
	if err != nil {
		t.Fatalf("%q: %v", text, err)
	}
	for _, line := range read {
		words := line.Fields["date"]
		for _, name := range []string{"tmin", "tmax", "rain", "refused"} {
			if value, has := line.Fields[name]; has {
				words += " " + name + "=" + value
			}
		}
		lines = append(lines, words)
	}
	return lines
}

// The open layouts, each written as its own description has it: tenths of °C and mm, dates of eight digits, flags, and what was not
// measured as -9999.
func TestDailyWeatherIsReadInItsOpenLayouts(t *testing.T) {
	for name, of := range map[string]struct{ text, want string }{
		"plain":              {"date,tmin,tmax,rain\n2031-05-01,2.5,14,0\n2031-05-02,,15.5,\n", "2031-05-01 tmin=2.5 tmax=14 rain=0|2031-05-02 tmax=15.5"},
		"plain, marked":      {"\uFEFFDate, TMin, note, Rain\n2031-05-01, -1, x, 3\n", "2031-05-01 tmin=-1 rain=3"},
		"plain, in US units": {"date,tmin_f,tmax_f,rain_in\n2031-05-01,28.4,50,0.5\n", "2031-05-01 tmin=-2.000 tmax=10.000 rain=12.700"},
		"by element, no head": {
			"XX000000001,20310501,TMAX,142,,,S,\nXX000000001,20310501,TMIN,25,,,S,0700\nXX000000001,20310501,PRCP,31,,,S,\nXX000000001,20310501,SNWD,0,,,S,\n",
			"2031-05-01 tmax=14.200|2031-05-01 tmin=2.500|2031-05-01 rain=3.100",
		},
		"by element": {
			"ID,DATE,ELEMENT,DATA_VALUE,M_FLAG,Q_FLAG,S_FLAG,OBS_TIME\nXX000000001,20310501,TMIN,-9999,,,S,\nXX000000001,20310501,TMIN,-25,,D,S,\nXX000000001,20310502,TMIN,-25,,,S,\n",
			"2031-05-01 refused=Its source found this tmin wanting (quality flag D).|2031-05-02 tmin=-2.500",
		},
		"by day": {
			"\"STATION\",\"DATE\",\"LATITUDE\",\"PRCP\",\"PRCP_ATTRIBUTES\",\"TMAX\",\"TMAX_ATTRIBUTES\",\"TMIN\"\n" +
				"\"XX000000001\",\"2031-05-01\",\"46.6\",\"   31\",\",,S\",\"  142\",\",,S\",\"   25\"\n" +
				"\"XX000000001\",\"2031-05-02\",\"46.6\",\"\",\"\",\"  999\",\",G,S\",\"   25\"\n",
			"2031-05-01 tmin=2.500 tmax=14.200 rain=3.100|2031-05-02 tmin=2.500 tmax=99.900 refused=Its source found this tmax wanting (quality flag G).",
		},
	} {
		if got := strings.Join(linesOf(t, of.text), "|"); got != of.want {
			t.Errorf("%s:\n%s\nwant\n%s", name, got, of.want)
		}
	}
}

// A file that is no table of daily weather is a fault of the file, and says what is missing.
func TestAFileThatIsNoWeatherIsRefused(t *testing.T) {
	for text, says := range map[string]string{
		"":                                  "empty",
		"plant,lot\nhop,x\n":                "its head has to name date",
		"date,humidity\n2031-05-01,4":       "None of the headings tmin",
		"STATION,DATE,SNOW\nX,1,2":          "None of the headings TMIN",
		"ID,DATE,ELEMENT,FLAG\n":            "DATA_VALUE is missing",
		"date,tmin,tmin_f\n2031-05-01,3,40": "both tell the same",
		"date,tmin\n\"2031":                 "cannot be read",
		"\x00\x01\x02":                      "its head has to name date",
	} {
		lines, err := format.ReadDailyWeather(strings.NewReader(text))
		if err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%q: %d lines, %v", text, len(lines), err)
		}
	}
}

// What is written is read as it was, and says beside it whose reading each is.
func TestDailyWeatherComesBackAsItWasWritten(t *testing.T) {
	first := calendar.Must(2031, 5, 1)
	rows := []weather.DailyRow{
		{Day: first, ReadDay: plot.ReadDay{Day: climate.Day{TMin: -1.25, TMax: 9, Rain: math.NaN()}, TMinFrom: "typed", TMaxFrom: "station"}},
		{Day: first.AddDays(1), ReadDay: plot.ReadDay{Day: climate.Day{TMin: math.NaN(), TMax: math.NaN(), Rain: 12.5}, RainFrom: "file"}},
	}
	var text bytes.Buffer
	if err := format.WriteDailyWeather(&text, rows); err != nil {
		t.Fatal(err)
	}
	if got := strings.Join(linesOf(t, text.String()), "|"); got != "2031-05-01 tmin=-1.25 tmax=9.00|2031-05-02 rain=12.50" {
		t.Errorf("%s\nis read as %s", text.String(), got)
	}
	if !strings.Contains(text.String(), "typed,station,") {
		t.Errorf("whose it is is not said: %s", text.String())
	}
}

// No text makes the reader fail otherwise than with an error, and every line that is read has a day.
func FuzzReadDailyWeather(f *testing.F) {
	for _, text := range []string{
		"date,tmin\n2031-05-01,3\n", "X,20310501,TMAX,142,,,S,\n", "STATION,DATE,TMIN\nX,2031-05-01,4\n", "ID,DATE,ELEMENT,VALUE\n,,,\n", "\"", ",\n,",
	} {
		f.Add(text)
	}
	f.Fuzz(func(t *testing.T, text string) {
		lines, err := format.ReadDailyWeather(strings.NewReader(text))
		if err != nil {
			return
		}
		for _, line := range lines {
			if _, has := line.Fields["date"]; !has || line.Line < 1 {
				t.Fatalf("%q: %+v", text, line)
			}
		}
	})
}
