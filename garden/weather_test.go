package garden

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/area"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
	"bramblyacre/station"
)

// dayOfWeather is a shown day of the weather.
func (p *fixture) dayOfWeather(on string) weather.DayView {
	p.t.Helper()
	v, err := p.Weather.Weather(p.t.Context(), plot.NoDay)
	check(p.t, err)
	for _, one := range v.Days {
		if one.Day.String() == on {
			return one
		}
	}
	p.t.Fatalf("%s is not shown", on)
	return weather.DayView{}
}

// A typed reading is believed before a file, a file before the station, each part by itself; each says where it comes
// from, and what is taken away uncovers what lay under it.
func TestEachPartOfADaySaysWhoseReadingItIs(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	p.switchStationOn()
	const on = "2031-05-20"
	was := p.dayOfWeather(on)
	if was.LowFrom != plot.ReadStation || was.RainFrom != plot.ReadStation || was.LowC == nil {
		t.Fatalf("the station's day is %+v", was)
	}
	_, err := p.Weather.BringFile(ctx, []area.FileLine{{Line: 2, Fields: map[string]string{"date": on, "tmin": "1.25", "rain": "31"}}}, true, false)
	check(t, err)
	_, err = p.Weather.TypeReading(ctx, say.AsItStands, weather.DayReadingInput{Day: on, Low: "-3"})
	check(t, err)
	got := p.dayOfWeather(on)
	if *got.LowC != -3 || got.LowFrom != plot.ReadTyped || *got.RainMM != 31 || got.RainFrom != plot.ReadFile ||
		*got.HighC != *was.HighC || got.HighFrom != plot.ReadStation {
		t.Errorf("%+v", got)
	}
	if !strings.Contains(got.Words, "-3 °C (typed by you)") || !strings.Contains(got.Words, "31 mm of rain (from a file)") {
		t.Errorf("it says %q", got.Words)
	}
	// A page from before is stale; typing anew takes the typed one's place, not another's.
	_, err = p.Weather.TypeReading(ctx, was.Version, weather.DayReadingInput{Day: on, Low: "2"})
	if _, is := err.(say.StaleError); !is {
		t.Errorf("a stale page is taken: %v", err)
	}
	_, err = p.Weather.TypeReading(ctx, got.Version, weather.DayReadingInput{Day: on, High: "9"})
	check(t, err)
	if got = p.dayOfWeather(on); *got.LowC != 1.25 || got.LowFrom != plot.ReadFile || *got.HighC != 9 {
		t.Errorf("typed again: %+v", got)
	}
	for _, source := range []string{plot.ReadTyped, plot.ReadFile} {
		_, err = p.Weather.DropReading(ctx, on, source)
		check(t, err)
	}
	if got = p.dayOfWeather(on); got.Words != was.Words {
		t.Errorf("all taken away it says %q, before %q", got.Words, was.Words)
	}
	if _, err = p.Weather.DropReading(ctx, on, plot.ReadTyped); err == nil {
		t.Error("what is not there is taken away")
	}
}

// Typed in US units it is read as such, and told as it was typed.
func TestReadingsAreTypedInTheGrowersUnits(t *testing.T) {
	p := newPlot(t)
	_, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: 46.6, ClimateID: "hill-valley", Units: "us"})
	check(t, err)
	_, err = p.Weather.TypeReading(t.Context(), say.AsItStands, weather.DayReadingInput{Day: "2031-05-20", Low: "28", High: "12 c", Rain: "0.5"})
	check(t, err)
	got := p.dayOfWeather("2031-05-20")
	if math.Abs(*got.LowC+2.2222) > 0.001 || *got.HighC != 12 || math.Abs(*got.RainMM-12.7) > 1e-6 || got.TypedRain != "0.5 in" || got.TypedLow != "28 °F" {
		t.Errorf("%+v, %v %v %v", got, *got.LowC, *got.HighC, *got.RainMM)
	}
}

func TestReadingsThatCannotBeAreRefused(t *testing.T) {
	p := newPlot(t)
	before := p.Entry()
	for what, in := range map[string]struct {
		field string
		in    weather.DayReadingInput
	}{
		"nothing":                 {"low", weather.DayReadingInput{Day: "2031-05-20"}},
		"tomorrow":                {"day", weather.DayReadingInput{Day: "2031-05-28", Low: "3"}},
		"no day":                  {"day", weather.DayReadingInput{Day: "yesterday", Low: "3"}},
		"the year 1":              {"day", weather.DayReadingInput{Day: "0001-01-01", Low: "3"}},
		"a night above the day":   {"low", weather.DayReadingInput{Day: "2031-05-20", Low: "12", High: "8"}},
		"no number":               {"low", weather.DayReadingInput{Day: "2031-05-20", Low: "cold"}},
		"not a number":            {"low", weather.DayReadingInput{Day: "2031-05-20", Low: "NaN"}},
		"an oven":                 {"high", weather.DayReadingInput{Day: "2031-05-20", High: "190"}},
		"less than no rain":       {"rain", weather.DayReadingInput{Day: "2031-05-20", Rain: "-3 mm"}},
		"a sea":                   {"rain", weather.DayReadingInput{Day: "2031-05-20", Rain: "3 m"}},
		"a length of temperature": {"rain", weather.DayReadingInput{Day: "2031-05-20", Rain: "3 °C"}},
		"a book":                  {"note", weather.DayReadingInput{Day: "2031-05-20", Rain: "3 mm", Note: strings.Repeat("x", 30_000)}},
	} {
		_, err := p.Weather.TypeReading(t.Context(), say.AsItStands, in.in)
		faults, is := err.(say.Faults)
		if !is || faults[0].Field != in.field {
			t.Errorf("%s: %v", what, err)
		}
	}
	if p.Entry() != before {
		t.Error("something of it was noted")
	}
	_, err := p.Weather.Weather(t.Context(), calendar.Must(1200, 1, 1))
	if _, is := err.(say.Faults); !is {
		t.Errorf("the year 1200 is shown: %v", err)
	}
}

// Readings move forecasts: a cold spring that is read, without any station, puts the stages off, and to take it back puts
// them where they were.
func TestForecastsGoOnFromWhatIsRead(t *testing.T) {
	p := newPlot(t)
	ripe := func() (calendar.Date, float64) {
		v, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
		check(t, err)
		for _, stage := range v.Stages {
			if stage.Stage.String() == "ripe" {
				return stage.Dates.P50, float64(stage.Dates.P90.DaysSince(stage.Dates.P10))
			}
		}
		t.Fatal("no ripe stage")
		return 0, 0
	}
	was, width := ripe()
	s, err := p.State(t.Context())
	check(t, err)
	spring := func(warmer float64) []area.FileLine {
		var lines []area.FileLine
		for on := s.Season.Start.AddDays(-climate.LeadDays); on <= day; on++ {
			usual, _, _, _, _ := s.Sky.Generator().Usual(on)
			lines = append(lines, area.FileLine{Line: len(lines) + 2, Fields: map[string]string{
				"date": on.String(), "tmin": fmt.Sprintf("%.1f", usual.TMin+warmer), "tmax": fmt.Sprintf("%.1f", usual.TMax+warmer), "rain": "0",
			}})
		}
		return lines
	}
	brought, err := p.Weather.BringFile(t.Context(), spring(-3), true, false)
	check(t, err)
	cold, narrower := ripe()
	if cold <= was.AddDays(5) {
		t.Errorf("after a spring 3 °C too cold it is ripe on %s, else on %s", cold, was)
	}
	if narrower > width {
		t.Errorf("what is read widens the dates from %v to %v days", width, narrower)
	}
	_, err = p.Weather.BringFile(t.Context(), spring(3), true, false)
	check(t, err)
	if warm, _ := ripe(); warm >= was.AddDays(-5) {
		t.Errorf("after a spring 3 °C too warm it is ripe on %s, else on %s", warm, was)
	}
	_, err = p.TakeBack(t.Context(), p.newest().ID)
	check(t, err)
	_, err = p.TakeBack(t.Context(), brought.Entry.ID)
	check(t, err)
	if again, _ := ripe(); again != was {
		t.Errorf("taken back it is ripe on %s, before on %s", again, was)
	}
}

// What a file says twice otherwise, what cannot be and what its source doubts is refused line by line; nothing is noted until
// that is said to be left out, and then all the rest is one entry.
func TestAWeatherFileIsTakenInWholeOrNotAtAll(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	line := func(n int, pairs ...string) area.FileLine {
		fields := map[string]string{}
		for i := 0; i < len(pairs); i += 2 {
			fields[pairs[i]] = pairs[i+1]
		}
		return area.FileLine{Line: n, Fields: fields}
	}
	lines := []area.FileLine{
		line(2, "date", "2031-05-01", "tmin", "2.5", "tmax", "14"),
		line(3, "date", "2031-05-01", "rain", "3"),  // the same day's rain: one day
		line(4, "date", "2031-05-01", "tmin", "-1"), // otherwise than line 2
		line(5, "date", "2031-05-02", "tmin", "9", "tmax", "4"),
		line(6, "date", "2031-06-02", "tmin", "9"),
		line(7, "date", "2031-05-04", "tmin", "warm"),
		line(8, "date", "2031-05-05", "refused", "Its source found this tmin wanting (quality flag D)."),
		line(9, "date", "2031-05-06"),
		line(10, "date", "2031-05-07", "tmax", "21"),
		line(11, "date", "2031-05-07", "tmin", "22"), // above what line 10 says
	}
	before := p.Entry()
	preview, err := p.Weather.BringFile(ctx, lines, false, false)
	check(t, err)
	if preview.Taken != 3 || preview.Refused != 7 || preview.Entry != nil || p.Entry() != before {
		t.Errorf("preview: %+v", preview)
	}
	refused := map[int]string{}
	for _, one := range preview.Lines {
		refused[one.Line] = strings.Join(one.Wrong, " ")
	}
	for n, says := range map[int]string{
		2: "", 3: "", 4: "An earlier line says another lowest", 5: "cannot be above", 6: "has not come yet", 7: "not a number",
		8: "quality flag D", 9: "Nothing was read", 10: "", 11: "above the highest that an earlier line says",
	} {
		if got, shown := refused[n]; !shown || (says == "") != (got == "") || !strings.Contains(got, says) {
			t.Errorf("line %d: %q", n, got)
		}
	}
	if !strings.Contains(preview.Words, "2 days from 1 May 2031 to 7 May 2031. 5 days between them are not in the file.") {
		t.Errorf("it says %q", preview.Words)
	}
	if _, err := p.Weather.BringFile(ctx, lines, true, false); err == nil || p.Entry() != before {
		t.Errorf("half of it was noted: %v", err)
	}
	done, err := p.Weather.BringFile(ctx, lines, true, true)
	check(t, err)
	if done.Entry == nil || p.Entry() != before+1 {
		t.Fatalf("%+v", done)
	}
	if got := p.dayOfWeather("2031-05-01"); *got.LowC != 2.5 || *got.HighC != 14 || *got.RainMM != 3 {
		t.Errorf("%+v", got)
	}
	// A later file that says only the rain leaves the rest as it was.
	_, err = p.Weather.BringFile(ctx, []area.FileLine{line(2, "date", "2031-05-01", "rain", "8")}, true, false)
	check(t, err)
	if got := p.dayOfWeather("2031-05-01"); *got.LowC != 2.5 || *got.RainMM != 8 {
		t.Errorf("%+v", got)
	}
	if _, err := p.Weather.BringFile(ctx, make([]area.FileLine, 12_001), false, false); err == nil {
		t.Error("a file without end is read")
	}
}

// What a station read is kept as it was read: another one that reads otherwise later does not change the past.
func TestWhatTheStationReadIsKept(t *testing.T) {
	p := newPlot(t)
	p.switchStationOn()
	was := p.dayOfWeather("2031-05-20")
	check(t, p.KeepStationDays(t.Context()))
	p.Plot.OpenStation = func(n climate.Normals, seed uint64) (station.Station, error) { return station.NewSimulated(n, seed+1) }
	p.Forget()
	if now := p.dayOfWeather("2031-05-20"); now.Words != was.Words {
		t.Errorf("it was %q and is %q", was.Words, now.Words)
	}
	*p.today = day.AddDays(1)
	other, err := station.NewSimulated(must(p.State(t.Context())).Sky.Normals(), uint64(must(p.State(t.Context())).Site.WeatherSeed)+1)
	check(t, err)
	fresh, err := other.Days(day.AddDays(1), day.AddDays(1))
	check(t, err)
	if now := p.dayOfWeather("2031-05-28"); math.Abs(*now.LowC-fresh[0].TMin) > 1e-9 {
		t.Errorf("the new day is %v, the station read %v", *now.LowC, fresh[0].TMin)
	}
}

// The outlook is scored against what came: as far ahead as it reaches, each day ahead less sure or as sure, and without a
// station nothing is claimed.
func TestTheOutlookIsScored(t *testing.T) {
	p := newPlot(t)
	v, err := p.Weather.Weather(t.Context(), plot.NoDay)
	check(t, err)
	if len(v.Outlook) != 0 || len(v.Scores) != 0 || !strings.Contains(v.UnreadWords, "No day of the season is read") {
		t.Errorf("without a station: %+v", v)
	}
	p.switchStationOn()
	v, err = p.Weather.Weather(t.Context(), plot.NoDay)
	check(t, err)
	if len(v.Outlook) != station.OutlookDays || len(v.Scores) != station.OutlookDays || !v.Simulated {
		t.Fatalf("%d days, %d scores", len(v.Outlook), len(v.Scores))
	}
	if first, last := v.Scores[0], v.Scores[len(v.Scores)-1]; first.OffC >= last.OffC || first.OffC >= first.UsualC {
		t.Errorf("tomorrow is off by %v (usual %v), a week on by %v", first.OffC, first.UsualC, last.OffC)
	}
	if v.Outlook[0].SpreadC >= v.Outlook[6].SpreadC || v.Outlook[0].Day != day.AddDays(1) {
		t.Errorf("the outlook is %+v", v.Outlook)
	}
}

// The climate is explained where the plot lies: in the south the year is turned round, and soil under mulch
// follows later.
func TestTheClimateIsExplained(t *testing.T) {
	p := newPlot(t)
	for _, site := range []place.SiteInput{
		{Name: "Acre", Latitude: 46.6, Altitude: "900 m", ClimateID: "hill-valley", Units: "metric"},
		{Name: "Acre", Latitude: -30, ClimateID: "humid-subtropical-south", Units: "metric"},
		{Name: "Acre", Latitude: 32, ClimateID: "desert-summer-rain", Units: "us"},
	} {
		_, err := p.SetSite(t.Context(), say.AsItStands, site)
		check(t, err)
		v, err := p.Weather.Climate(t.Context(), "sweet-basil")
		check(t, err)
		warm := 0
		for m, month := range v.Months {
			if month.HighC > v.Months[warm].HighC {
				warm = m
			}
			if month.Frost < 0 || month.Frost > 1 || month.DayHours < 8 || month.DayHours > 17 {
				t.Errorf("%s: %+v", site.ClimateID, month)
			}
		}
		// Under mulch the soil follows later: cooler while it warms, warmer while it cools.
		for _, at := range []struct {
			months int
			cooler bool
		}{{-3, true}, {3, false}} {
			month := v.Months[(warm+at.months+12)%12]
			if (month.MulchedC < month.SoilC) != at.cooler {
				t.Errorf("%s, %s: soil %v, under mulch %v", site.ClimateID, month.Name, month.SoilC, month.MulchedC)
			}
		}
		if south := warm >= 10 || warm <= 2; south != (site.Latitude < 0) {
			t.Errorf("%s: %s is the warmest", site.ClimateID, v.Months[warm].Name)
		}
		if (v.Rains != "") != (site.ClimateID == "desert-summer-rain") {
			t.Errorf("%s: the rains %q", site.ClimateID, v.Rains)
		}
		if len(v.Frosts) < 4 || v.Zone == "" || len(v.Beds) != 1 {
			t.Errorf("%s: %+v", site.ClimateID, v)
		}
		if site.Altitude != "" && !strings.Contains(v.Height, "cooler") {
			t.Errorf("at 900 m it says %q", v.Height)
		}
		noNulls(t, "the climate", v)
	}
	_, err := p.Weather.Climate(t.Context(), "moonflower-of-nowhere")
	if _, is := err.(say.Faults); !is {
		t.Errorf("of no plant: %v", err)
	}
}
