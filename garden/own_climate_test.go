package garden

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
	"bramblyacre/library"
)

// ownClimate is the climate of the plot as it is typed, so many degrees warmer.
func (p *fixture) ownClimate(warmerC float64) weather.OwnClimateInput {
	p.t.Helper()
	v, err := p.Weather.OwnClimate(p.t.Context())
	check(p.t, err)
	in := v.Typed
	in.Name = "Mill Field, 2001 to 2030"
	for m := range in.Months {
		var low, high float64
		_, err := fmt.Sscanf(in.Months[m].Low+" "+in.Months[m].High, "%f °C %f °C", &low, &high)
		check(p.t, err)
		in.Months[m].Low, in.Months[m].High = fmt.Sprintf("%.1f °C", low+warmerC), fmt.Sprintf("%.1f °C", high+warmerC)
	}
	return in
}

// What is typed is what the climate is: its page shows those months, at the height that they hold for, and all days come
// sooner in a warmer one. Taken back, all is as before.
func TestOwnMonthsAreFollowed(t *testing.T) {
	p := newPlot(t)
	before := p.snapshot()
	flower := func() calendar.Date {
		s, err := p.Plot.State(t.Context())
		check(t, err)
		f := s.ByID[p.planting].Now
		for k, stage := range f.Stages {
			if stage.String() == "first flower" {
				return f.Dates(k).P50
			}
		}
		t.Fatal("it does not flower")
		return 0
	}
	usual := flower()
	// The same figures again move nothing but the name.
	same := p.ownClimate(0)
	first, err := p.Weather.SetOwnClimate(t.Context(), say.AsItStands, same)
	check(t, err)
	if off := flower().DaysSince(usual); off < -1 || off > 1 {
		t.Errorf("typed in as it was, flowers come %d days later", off)
	}
	second, err := p.Weather.SetOwnClimate(t.Context(), say.AsItStands, p.ownClimate(3))
	check(t, err)
	if off := flower().DaysSince(usual); off > -10 {
		t.Errorf("three degrees warmer, flowers come %d days later", off)
	}
	v, err := p.Weather.Climate(t.Context(), "")
	check(t, err)
	hill, _ := p.Plot.Library.Climate("hill-valley")
	for m, month := range v.Months {
		cooler := (640 - hill.HeightM) * climate.LapseRate
		if want := hill.TMin[m] - cooler + 3; math.Abs(month.LowC-want) > 0.11 {
			t.Errorf("%s: nights of %v, want %v", month.Name, month.LowC, want)
		}
		if math.Abs(month.RainMM-hill.Rain[m]) > 0.51 {
			t.Errorf("%s: %v mm, want %v", month.Name, month.RainMM, hill.Rain[m])
		}
	}
	if v.Name != "Mill Field, 2001 to 2030" || !strings.Contains(v.Kind, "your own") {
		t.Errorf("it is called %q, %q", v.Name, v.Kind)
	}
	// It is one of the climates to choose, and another can be chosen again.
	found := false
	for _, choice := range must(p.Place.Site(t.Context())).Climates {
		found = found || choice.ID == library.OwnClimateID
	}
	if !found {
		t.Error("the own climate is not to be chosen")
	}
	for _, id := range []int64{second.ID, first.ID} {
		_, err = p.TakeBack(t.Context(), id)
		check(t, err)
	}
	if got := p.snapshot(); got != before {
		t.Errorf("taken back, the plot is\n%s\nbut was\n%s", got, before)
	}
	// The ledger gives a row's number once: typed in again after it was taken back it is kept.
	_, err = p.Weather.SetOwnClimate(t.Context(), say.AsItStands, same)
	check(t, err)
}

func TestOwnMonthsThatCannotBeAreRefused(t *testing.T) {
	p := newPlot(t)
	entries := p.entries()
	for name, test := range map[string]struct {
		spoil        func(*weather.OwnClimateInput)
		field, words string
	}{
		"no name":               {func(in *weather.OwnClimateInput) { in.Name = " " }, "name", "Give it a name"},
		"nights above days":     {func(in *weather.OwnClimateInput) { in.Months[6].Low = "30 °C" }, "months.6.low", "above the highest"},
		"no figure":             {func(in *weather.OwnClimateInput) { in.Months[0].High = "" }, "months.0.high", "Type a figure"},
		"a word":                {func(in *weather.OwnClimateInput) { in.Months[0].Rain = "much" }, "months.0.rain", "write for example"},
		"rain in degrees":       {func(in *weather.OwnClimateInput) { in.Months[0].Rain = "4 °C" }, "months.0.rain", "not a unit of length"},
		"a flood":               {func(in *weather.OwnClimateInput) { in.Months[0].Rain = "60 m" }, "months.0.rain", "not of this world"},
		"40 wet days":           {func(in *weather.OwnClimateInput) { in.Months[0].WetDays = "40" }, "months.0.wetDays", "from 0 to 31"},
		"30 wet days, February": {func(in *weather.OwnClimateInput) { in.Months[1].WetDays = "30" }, "months.1.wetDays", "from 0 to 28"},
		"rain on no day":        {func(in *weather.OwnClimateInput) { in.Months[0].WetDays = "0" }, "months.0.wetDays", "on some day"},
		"the pole": {func(in *weather.OwnClimateInput) {
			for m := range in.Months {
				in.Months[m].Low, in.Months[m].High = "-60 °C", "-59 °C"
			}
		}, "height", "not of this world"},
		"eleven months":          {func(in *weather.OwnClimateInput) { in.Months = in.Months[:11] }, "months", "all twelve"},
		"like nothing":           {func(in *weather.OwnClimateInput) { in.Like = "the moon" }, "like", "Choose the climate"},
		"like itself":            {func(in *weather.OwnClimateInput) { in.Like = library.OwnClimateID }, "like", "Choose the climate"},
		"a height in the clouds": {func(in *weather.OwnClimateInput) { in.Height = "9 km" }, "height", ""},
	} {
		in := p.ownClimate(0)
		test.spoil(&in)
		_, err := p.Weather.SetOwnClimate(t.Context(), say.AsItStands, in)
		if name == "a height in the clouds" && err != nil {
			continue // whatever is wrong with it first
		}
		p.refused(err, test.field, test.words, entries)
	}
	if _, err := p.Weather.SetOwnClimate(t.Context(), "stale", p.ownClimate(0)); err == nil {
		t.Error("a climate that changed meanwhile was written over")
	}
}

func TestATableOfMonthsFillsTheForm(t *testing.T) {
	p := newPlot(t)
	table := func() (lines []map[string]string) {
		for m := range 12 {
			lines = append(lines, map[string]string{"month": fmt.Sprint(m + 1), "tmin": fmt.Sprint(m), "tmax": fmt.Sprint(m + 10), "rain": "50", "wet_days": "9"})
		}
		return lines
	}
	named := table()
	named[0]["month"], named[8]["month"] = "January", "sept"
	for _, lines := range [][]map[string]string{table(), named} {
		months, err := p.Weather.ReadMonths(t.Context(), lines)
		check(t, err)
		if got := months[8]; got.Low != "8 °C" || got.High != "18 °C" || got.Rain != "50 mm" || got.WetDays != "9" {
			t.Errorf("September is %+v", got)
		}
	}
	twice, missing, odd := table(), table()[:11], table()
	twice[3]["month"], odd[4]["tmax"] = "3", "warm"
	nowhere := table()
	nowhere[5]["month"] = "Smarch"
	for words, lines := range map[string][]map[string]string{
		"March stands twice": twice, "December is missing": missing, `tmax "warm" is no number`: odd, `"Smarch" is no month`: nowhere,
	} {
		_, err := p.Weather.ReadMonths(t.Context(), lines)
		if err == nil || !strings.Contains(err.Error(), words) {
			t.Errorf("%v, want it to say %q", err, words)
		}
	}
}

// However cold the climate and however high the plot, no entry and no taking back leaves a plot that cannot be shown.
func TestNoHeightLeavesAPlotThatCannotBeShown(t *testing.T) {
	p := newPlot(t)
	site := func(height string) (journal.Entry, error) {
		return p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Peak", Latitude: 46.6, Altitude: height, ClimateID: library.OwnClimateID, Width: "30 m", Depth: "20 m", Units: "metric"})
	}
	_, err := p.Weather.SetOwnClimate(t.Context(), say.AsItStands, p.ownClimate(0))
	check(t, err)
	_, err = site("3000 m")
	check(t, err)
	down, err := site("640 m")
	check(t, err)
	_, err = p.Weather.SetOwnClimate(t.Context(), say.AsItStands, p.ownClimate(-50))
	check(t, err)
	entries := p.entries()
	_, err = site("3000 m")
	p.refused(err, "altitude", "not of this world", entries)
	_, err = p.TakeBack(t.Context(), down.ID) // at 3,000 m again, under the cold
	check(t, err)
	p.everyPage()
	if now, err := p.Now.Now(t.Context(), plot.NoDay); err != nil || now.Plantings == 0 {
		t.Errorf("the plot cannot be shown: %v", err)
	}
}
