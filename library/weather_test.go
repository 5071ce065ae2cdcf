package library

import (
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// months gathers what days of generated weather amount to, by month of the year.
type months struct {
	days, tmin, tmax, tmin2, tmax2, rain, wet [12]float64
	// springs and years are means of the daily mean: of the three months before midsummer,
	// and of the whole year.
	springs, years []float64
}

func weatherOf(t *testing.T, station climate.Normals, years int) (m months) {
	t.Helper()
	g, err := climate.NewGenerator(station)
	if err != nil {
		t.Fatal(err)
	}
	rng := rand.New(rand.NewPCG(11, 2031))
	start := calendar.Must(2001, time.January, 1)
	days, _ := g.Generate(nil, rng, start, int(calendar.Must(2001+years, time.January, 1)-start), g.Start(rng, start))
	spring := time.March
	if station.Latitude < 0 {
		spring = time.September
	}
	springSum, springDays, yearSum, yearDays := 0.0, 0.0, 0.0, 0.0
	for i, day := range days {
		date := start.AddDays(i)
		at := int(date.Month()) - 1
		m.days[at]++
		m.tmin[at] += day.TMin
		m.tmax[at] += day.TMax
		m.tmin2[at] += day.TMin * day.TMin
		m.tmax2[at] += day.TMax * day.TMax
		m.rain[at] += day.Rain
		if day.Wet() {
			m.wet[at]++
		}
		yearSum, yearDays = yearSum+day.Mean(), yearDays+1
		if date.Month() >= spring && date.Month() < spring+3 {
			springSum, springDays = springSum+day.Mean(), springDays+1
		}
		if date.Month() == time.December && date.Day() == 31 {
			m.springs, m.years = append(m.springs, springSum/springDays), append(m.years, yearSum/yearDays)
			springSum, springDays, yearSum, yearDays = 0, 0, 0, 0
		}
	}
	return m
}

func deviation(values []float64) float64 {
	mean, sum := 0.0, 0.0
	for _, v := range values {
		mean += v / float64(len(values))
	}
	for _, v := range values {
		sum += (v - mean) * (v - mean)
	}
	return math.Sqrt(sum / float64(len(values)-1))
}

// Four hundred years of weather of every climate that ships, against the normals it is
// made from: every month's means, wet days and rain; the spread of a month; and springs
// and years that differ as those of stations do.
func TestWeatherKeepsItsNormalsMonthByMonth(t *testing.T) {
	t.Parallel()
	l, _ := allSpecies(t)
	const years = 400
	for _, station := range l.Climates() {
		m := weatherOf(t, station, years)
		worstTemperature, worstWet, worstRain, driest := 0.0, 0.0, 0.0, 0.0
		for at := range 12 {
			month, n := time.Month(at+1), m.days[at]
			low, high := m.tmin[at]/n, m.tmax[at]/n
			perMonth := n / years
			wet, rain := m.wet[at]/years, m.rain[at]/years
			worstTemperature = max(worstTemperature, math.Abs(low-station.TMin[at]), math.Abs(high-station.TMax[at]))
			worstWet = max(worstWet, math.Abs(wet-station.WetDays[at]))
			off := rain/station.Rain[at] - 1
			worstRain = max(worstRain, math.Abs(off))
			if station.Rain[at] < 20 {
				driest = max(driest, math.Abs(off))
			}
			if math.Abs(low-station.TMin[at]) > 0.4 || math.Abs(high-station.TMax[at]) > 0.4 {
				t.Errorf("%s, %s: %.2f to %.2f °C, want %v to %v", station.ID, month, low, high, station.TMin[at], station.TMax[at])
			}
			if math.Abs(wet-station.WetDays[at]) > 0.6 {
				t.Errorf("%s, %s: %.2f wet days of %.1f, want %v", station.ID, month, wet, perMonth, station.WetDays[at])
			}
			// A dry month's rain falls on few days: over 400 years its mean still errs by
			// some hundredths.
			if math.Abs(off) > 0.15 {
				t.Errorf("%s, %s: %.1f mm of rain, want %v", station.ID, month, rain, station.Rain[at])
			}
			// About the monthly mean a day lies a little wider than about the course, which
			// moves through the month.
			wantMin, wantMax := station.Spread(15 + 30*at)
			spreadMin, spreadMax := math.Sqrt(m.tmin2[at]/n-low*low), math.Sqrt(m.tmax2[at]/n-high*high)
			if spreadMin < 0.93*wantMin || spreadMin > 1.3*wantMin || spreadMax < 0.9*wantMax || spreadMax > 1.3*wantMax {
				t.Errorf("%s, %s: days spread by %.2f and %.2f °C, want about %.2f and %.2f", station.ID, month, spreadMin, spreadMax, wantMin, wantMax)
			}
		}
		springs, whole := deviation(m.springs), deviation(m.years)
		t.Logf("%-24s worst month off by %.2f °C, %.2f wet days, rain %.0f %% (under 20 mm: %.0f %%); springs differ by %.2f °C, years by %.2f", station.ID, worstTemperature, worstWet, 100*worstRain, 100*driest, springs, whole)
		mean := (station.SpreadMin + station.SpreadMax) / 2
		if springs < 0.27*mean || springs > 0.5*mean || whole < 0.14*mean || whole > 0.28*mean {
			t.Errorf("%s: springs differ by %.2f °C and years by %.2f, of days that differ by %.2f", station.ID, springs, whole, mean)
		}
	}
}
