package phenology

import (
	"math"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

func TestStagesFollowEachOtherInEveryCourse(t *testing.T) {
	f := plan(t, 3).Forecast(ensemble(t, 0, nil, 100), PriorPace(), nil)
	for c := range f.typical[0] {
		for k := 1; k < len(f.Stages); k++ {
			if f.typical[k][c] < f.typical[k-1][c] || f.plants[k][c] < f.plants[k-1][c] {
				t.Fatalf("course %d reaches %s before %s", c, f.Stages[k], f.Stages[k-1])
			}
		}
	}
	for k := 1; k < len(f.Stages); k++ {
		if d := f.Dates(k); d.P10 > d.P50 || d.P50 > d.P90 || d.Chance < 0 || d.Chance > 1 {
			t.Errorf("%s comes %+v", f.Stages[k], d)
		}
	}
}

func TestSharesOfPlantsSumToOneOnEveryDay(t *testing.T) {
	f := plan(t, 3).Forecast(ensemble(t, 0, nil, 60), PriorPace(), nil)
	for i := range season.Days() {
		sum := 0.0
		for k, share := range f.SharesOn(season.Start.AddDays(i)) {
			if share < -1e-9 {
				t.Fatalf("day %d: %v of the plants are %s", i, share, f.Stages[k])
			}
			sum += share
		}
		if math.Abs(sum-1) > 1e-6 {
			t.Fatalf("day %d: the shares sum to %v", i, sum)
		}
	}
}

func TestWhatWasSeenHolds(t *testing.T) {
	from, days := year(t, 3)
	seenOn := season.Start.AddDays(150)
	weather := ensemble(t, from, days[:122+151], 100)
	p := plan(t, 3)
	for _, share := range Shares() {
		seen := Sighting{seenOn, flora.InBud, share}
		pace, _, learned := p.Learn(PriorPace(), weather, seen)
		if !learned {
			t.Fatalf("nothing was learned from %+v", seen)
		}
		f := p.Forecast(weather, pace, []Sighting{seen})
		shares := f.SharesOn(seenOn)
		if math.Abs(shares[4]-share.Near()) > 0.03 {
			t.Errorf("%s were seen in bud, and the forecast for the day says %v", share, shares[4])
		}
		if bud := f.Dates(4); share == Most && bud.P90 > seenOn || share == AFew && bud.P10 <= seenOn {
			t.Errorf("seen in bud, %s, on %s, and in bud comes %s to %s", share, seenOn, bud.P10, bud.P90)
		}
		if next := f.Dates(5); next.P10 <= seenOn {
			t.Errorf("nothing was in flower on %s, and first flower comes from %s", seenOn, next.P10)
		}
	}
}

func TestAnEarlierLookThatALaterOneContradictsIsPassedOver(t *testing.T) {
	p := plan(t, 3)
	facts := p.facts([]Sighting{
		{season.Start.AddDays(120), flora.FullFlower, Most},
		{season.Start.AddDays(100), flora.Leafing, Most},
		{season.Start.AddDays(130), flora.InBud, Half},
	})
	if len(facts) != 2 || facts[0].index != 4 || facts[1].index != 2 {
		t.Errorf("kept %+v; want the look in bud and the one before it that agrees", facts)
	}
}

func TestSeenAheadMakesThePaceFasterAndIsASurpriseWhenFarOut(t *testing.T) {
	from, days := year(t, 4)
	weather := ensemble(t, from, days[:122+141], 50)
	p := plan(t, 3)
	on := season.Start.AddDays(140)
	expected, _ := p.Forecast(weather, PriorPace(), nil).StageOn(on)
	as, surprise, _ := p.Learn(PriorPace(), weather, Sighting{on, p.Stages[expected], Most})
	if surprise != nil {
		t.Errorf("the expected stage is a surprise: %+v", surprise)
	}
	ahead, surprise, _ := p.Learn(PriorPace(), weather, Sighting{on, p.Stages[expected+3], Most})
	if surprise == nil || !surprise.Ahead || surprise.Chance >= 0.05 {
		t.Errorf("three stages ahead is %+v", surprise)
	}
	behind, late, _ := p.Learn(PriorPace(), weather, Sighting{on, p.Stages[expected-2], Most})
	if late == nil || late.Ahead {
		t.Errorf("two stages behind is %+v", late)
	}
	if !(ahead.Quantile(0.5) < as.Quantile(0.5) && as.Quantile(0.5) < behind.Quantile(0.5)) {
		t.Errorf("paces ahead %v, as expected %v, behind %v", ahead.Quantile(0.5), as.Quantile(0.5), behind.Quantile(0.5))
	}
}

func TestNothingIsLearnedFromWhatCannotBeJudged(t *testing.T) {
	from, days := year(t, 5)
	weather := ensemble(t, from, days[:122+100], 20)
	p := plan(t, 1)
	for _, seen := range []Sighting{
		{season.Start.AddDays(90), flora.FullFlower, Most}, // no such stage in the first year
		{season.Start.AddDays(120), flora.Leafing, Most},   // the weather is not read yet
		{season.Start.AddDays(-10), flora.Leafing, Most},   // another season
	} {
		after, _, learned := p.Learn(PriorPace(), weather, seen)
		if learned || after.Seen != 0 {
			t.Errorf("something was learned from %+v", seen)
		}
	}
}

// The step to the next year is made so that the prior stays the prior, and what
// was learned fades.
func TestNextYearDrawsThePaceBackToOne(t *testing.T) {
	for _, q := range []float64{0.1, 0.5, 0.9} {
		if got, want := PriorPace().NextYear().Quantile(q), PriorPace().Quantile(q); math.Abs(got-want) > 0.004 {
			t.Errorf("quantile %v of the prior goes from %v to %v", q, want, got)
		}
	}
	if got := PriorPace().Quantile(0.1587); math.Abs(math.Log(got)+PriorSpread) > 0.004 {
		t.Errorf("one standard deviation below is ln ρ = %v, want %v", math.Log(got), -PriorSpread)
	}
	from, days := year(t, 6)
	weather := ensemble(t, from, days, 1)
	learned, _, _ := plan(t, 3).Learn(PriorPace(), weather, Sighting{season.Start.AddDays(130), flora.FirstFlower, Most})
	year := learned
	for range 12 {
		next := year.NextYear()
		if math.Abs(math.Log(next.Quantile(0.5))) > math.Abs(math.Log(year.Quantile(0.5)))+1e-6 {
			t.Errorf("the pace moved away from 1: %v after %v", next.Quantile(0.5), year.Quantile(0.5))
		}
		year = next
	}
	if math.Abs(year.Quantile(0.5)-1) > 0.02 {
		t.Errorf("after twelve years unseen the pace is still %v", year.Quantile(0.5))
	}
}

func TestASowingCountsFromItsDay(t *testing.T) {
	daylight, err := NewDaylight(latitude, season)
	if err != nil {
		t.Fatal(err)
	}
	weather := ensemble(t, 0, nil, 100)
	var before calendar.Date
	for _, sown := range []int{90, 120, 150} {
		p, err := NewPlan(herb(), 1, daylight, season.Start.AddDays(sown))
		if err != nil {
			t.Fatal(err)
		}
		d := p.Forecast(weather, PriorPace(), nil).Dates(1)
		if d.P10 <= season.Start.AddDays(sown) || d.P50 <= before {
			t.Errorf("sown on day %d it comes up %s to %s", sown, d.P10, d.P90)
		}
		before = d.P50
	}
	if _, err := NewPlan(herb(), 1, daylight, season.End+1); err == nil {
		t.Error("a sowing after the season was accepted")
	}
}

func TestDayLengthAndColdHoldStagesBack(t *testing.T) {
	weather := ensemble(t, 0, nil, 50)
	species := herb()
	species.Growth.Years[1].Stages[3].DayAbove = &flora.Figure{Value: 15.5, Low: 15.5, High: 15.5}
	species.Growth.Years[1].Stages[0].Chill = &flora.Figure{Value: 400}
	daylight, err := NewDaylight(latitude, season)
	if err != nil {
		t.Fatal(err)
	}
	p, err := NewPlan(species, 3, daylight, season.Start-1)
	if err != nil {
		t.Fatal(err)
	}
	if d := p.Forecast(weather, PriorPace(), nil).Dates(1); d.Chance != 0 {
		t.Errorf("without its 400 cold days it shoots with chance %v", d.Chance)
	}
	species.Growth.Years[1].Stages[0].Chill = nil
	if p, err = NewPlan(species, 3, daylight, season.Start-1); err != nil {
		t.Fatal(err)
	}
	// At 46.6° N the day passes 15.5 h in the first days of June.
	if d := p.Forecast(weather, PriorPace(), nil).Dates(4); d.P10 < calendar.Must(2031, 6, 1) {
		t.Errorf("in bud comes from %s, before the days are long enough", d.P10)
	}
}

func TestBands(t *testing.T) {
	f := plan(t, 3).Forecast(ensemble(t, 0, nil, 100), PriorPace(), nil)
	flower := f.Bands(flora.FirstFlower, flora.SettingSeed, flora.FullFlower)
	if len(flower) != 1 || flower[0].Peak == nil || flower[0].Opens != f.Dates(5) || flower[0].Closes != f.Dates(7) {
		t.Fatalf("the flower's band is %+v", flower)
	}
	for i, chance := range flower[0].ByDay {
		if chance < 0 || chance > 1 || (i < 100 || i > 250) && chance > 0 {
			t.Errorf("on day %d the flower's chance is %v", i, chance)
		}
	}
	winter := f.Bands(flora.DyingBack, flora.Shooting, flora.DyingBack)
	if len(winter) != 2 || !winter[0].FromBefore || !winter[1].IntoNext || winter[0].ByDay[0] != 1 || winter[1].ByDay[season.Days()-1] != 1 {
		t.Errorf("the winter's bands are %+v", winter)
	}
	young := plan(t, 1).Forecast(ensemble(t, 0, nil, 20), PriorPace(), nil)
	if bands := young.Bands(flora.FirstFlower, flora.SettingSeed, flora.FullFlower); len(bands) != 0 {
		t.Errorf("a plant without flowers has a band for them: %+v", bands)
	}
}

// A short band that comes surely, on days that are not sure, is not passed over: it has
// its typical days. One that likely never comes has none.
func TestAShortUnsureBandHasItsTypicalDays(t *testing.T) {
	start := calendar.Must(2031, time.August, 1)
	band := Band{
		ByDay: []float64{0, 0.2, 0.4, 0.4, 0.3, 0.1}, start: start,
		Opens: Dates{P50: start.AddDays(2), Chance: 0.98}, Closes: Dates{P50: start.AddDays(4), Chance: 0.98},
	}
	if first, last, opens := band.LikelyDays(); !opens || first != start.AddDays(2) || last != start.AddDays(3) {
		t.Errorf("its days are %s to %s, %v", first, last, opens)
	}
	band.ByDay[3] = 0.7
	if first, last, opens := band.LikelyDays(); !opens || first != start.AddDays(3) || last != first {
		t.Errorf("with one likely day they are %s to %s, %v", first, last, opens)
	}
	band.ByDay[3], band.Opens.Chance = 0.2, 0.3
	if _, _, opens := band.LikelyDays(); opens {
		t.Error("a band that likely never comes opens")
	}
}

func TestPlantsGrowWithAgeAndThroughTheYear(t *testing.T) {
	species := herb()
	f := plan(t, 3).Forecast(ensemble(t, 0, nil, 50), PriorPace(), nil)
	winter, summer := f.SizeOn(species, 3, season.Start), f.SizeOn(species, 3, season.Start.AddDays(190))
	if winter.Height > 0.2*summer.Height || summer.Height < 0.9 || summer.Height > 1.01 {
		t.Errorf("a herb of 100 cm is %v m in winter and %v m in summer", winter.Height, summer.Height)
	}
	before := 0.0
	for year := 1; year <= 5; year++ {
		share := AgeShare(species, year)
		if share < before || share > 1 {
			t.Errorf("in year %d the share is %v after %v", year, share, before)
		}
		before = share
	}
	if before != 1 {
		t.Errorf("full-grown is %v", before)
	}
}

func BenchmarkForecast100Plantings200Seasons(b *testing.B) {
	weather, p := ensemble(b, 0, nil, 200), plan(b, 3)
	p.Forecast(weather, PriorPace(), nil)
	for b.Loop() {
		for range 100 {
			f := p.Forecast(weather, PriorPace(), nil)
			for k := range f.Stages {
				f.Dates(k)
			}
		}
	}
}
