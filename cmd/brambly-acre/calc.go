package main

import (
	"encoding/json"
	"fmt"
	"maps"
	"math"
	"slices"
	"strconv"
	"strings"

	"github.com/spf13/cobra"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/ground"
	"bramblyacre/core/sun"
)

// calculation is one sum that the command line can do.
type calculation struct {
	needs, takes []string
	// answers is the order in which results are written, by name where it is left out.
	answers []string
	run     func(*values) (map[string]any, error)
}

var calculations = map[string]calculation{
	"daylight": {needs: []string{"latitude", "date"}, run: func(v *values) (map[string]any, error) {
		latitude, day := v.number("latitude"), v.date("date")
		hours, err := climate.DayLength(latitude, day)
		if err != nil {
			return nil, err
		}
		radiation, err := climate.ExtraterrestrialRadiation(latitude, day)
		return map[string]any{"day_length_h": hours, "radiation_mj_m2": radiation}, err
	}},
	"degree-days": {
		needs: []string{"tmin", "tmax", "base"},
		takes: []string{"upper"},
		run: func(v *values) (map[string]any, error) {
			upper := climate.NoUpper
			if v.has("upper") {
				upper = v.number("upper")
			}
			sum, err := climate.DegreeDays(v.number("tmin"), v.number("tmax"), v.number("base"), upper)
			return map[string]any{"degree_days": sum}, err
		},
	},
	"evapotranspiration": {
		needs: []string{"latitude", "date", "tmin", "tmax"},
		run: func(v *values) (map[string]any, error) {
			et0, err := climate.ReferenceEvapotranspiration(
				v.number("latitude"),
				v.date("date"),
				v.number("tmin"),
				v.number("tmax"),
			)
			return map[string]any{"et0_mm": et0}, err
		},
	},
	"sun": {needs: []string{"latitude", "date", "hour"}, run: func(v *values) (map[string]any, error) {
		at, err := sun.At(v.number("latitude"), v.date("date"), v.number("hour"))
		return map[string]any{"altitude_deg": at.Altitude, "azimuth_deg": at.Azimuth}, err
	}},
	"texture": {needs: []string{"sand_mm", "silt_mm", "clay_mm"}, run: func(v *values) (map[string]any, error) {
		shares, err := ground.Jar(v.number("sand_mm"), v.number("silt_mm"), v.number("clay_mm"))
		if err != nil {
			return nil, err
		}
		return map[string]any{"class": shares.Class(), "sand": shares.Sand, "silt": shares.Silt, "clay": shares.Clay}, nil
	}},
	"infiltration": {needs: []string{"fall_mm", "minutes"}, run: func(v *values) (map[string]any, error) {
		rate, class, err := ground.Infiltration(v.number("fall_mm"), v.number("minutes"))
		return map[string]any{"mm_per_hour": rate, "class": class}, err
	}},
}

func calcCommand() *cobra.Command {
	maps.Copy(calculations, raising)
	maps.Copy(calculations, watering)
	maps.Copy(calculations, spreading)
	maps.Copy(calculations, lifting)
	maps.Copy(calculations, keepingSums)
	names := slices.Sorted(maps.Keys(calculations))
	return &cobra.Command{
		Use: "calc NAME key=value…", Short: "Do one sum and print it as JSON: " + strings.Join(names, ", "),
		Example: "  brambly-acre calc daylight latitude=-20 date=2031-09-03",
		// A value may be negative or hold a sign; none of the words is a flag.
		DisableFlagParsing: true,
		RunE: func(cmd *cobra.Command, args []string) error {
			if slices.Contains(args, "--help") || slices.Contains(args, "-h") {
				return cmd.Help()
			}
			if len(args) == 0 {
				return usageError{fmt.Errorf("say what to work out: %s", strings.Join(names, ", "))}
			}
			sum, known := calculations[args[0]]
			if !known {
				return usageError{fmt.Errorf("there is no sum %q; the sums are %s", args[0], strings.Join(names, ", "))}
			}
			results, err := sum.work(args[1:])
			if err != nil {
				return usageError{err}
			}
			for name, value := range results {
				switch number := value.(type) {
				case float64:
					results[name] = twoDecimals(number)
				case []float64:
					for i := range number {
						number[i] = twoDecimals(number[i])
					}
				}
			}
			line, err := inOrder(results, sum.answers)
			if err != nil {
				return err
			}
			_, err = fmt.Fprintf(cmd.OutOrStdout(), "%s\n", line)
			return err
		},
	}
}

// inOrder writes results as one JSON object, in an order or by name.
func inOrder(results map[string]any, order []string) ([]byte, error) {
	if order == nil {
		return json.Marshal(results)
	}
	line := []byte("{")
	for i, name := range order {
		value, err := json.Marshal(results[name])
		if err != nil {
			return nil, err
		}
		if i > 0 {
			line = append(line, ',')
		}
		line = fmt.Appendf(line, "%q:%s", name, value)
	}
	return append(line, '}'), nil
}

func twoDecimals(number float64) float64 { return math.Round(number*100) / 100 }

// work reads the arguments and does the sum.
func (c calculation) work(args []string) (map[string]any, error) {
	v := &values{texts: map[string]string{}}
	for _, arg := range args {
		key, value, found := strings.Cut(arg, "=")
		if !found {
			return nil, fmt.Errorf("%q is not key=value", arg)
		}
		if !slices.Contains(c.needs, key) && !slices.Contains(c.takes, key) {
			return nil, fmt.Errorf(
				"%q is not asked for; give %s",
				key,
				strings.Join(append(slices.Clone(c.needs), c.takes...), ", "),
			)
		}
		if _, twice := v.texts[key]; twice {
			return nil, fmt.Errorf("%s is given twice", key)
		}
		v.texts[key] = value
	}
	for _, key := range c.needs {
		if !v.has(key) {
			return nil, fmt.Errorf("%s is missing; give %s", key, strings.Join(c.needs, ", "))
		}
	}
	// Every value is read before any is used, so that a wrong one is told first.
	for key := range v.texts {
		switch key {
		case "date":
			v.date(key)
		case "parts":
			v.parts(key)
		default:
			v.number(key)
		}
	}
	if v.err != nil {
		return nil, v.err
	}
	return c.run(v)
}

// values are the arguments of a sum; the first that cannot be read is kept.
type values struct {
	texts map[string]string
	err   error
}

func (v *values) has(key string) bool {
	_, has := v.texts[key]
	return has
}

func (v *values) number(key string) float64 {
	n, err := strconv.ParseFloat(v.texts[key], 64)
	if (err != nil || math.IsNaN(n) || math.IsInf(n, 0)) && v.err == nil {
		v.err = fmt.Errorf("%s: %q is not a number", key, v.texts[key])
	}
	return n
}

func (v *values) date(key string) calendar.Date {
	day, err := calendar.Parse(v.texts[key])
	if err != nil && v.err == nil {
		v.err = fmt.Errorf("%s: %w", key, err)
	}
	return day
}
