package phenology

import (
	"math"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

func TestStagesFollowEachOtherInEveryCourse(t *testing.T) {
	f := plan(t, 3).Forecast(ensemble(t, 0, nil, 100), PriorPace(), nil)
	for c := range f.typical[0] {
		for k := 1; k < len(f.Stages); k++ {
			for name, days := range map[string][][]int16{"typical": f.typical, "plants": f.plants()} {
				// What the year ends before comes never.
				if days[k-1][c] < int16(f.days) && days[k][c] < days[k-1][c] {
					t.Fatalf("course %d, %s, reaches %s before %s", c, name, f.Stages[k], f.Stages[k-1])
				}
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

// reading is a sighting as learned.
func reading(t *testing.T, p *Plan, weather *climate.Ensemble, seen Sighting) (Pace, Reading) {
	t.Helper()
	pace, read, _, learned := p.Learn(PriorPace(), weather, seen)
	if !learned {
		t.Fatalf("nothing was learned from %+v", seen)
	}
	return pace, read
}

func TestWhatWasSeenHolds(t *testing.T) {
	from, days := year(t, 3)
	seenOn := season.Start.AddDays(150)
	weather := ensemble(t, from, days[:122+151], 100)
	p := plan(t, 3)
	for _, share := range Shares() {
		pace, read := reading(t, p, weather, Sighting{Day: seenOn, Stage: flora.InBud, Share: share})
		f := p.Forecast(weather, pace, []Reading{read})
		shares := f.SharesOn(seenOn)
		// Judged by eye, and with room for a stage more or less.
		low, high := share.bounds()
		if atBud := shares[4]; atBud < low-0.15 || atBud > high+0.15 {
			t.Errorf("%s were seen in bud, and the forecast for the day says %v", share, atBud)
		}
		reached := 0
		for _, day := range f.typical[4] {
			if season.Start.AddDays(int(day)) <= seenOn {
				reached++
			}
		}
		if part := float64(reached) / float64(len(f.typical[4])); share == Most && part < 0.85 || share == AFew && part > 0.15 {
			t.Errorf("seen in bud, %s: the typical plant is so in %v of the courses", share, part)
		}
		if next := f.Dates(5); next.P10 <= seenOn {
			t.Errorf("nothing was in flower on %s, and first flower comes from %s", seenOn, next.P10)
		}
	}
}

func TestAnEarlierLookThatALaterOneContradictsIsPassedOver(t *testing.T) {
	p := plan(t, 3)
	sure := func(day int, stage flora.Stage, share Share) Reading {
		return Reading{Sighting: Sighting{Day: season.Start.AddDays(day), Stage: stage, Share: share}, at: 1}
	}
	c := course{Plan: p, known: p.knownOf([]Reading{
		sure(120, flora.FullFlower, Most), sure(100, flora.Leafing, Most), sure(130, flora.InBud, Half),
	})}
	c.hold(0.5)
	if len(c.facts) != 2 || c.facts[0].index != 4 || c.facts[1].index != 2 {
		t.Errorf("kept %+v; want the look in bud and the one before it that agrees", c.facts)
	}
}

func TestSeenAheadMakesThePaceFasterAndIsASurpriseWhenFarOut(t *testing.T) {
	from, days := year(t, 4)
	weather := ensemble(t, from, days[:122+141], 50)
	p := plan(t, 3)
	on := season.Start.AddDays(140)
	expected, _ := p.Forecast(weather, PriorPace(), nil).StageOn(on)
	look := func(index int) Sighting { return Sighting{Day: on, Stage: p.Stages[index], Share: Most} }
	as, _, surprise, _ := p.Learn(PriorPace(), weather, look(expected))
	if surprise != nil {
		t.Errorf("the expected stage is a surprise: %+v", surprise)
	}
	_, _, surprise, _ = p.Learn(PriorPace(), weather, look(expected+3))
	if surprise == nil || !surprise.Ahead || surprise.Chance >= 0.05 {
		t.Errorf("three stages ahead is %+v", surprise)
	}
	if _, _, late, _ := p.Learn(PriorPace(), weather, look(expected-2)); late == nil || late.Ahead {
		t.Errorf("two stages behind is %+v", late)
	}
	one, _, _, _ := p.Learn(PriorPace(), weather, look(expected+1))
	behind, _, _, _ := p.Learn(PriorPace(), weather, look(expected-1))
	if !(one.Quantile(0.5) < as.Quantile(0.5) && as.Quantile(0.5) < behind.Quantile(0.5)) {
		t.Errorf("paces a stage ahead %v, as expected %v, behind %v", one.Quantile(0.5), as.Quantile(0.5), behind.Quantile(0.5))
	}
}

// Where no weather was read, a look still tells, but less than with the weather known.
func TestALookTellsLessWhereTheWeatherIsNotRead(t *testing.T) {
	p := plan(t, 3)
	from, days := year(t, 5)
	whole := ensemble(t, from, days, 1)
	// On the day on which its usual plant is in bud.
	on := season.Start.AddDays(p.table(whole).DayReaching(0, 460, 0))
	width := func(weather *climate.Ensemble) float64 {
		pace, _, _, learned := p.Learn(PriorPace(), weather, Sighting{Day: on, Stage: flora.InBud, Share: Half})
		if !learned {
			t.Fatal("nothing was learned")
		}
		return math.Log(pace.Quantile(0.9) / pace.Quantile(0.1))
	}
	prior := math.Log(PriorPace().Quantile(0.9) / PriorPace().Quantile(0.1))
	read, unread := width(whole), width(ensemble(t, 0, nil, 100))
	if !(read < 0.8*unread && unread < 0.9*prior) {
		t.Errorf("a pace %v wide is %v wide after a look, %v without the weather", prior, read, unread)
	}
}

func TestNothingIsLearnedFromWhatCannotBeJudged(t *testing.T) {
	from, days := year(t, 5)
	weather := ensemble(t, from, days[:122+100], 20)
	p := plan(t, 1)
	for _, seen := range []Sighting{
		{Day: season.Start.AddDays(90), Stage: flora.FullFlower, Share: Most}, // no such stage in the first year
		{Day: season.Start.AddDays(-10), Stage: flora.Leafing, Share: Most},   // another season
	} {
		after, _, _, learned := p.Learn(PriorPace(), weather, seen)
		if learned || after.Seen != 0 {
			t.Errorf("something was learned from %+v", seen)
		}
	}
}

// What lasts stays from year to year, what was of the year does not: a look says less of
// the next year than of its own, and three years alike say nearly all.
func TestNextYearKeepsWhatLasts(t *testing.T) {
	p := plan(t, 3)
	middle := func(pace Pace) float64 { return math.Log(pace.Quantile(0.5)) }
	width := func(pace Pace) float64 { return math.Log(pace.Quantile(0.9) / pace.Quantile(0.1)) }
	pace := PriorPace()
	before := width(pace)
	for n := range uint64(4) {
		from, days := year(t, 60+n)
		weather := ensemble(t, from, days, 1)
		table := p.table(weather)
		on := table.DayReaching(0, 0.8*780, 0) // it flowers fully at eight tenths of the warmth
		learned, _, _, has := p.Learn(pace, weather, Sighting{Day: season.Start.AddDays(on), Stage: flora.FullFlower, Share: Half})
		if !has {
			t.Fatal("nothing was learned")
		}
		next := learned.NextYear()
		if math.Abs(middle(next)) > math.Abs(middle(learned))+1e-9 || width(next) < width(learned) {
			t.Errorf("year %d: the pace goes from %v (%v wide) to %v (%v wide)", n+1, middle(learned), width(learned), middle(next), width(next))
		}
		pace = next
	}
	if got := middle(pace); math.Abs(got-math.Log(0.8)) > 0.06 {
		t.Errorf("after four years at eight tenths of the usual warmth the pace is %v", math.Exp(got))
	}
	if width(pace) > 0.7*before {
		t.Errorf("four years of looks narrow the pace from %v to %v", before, width(pace))
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

func TestDayLengthHoldsStagesBack(t *testing.T) {
	species := herb()
	species.Growth.Years[1].Stages[3].DayAbove = &flora.Figure{Value: 15.5, Low: 15.5, High: 15.5}
	// At 46.6° N the day passes 15.5 h in the first days of June.
	if d := planOf(t, species).Forecast(ensemble(t, 0, nil, 50), PriorPace(), nil).Dates(4); d.P10 < calendar.Must(2031, 6, 1) {
		t.Errorf("in bud comes from %s, before the days are long enough", d.P10)
	}
}

// Without the cold that it wants a plant is late and uneven, the more so the less it had,
// and dies back in its time all the same.
func TestWantOfColdMakesLateAndUneven(t *testing.T) {
	weather := ensemble(t, 0, nil, 100)
	at := func(wants float64) (shoots Dates, uneven int, ends Dates) {
		species := herb()
		if wants > 0 {
			species.Growth.Years[1].Stages[0].Chill = &flora.Figure{Value: wants}
		}
		f := planOf(t, species).Forecast(weather, PriorPace(), nil)
		first, last := season.End, season.Start
		for i := range season.Days() {
			day := season.Start.AddDays(i)
			// The days from which a tenth, and until nine tenths, of the plants are past it.
			past := 1 - f.SharesOn(day)[0]
			if past > 0.1 && day < first {
				first = day
			}
			if past < 0.9 {
				last = day
			}
		}
		return f.Dates(1), last.DaysSince(first), f.Dates(len(f.Stages) - 2)
	}
	enough, even, end := at(0)
	before := enough.P50
	for _, wants := range []float64{60, 200, 400, 100000} {
		shoots, uneven, ends := at(wants)
		if wants > 60 && (shoots.P50 <= before || uneven <= even) {
			t.Errorf("where it wants %v days of cold it shoots about %s, in %d days; with enough about %s, in %d", wants, shoots.P50, uneven, enough.P50, even)
		}
		if shoots.Chance < 0.9 || ends.Chance < 0.99 || abs(ends.P50.DaysSince(end.P50)) > 3 {
			t.Errorf("where it wants %v days it shoots in %v of the years and dies back in %v, about %s; else about %s", wants, shoots.Chance, ends.Chance, ends.P50, end.P50)
		}
		before = shoots.P50
	}
}

// Frost ends the year of what it kills, in each course on the night that is cold enough:
// no stage comes after it, and its windows close. What is taken in, or was seen growing
// after it, goes on.
func TestFrostEndsTheYearOfWhatItKills(t *testing.T) {
	tender := herb()
	tender.Tender = []flora.Tender{{Below: flora.Figure{Value: -1, Low: -2, High: 0}, Does: flora.Kills}}
	for k := range tender.Growth.Years[1].Stages {
		tender.Growth.Years[1].Stages[k].Warmth.Value += 900 // a late plant
	}
	p := planOf(t, tender)
	weather := ensemble(t, 0, nil, 100)
	f := p.Forecast(weather, PriorPace(), nil)
	last := len(f.Stages) - 1
	for c := range f.typical[0] {
		end := int(f.frosted[c])
		for k := 1; k < last-1; k++ {
			if day := int(f.typical[k][c]); day > end && day < f.days {
				t.Fatalf("course %d: killed on day %d, it reaches %s on day %d", c, end, f.Stages[k], day)
			}
		}
		if end < f.days {
			if low := weather.Weather(c / drawsPerMember)[end].TMin; low > 0 {
				t.Fatalf("course %d is killed by a night of %v °C", c, low)
			}
			if rests := int(f.typical[last][c]); rests > end {
				t.Fatalf("killed on day %d, it rests from day %d", end, rests)
			}
		}
	}
	ends := f.FrostEnds()
	// The first night at or below −1 °C in the valley, counted by the weather's own dates.
	frost := weather.FrostDates(-1, 0.5)
	if ends.Chance < 0.95 || abs(ends.P50.DaysSince(frost.First)) > 12 {
		t.Errorf("frost ends it about %s (in %v of the years); such a night comes about %s", ends.P50, ends.Chance, frost.First)
	}
	flower := f.Bands(flora.FirstFlower, flora.Ripe, flora.FullFlower)[0]
	if _, until, opens := flower.LikelyDays(); opens && until > ends.P90 {
		t.Errorf("its flower is to be had until %s, and frost ends it by %s", until, ends.P90)
	}
	indoors := p.AtSpot(25).Forecast(weather, PriorPace(), nil).FrostEnds()
	if indoors.Chance > 0.05 {
		t.Errorf("where it never freezes, frost ends it in %v of the years", indoors.Chance)
	}
	from, days := year(t, 9)
	read := ensemble(t, from, days[:122+330], 60)
	struck := p.Forecast(read, PriorPace(), nil).FrostEnds()
	on := struck.P90.AddDays(5)
	if struck.Chance < 0.9 || on > read.KnownUntil {
		t.Skip("this year's frost came too late for the rest of the test")
	}
	pace, seen := reading(t, p, read, Sighting{Day: on, Stage: flora.FullLeaf, Share: Most, Affirmed: true})
	if alive := p.Forecast(read, pace, []Reading{seen}).FrostEnds(); alive.P10 <= on {
		t.Errorf("seen growing on %s, it is held to be killed from %s", on, alive.P10)
	}
}

// A slip does not wreck the year: a stage far out of turn moves the dates less than an hour
// of it would, is told as a surprise, and holds once the grower has affirmed it.
func TestASlipMovesLittleAndIsNoFact(t *testing.T) {
	from, days := year(t, 4)
	p := plan(t, 3)
	weather := ensemble(t, from, days[:122+121], 100)
	on := season.Start.AddDays(120)
	expected, _ := p.Forecast(weather, PriorPace(), nil).StageOn(on)
	right, rightRead := reading(t, p, weather, Sighting{Day: on.AddDays(-14), Stage: p.Stages[expected-1], Share: Most})
	ripe := Sighting{Day: on, Stage: flora.Ripe, Share: Most}
	slip, slipRead, surprise, _ := p.Learn(right, weather, ripe)
	if surprise == nil || surprise.Chance > 0.001 || slipRead.Slip() < 0.95 {
		t.Errorf("ripe at %s is %+v, a slip by %v", p.Stages[expected], surprise, slipRead.Slip())
	}
	before := p.Forecast(weather, right, []Reading{rightRead})
	after := p.Forecast(weather, slip, []Reading{rightRead, slipRead})
	for k := expected + 1; k < len(p.Stages); k++ {
		if moved := after.Dates(k).P50.DaysSince(before.Dates(k).P50); abs(moved) > 3 {
			t.Errorf("the slip moves %s by %d days", p.Stages[k], moved)
		}
	}
	ripe.Affirmed = true
	sure, sureRead, _, _ := p.Learn(right, weather, ripe)
	if index, chance := p.Forecast(weather, sure, []Reading{rightRead, sureRead}).StageOn(on); p.Stages[index] != flora.Ripe || chance < 0.95 {
		t.Errorf("affirmed, it is held to be %s by %v", p.Stages[index], chance)
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
