package garden

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/area"
	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
)

// readWeather brings in the same weather for every day from the lead-in to today, with rain on some.
func (p *fixture) readWeather(low, high float64, rain func(calendar.Date) float64) {
	p.t.Helper()
	s, err := p.State(p.t.Context())
	check(p.t, err)
	var lines []area.FileLine
	for on := s.Season.Start.AddDays(-climate.LeadDays); on <= s.Today; on++ {
		lines = append(lines, area.FileLine{Line: len(lines) + 2, Fields: map[string]string{
			"date": on.String(), "tmin": fmt.Sprint(low), "tmax": fmt.Sprint(high), "rain": fmt.Sprint(rain(on)),
		}})
	}
	_, err = p.Weather.BringFile(p.t.Context(), lines, true, false)
	check(p.t, err)
}

// bedWater is the water of a bed as it is shown.
func (p *fixture) bedWater(bedID int64) weather.BedWaterView {
	p.t.Helper()
	v, err := p.Weather.Water(p.t.Context())
	check(p.t, err)
	for _, bed := range v.Beds {
		if bed.BedID == bedID {
			return bed
		}
	}
	p.t.Fatalf("bed %d has no water", bedID)
	return weather.BedWaterView{}
}

// waterJob is the job that asks for water in a bed; nil for none.
func (p *fixture) waterJob(bedID int64) *area.JobView {
	p.t.Helper()
	v, err := p.Now.Now(p.t.Context(), plot.NoDay)
	check(p.t, err)
	for _, j := range append(v.Closing, v.Open...) {
		if j.Kind == "water" && j.BedID == bedID {
			return &j
		}
	}
	return nil
}

// rainUntil is rain every fourth day up to a day, and none after.
func rainUntil(last calendar.Date) func(calendar.Date) float64 {
	return func(on calendar.Date) float64 {
		if on <= last && on%4 == 0 {
			return 18
		}
		return 0
	}
}

// A bed dries in a dry spell, asks for water, is watered and asks no more; taken back it asks again. What it asks for is what
// is gone, by its area.
func TestABedDriesAndIsWatered(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	many := p.goodPlanting()
	many.Plants = 150
	_, err := p.ChangePlanting(ctx, p.planting, say.AsItStands, many)
	check(t, err)
	p.readWeather(4, 15, rainUntil(day))
	wet := p.bedWater(p.bed)
	if wet.Advice == weather.AdviceWater || p.waterJob(p.bed) != nil || wet.Full < 0.6 {
		t.Errorf("after rain it is %+v", wet)
	}
	p.readWeather(12, 27, rainUntil(day.AddDays(-28)))
	dry := p.bedWater(p.bed)
	if dry.Advice != weather.AdviceWater || dry.Full > dry.LacksAt {
		t.Fatalf("after four dry weeks it is %s, full %.2f, lacks at %.2f: %s", dry.Advice, dry.Full, dry.LacksAt, dry.Words)
	}
	job := p.waterJob(p.bed)
	if job == nil || !strings.Contains(job.Amount, " l") || job.Minutes <= 2 {
		t.Fatalf("the job is %+v", job)
	}
	s := must(p.State(ctx))
	w := must(s.Water(s.BedByID[p.bed]))
	litres := w.Gone * w.Holding.Available * w.AreaM2
	if math.Abs(w.AreaM2-9.6) > 1e-9 { // 8 m by 1.2 m
		t.Errorf("its area is %v", w.AreaM2)
	}
	entry, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-27", Amount: fmt.Sprintf("%.0f l", litres)})
	check(t, err)
	full := p.bedWater(p.bed)
	// What is given is there in the evening, less what the day itself took: at most about what the air asks.
	if full.Full < 0.85 || full.Full > 1.02 || full.Advice == weather.AdviceWater || p.waterJob(p.bed) != nil {
		t.Errorf("watered with %.0f l it is %.2f full: %s", litres, full.Full, full.Words)
	}
	_, err = p.TakeBack(ctx, entry.ID)
	check(t, err)
	if again := p.bedWater(p.bed); math.Abs(again.Full-dry.Full) > 1e-9 || p.waterJob(p.bed) == nil {
		t.Errorf("taken back it is %.3f full, before %.3f", again.Full, dry.Full)
	}
	// Minutes of the hose are litres by its flow.
	_, err = p.Weather.SetWater(ctx, say.AsItStands, weather.WaterSettingsInput{Flow: "10 l"})
	check(t, err)
	_, err = p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-26", Amount: "6 min"})
	check(t, err)
	if got := must(p.State(ctx)).Waterings(p.bed); len(got) != 1 || got[0].Litres != 60 {
		t.Errorf("six minutes at 10 l are %+v", got)
	}
}

// The water of a bed follows what is in it: mulch and shade keep it, more plants take more, a heavier soil holds more.
func TestABedsWaterFollowsTheBed(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	p.readWeather(12, 27, rainUntil(day.AddDays(-14)))
	gone := func() float64 {
		s := must(p.State(ctx))
		w := must(s.Water(s.BedByID[p.bed]))
		return w.Gone * w.Holding.Available
	}
	plain := gone()
	change := func(what string, edit func(*place.BedInput)) float64 {
		in := goodBed()
		edit(&in)
		_, err := p.Place.ChangeBed(ctx, p.bed, say.AsItStands, in)
		check(t, err)
		return gone()
	}
	if under := change("mulch", func(in *place.BedInput) { in.Mulch = "8 cm" }); under >= plain {
		t.Errorf("under mulch %.1f mm are gone, without %.1f", under, plain)
	}
	if shady := change("shade", func(in *place.BedInput) { in.SunHours = new(0.0) }); shady >= plain {
		t.Errorf("in the shade %.1f mm are gone, in the sun %.1f", shady, plain)
	}
	holds := map[string]float64{}
	for _, texture := range []string{"sand", "loam", "silt loam"} {
		change(texture, func(in *place.BedInput) { in.Texture = texture })
		s := must(p.State(ctx))
		w := must(s.Water(s.BedByID[p.bed]))
		if holds[texture] = w.Holding.Available; !w.SoilKnown || w.Soil.Texture != texture {
			t.Errorf("%s is taken for %s", texture, w.Soil.Texture)
		}
	}
	if !(holds["sand"] < holds["loam"] && holds["loam"] < holds["silt loam"]) {
		t.Errorf("they hold %v", holds)
	}
	change("back", func(*place.BedInput) {})
	many := p.goodPlanting()
	many.Plants = 200
	_, err := p.AddPlanting(ctx, many)
	check(t, err)
	if full := gone(); full <= plain {
		t.Errorf("with 200 more plants %.1f mm are gone, with few %.1f", full, plain)
	}
}

// The hand and the probe correct the reckoning, as far as they are surer than it.
func TestAFeelCorrectsTheReckoning(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	p.readWeather(8, 20, rainUntil(day.AddDays(-12)))
	was := p.bedWater(p.bed)
	_, err := p.Weather.NoteFeel(ctx, p.bed, weather.FeelInput{Day: "2031-05-27", Feel: "dust"})
	check(t, err)
	felt := p.bedWater(p.bed)
	if felt.Full >= was.Full-0.1 || felt.Full < 0.05 || felt.High-felt.Low >= was.High-was.Low {
		t.Errorf("felt like dust it is %.2f (%.2f to %.2f) full, before %.2f (%.2f to %.2f)", felt.Full, felt.Low, felt.High, was.Full, was.Low, was.High)
	}
	if _, err := p.Weather.ReadProbe(ctx, p.bed); err == nil {
		t.Error("a probe that nobody has is read")
	}
	_, err = p.Weather.SetWater(ctx, say.AsItStands, weather.WaterSettingsInput{Flow: "12 l", Probe: "simulated"})
	check(t, err)
	_, err = p.Weather.ReadProbe(ctx, p.bed)
	check(t, err)
	if got := p.bedWater(p.bed).Done[0]; got.Kind != "probe" || !strings.Contains(got.Words, "Simulated soil probe read") {
		t.Errorf("it says %+v", got)
	}
	if _, err := p.Weather.ReadProbe(ctx, p.bed); err == nil {
		t.Error("the probe is read twice a day")
	}
}

// Where a kind stands that rots, water is given no more often than it bears, mates that want more are named, and a plant
// that was just set is watered through all the same.
func TestWhatRotsHasItsRest(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	set := func(species, on string) {
		_, err := p.AddPlanting(ctx, input.PlantingInput{BedID: p.bed, SpeciesID: species, Plants: 40, StartedOn: on, Origin: "bought", Labelled: true, Source: "Label of a nursery."})
		check(t, err)
	}
	set("garden-thyme", "2031-05-10")
	p.readWeather(13, 29, rainUntil(day.AddDays(-30)))
	if got := p.bedWater(p.bed); got.Rest != "" {
		t.Errorf("what was just set rests: %s", got.Rest)
	}
	set("garden-thyme", "2029-05-10")
	set("garden-angelica", "2029-05-10")
	got := p.bedWater(p.bed)
	if !strings.Contains(got.Rest, "every 14 days") || !strings.Contains(got.Rest, "garden thyme") || !strings.Contains(got.Unfit, "angelica") {
		t.Errorf("rest %q, unfit %q", got.Rest, got.Unfit)
	}
	if got.Advice != weather.AdviceWater {
		t.Fatalf("long after the last rain it is %s: %s", got.Advice, got.Words)
	}
	_, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-22", Amount: "20 l"})
	check(t, err)
	if got = p.bedWater(p.bed); got.Advice != weather.AdviceWait || !strings.Contains(got.Words, "Do not water before 5 June") || p.waterJob(p.bed) != nil {
		t.Errorf("five days after the last watering it is %s: %s", got.Advice, got.Words)
	}
}

func TestWaterThatCannotBeIsRefused(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	before := p.Entry()
	for what, try := range map[string]struct {
		field string
		do    func() error
	}{
		"nothing given": {"amount", func() error {
			_, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-20"})
			return err
		}},
		"less than none": {"amount", func() error {
			_, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-20", Amount: "-3 l"})
			return err
		}},
		"a lake": {"amount", func() error {
			_, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-20", Amount: "1000000 l"})
			return err
		}},
		"kilograms": {"amount", func() error {
			_, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-20", Amount: "3 kg"})
			return err
		}},
		"minutes of what": {"amount", func() error {
			_, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-20", Amount: "min"})
			return err
		}},
		"tomorrow": {"day", func() error {
			_, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: "2031-05-28", Amount: "3 l"})
			return err
		}},
		"no feel": {"feel", func() error {
			_, err := p.Weather.NoteFeel(ctx, p.bed, weather.FeelInput{Day: "2031-05-20", Feel: "sticky"})
			return err
		}},
		"felt tomorrow": {"day", func() error {
			_, err := p.Weather.NoteFeel(ctx, p.bed, weather.FeelInput{Day: "2031-05-28", Feel: "wet"})
			return err
		}},
		"a dry hose": {"flow", func() error {
			_, err := p.Weather.SetWater(ctx, say.AsItStands, weather.WaterSettingsInput{Flow: "0 l"})
			return err
		}},
		"a real probe": {"probe", func() error {
			_, err := p.Weather.SetWater(ctx, say.AsItStands, weather.WaterSettingsInput{Flow: "3 l", Probe: "real"})
			return err
		}},
	} {
		faults, is := try.do().(say.Faults)
		if !is || faults[0].Field != try.field {
			t.Errorf("%s: %v", what, faults)
		}
	}
	if _, err := p.Weather.NoteWatering(ctx, 99, weather.WateringInput{Day: "2031-05-20", Amount: "3 l"}); err == nil {
		t.Error("a bed that is not there is watered")
	}
	if _, err := p.Weather.SetWater(ctx, "stale", weather.WaterSettingsInput{Flow: "3 l"}); err == nil {
		t.Error("a stale page is taken")
	}
	if p.Entry() != before {
		t.Error("something of it was noted")
	}
}

// In every climate, on both halves of the world and through the year, every bed answers, and its figures hold together.
func TestEveryBedAnswersForItsWater(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	pot := goodBed()
	pot.Name, pot.Y, pot.Shape, pot.Width, pot.Depth = "Pot", "9 m", "round", "40 cm", "40 cm"
	_, err := p.Place.AddBed(ctx, pot)
	check(t, err)
	p.switchStationOn()
	for _, n := range p.Plot.Lib().Climates() {
		site := must(p.Place.Site(ctx))
		_, err := p.SetSite(ctx, say.AsItStands, place.SiteInput{Name: "Acre", Latitude: n.Latitude, ClimateID: n.ID, Units: site.Units, Station: "simulated"})
		check(t, err)
		for _, on := range []calendar.Date{calendar.Must(2031, 1, 5), calendar.Must(2031, 5, 27), calendar.Must(2031, 6, 30), calendar.Must(2031, 8, 15), calendar.Must(2031, 12, 28)} {
			*p.today = on
			v, err := p.Weather.Water(ctx)
			check(t, err)
			if len(v.Beds) != 2 {
				t.Fatalf("%d beds", len(v.Beds))
			}
			for _, bed := range v.Beds {
				name := fmt.Sprintf("%s, %s, %s", n.ID, on, bed.Name)
				if !(bed.Low <= bed.Full+1e-9 && bed.Full <= bed.High+1e-9 && bed.Full >= 0 && bed.Full <= bed.Brim+1e-9) || bed.Words == "" {
					t.Errorf("%s: %+v", name, bed)
				}
				for _, ahead := range bed.Ahead {
					if ahead.Low > ahead.High || ahead.Lacks < 0 || ahead.Lacks > 1+1e-9 {
						t.Errorf("%s ahead: %+v", name, ahead)
					}
				}
			}
		}
	}
}

// Plants that lacked water are reckoned smaller, those that bear drought less so, watered ones not; and a width that somebody
// measured is believed before any reckoning.
func TestLackOfWaterMovesSize(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	set := func(species string) int64 {
		entry, err := p.AddPlanting(ctx, input.PlantingInput{BedID: p.bed, SpeciesID: species, Plants: 30, StartedOn: "2028-04-10", Origin: "bought", Labelled: true, Source: "Label of a nursery."})
		check(t, err)
		return entry.Made
	}
	meadowsweet, sage, valerian := set("meadowsweet"), set("common-sage"), set("valerian")
	share := func(id int64) float64 {
		s := must(p.State(ctx))
		return s.GrownShare(s.ByID[id])
	}
	p.readWeather(8, 19, func(calendar.Date) float64 { return 8 })
	if wet := share(meadowsweet); wet < 0.99 {
		t.Errorf("with rain every day it grew %.2f", wet)
	}
	p.readWeather(12, 27, rainUntil(calendar.Must(2031, 3, 20)))
	thirsty, tough := share(meadowsweet), share(sage)
	if thirsty > 0.85 || tough <= thirsty || tough > 1 {
		t.Errorf("after nine dry weeks meadowsweet grew %.2f, sage %.2f", thirsty, tough)
	}
	words := must(p.Place.Planting(ctx, meadowsweet, plot.NoDay)).Pace
	if !strings.Contains(words, fmt.Sprintf("about %.0f %% smaller for it (guess)", 100*(1-thirsty))) {
		t.Errorf("it says %q", words)
	}
	s := must(p.State(ctx))
	small := s.SizeShare(s.ByID[meadowsweet], s.ByID[meadowsweet].Year, nil, day)
	part, _ := s.ByID[valerian].Species.Part("root")
	if root := s.SizeShare(s.ByID[valerian], 4, part.Harvest, day); root <= s.SizeShare(s.ByID[valerian], 4, nil, day) {
		t.Errorf("a season's lack of water moves the root, too: %.2f", root)
	}
	for on := calendar.Must(2031, 3, 22); on < day; on = on.AddDays(4) {
		_, err := p.Weather.NoteWatering(ctx, p.bed, weather.WateringInput{Day: on.String(), Amount: "300 l"})
		check(t, err)
	}
	if watered := share(meadowsweet); watered < thirsty+0.1 {
		t.Errorf("watered it grew %.2f, dry %.2f", watered, thirsty)
	}
	s = must(p.State(ctx))
	if large := s.SizeShare(s.ByID[meadowsweet], s.ByID[meadowsweet].Year, nil, day); large <= small {
		t.Errorf("watered its size is %.2f, dry %.2f", large, small)
	}
}

// Less sun than a kind is well in is said where its flowers are to be picked and where its stages are told, and not of a leaf; in
// enough sun nothing is said.
func TestLittleSunIsSaidOfFlowers(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	lavender, err := p.AddPlanting(ctx, input.PlantingInput{BedID: p.bed, SpeciesID: "lavender", Plants: 6, StartedOn: "2028-04-10", Origin: "bought", Labelled: true, Source: "Label of a nursery."})
	check(t, err)
	said := func(hours float64) (pace bool, parts map[string]bool) {
		bed := goodBed()
		bed.SunHours = &hours
		_, err := p.Place.ChangeBed(ctx, p.bed, say.AsItStands, bed)
		check(t, err)
		v := must(p.Place.Planting(ctx, lavender.Made, calendar.Must(2031, 7, 10)))
		parts = map[string]bool{}
		for _, a := range v.Allowance {
			parts[a.Part] = strings.Contains(strings.Join(a.Notices, " "), "expect fewer flowers")
		}
		return strings.Contains(v.Pace, "expect fewer flowers"), parts
	}
	pace, parts := said(2)
	told := 0
	for part, is := range parts {
		if is {
			told++
			if strings.Contains(part, "leaf") {
				t.Errorf("it is said of the %s", part)
			}
		}
	}
	if !pace || told == 0 {
		t.Errorf("in 2 h of sun it is said of the stages %v, of the parts %v", pace, parts)
	}
	pace, parts = said(9)
	for part, is := range parts {
		if is || pace {
			t.Errorf("in 9 h of sun it is said of the stages %v and of the %s %v", pace, part, is)
		}
	}
}

// What a bed is for turns likes round and makes no bed good that is not; it is said, shown on the plan, and a word that is no use
// is refused.
func TestABedsPurposeIsWeighed(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	in := goodBed()
	first := func() []place.SuitView { return must(p.Place.What(ctx, p.bed, place.WhatFilter{})).Species }
	value := func(all []place.SuitView) map[string]float64 {
		values := map[string]float64{}
		for _, v := range all {
			values[v.SpeciesID] = v.Value
		}
		return values
	}
	plain := first()
	in.Purpose = "hens"
	_, err := p.Place.ChangeBed(ctx, p.bed, say.AsItStands, in)
	check(t, err)
	weighed := first()
	serving := func(all []place.SuitView, n int) (count int) {
		for _, v := range all[:n] {
			species, _ := p.Plot.Lib().Species(v.SpeciesID)
			for _, use := range species.Site.Uses {
				if use == "hens" {
					count++
				}
			}
		}
		return count
	}
	if before, after := serving(plain, 20), serving(weighed, 20); after <= before {
		t.Errorf("of the first twenty %d serve hens, without the purpose %d", after, before)
	}
	was := value(plain)
	for _, v := range weighed {
		if v.Value != was[v.SpeciesID] || v.Purpose == "" {
			t.Errorf("%s is %v and was %v: %q", v.SpeciesID, v.Value, was[v.SpeciesID], v.Purpose)
		}
	}
	for i := 1; i < len(weighed); i++ {
		if a, b := weighed[i-1], weighed[i]; b.Value > a.Value*1.15+1e-9 {
			t.Errorf("%s (%.2f) stands before %s (%.2f)", a.SpeciesID, a.Value, b.SpeciesID, b.Value)
		}
	}
	if plan := must(p.Place.Plot(ctx, plot.NoDay)); !strings.HasPrefix(plan.Beds[0].Words, "for hens · ") || plan.Beds[0].Input.Purpose != "hens" {
		t.Errorf("the plan says %q", plan.Beds[0].Words)
	}
	in.Purpose = "show"
	_, err = p.Place.ChangeBed(ctx, p.bed, say.AsItStands, in)
	if faults, is := err.(say.Faults); !is || faults[0].Field != "purpose" {
		t.Errorf("a bed for show: %v", err)
	}
}

// The plan tells the water of the day and of days soon after, and on far days none; a bed in a hollow lies cold, one before a wall warm.
func TestThePlanShowsWaterAndWarmth(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	p.readWeather(10, 22, rainUntil(day.AddDays(-10)))
	s := must(p.State(ctx))
	w := must(s.Water(s.BedByID[p.bed]))
	bed := func(on calendar.Date) place.BedView { return must(p.Place.Plot(ctx, on)).Beds[0] }
	if got := bed(plot.NoDay); math.Abs(got.WaterFull-(1-w.Gone)) > 1e-9 || got.WaterWords == "" || got.WarmthC != 0 {
		t.Errorf("today it is %+v, gone are %v", got, w.Gone)
	}
	if got := bed(day.AddDays(7)); math.Abs(got.WaterFull-(1-w.Ahead[6].P50)) > 1e-9 || !strings.HasPrefix(got.WaterWords, "likely ") {
		t.Errorf("a week on it is %v: %s", got.WaterFull, got.WaterWords)
	}
	if got := bed(day.AddDays(90)); got.WaterFull >= 0 || got.WaterWords != "" {
		t.Errorf("in three months it is %v: %s", got.WaterFull, got.WaterWords)
	}
	for word, warmer := range map[string]bool{"warm": true, "cold": false} {
		in := goodBed()
		in.Warmth = word
		_, err := p.Place.ChangeBed(ctx, p.bed, say.AsItStands, in)
		check(t, err)
		if got := bed(plot.NoDay); (got.WarmthC > 0) != warmer || got.WarmthIs == "" {
			t.Errorf("%s it lies %v °C warmer: %s", word, got.WarmthC, got.WarmthIs)
		}
	}
}

// Rain is waited for where it is likely to help, and not because a bed does not lack anything yet.
func TestRainIsWaitedForOnlyWhereItIsLikely(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	many := p.goodPlanting()
	many.Plants = 200
	_, err := p.ChangePlanting(ctx, p.planting, say.AsItStands, many)
	check(t, err)
	soon := 0
	for since := 3; since < 40; since++ {
		p.readWeather(13, 29, rainUntil(day.AddDays(-since)))
		got := p.bedWater(p.bed)
		s := must(p.State(ctx))
		w := must(s.Water(s.BedByID[p.bed]))
		// By hand: in how many of the seasons the next two days bring half of what is gone, and 5 mm at least.
		helped, size := 0.0, 0
		ensemble := must(s.Sky.Ensemble(s.Season))
		at := day.DaysSince(s.Season.Start)
		for m := range ensemble.Size() {
			days := ensemble.Weather(m)
			if days[at+1].Rain+days[at+2].Rain >= math.Max(5, w.Gone*w.Holding.Available/2) {
				helped++
			}
			size++
		}
		if math.Abs(w.Ahead[1].Helped-helped/float64(size)) > 1e-9 {
			t.Fatalf("rain helps in %v, by hand in %v", w.Ahead[1].Helped, helped/float64(size))
		}
		waits := strings.HasPrefix(got.Words, "Wait: rain")
		if waits != (got.Advice == weather.AdviceWait) || waits && w.Ahead[1].Helped < 0.6 {
			t.Errorf("%d days after the rain: %s, rain helps in %v: %s", since, got.Advice, w.Ahead[1].Helped, got.Words)
		}
		if got.Advice == weather.AdviceSoon {
			soon++
		}
	}
	if soon == 0 {
		t.Error("no bed ever wants water soon")
	}
}

// A pond beside a bed keeps it damp from the day on which it is drawn, and an overflow brings its rain again; taken away all is as it was.
func TestWaterBesideABedKeepsItDamp(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	p.readWeather(11, 25, func(on calendar.Date) float64 {
		if on%5 == 0 {
			return 6
		}
		return 0
	})
	full := func() float64 { return p.bedWater(p.bed).Full }
	dry := full()
	for _, kind := range []string{"pond", "overflow"} {
		in := place.ItemInput{Kind: kind, FormInput: place.FormInput{Shape: "round", X: "10 m", Y: "6.5 m", Width: "1.6 m"}}
		entry, err := p.Place.AddItem(ctx, in)
		check(t, err)
		if wet := full(); wet < dry+0.05 {
			t.Errorf("beside the %s it is %.2f full, without %.2f", kind, wet, dry)
		}
		_, err = p.TakeBack(ctx, entry.ID)
		check(t, err)
		if again := full(); math.Abs(again-dry) > 1e-9 {
			t.Errorf("without the %s it is %.3f full, before %.3f", kind, again, dry)
		}
	}
}

// At a season's end no more is promised than is told.
func TestNoMoreWaterIsPromisedThanIsTold(t *testing.T) {
	p := newPlot(t)
	for on, says := range map[calendar.Date]string{
		calendar.Must(2031, 12, 29): "enough for 2 days, likely", calendar.Must(2031, 12, 31): "lacks nothing today", calendar.Must(2031, 11, 20): "three weeks",
	} {
		*p.today = on
		p.readWeather(2, 8, rainUntil(on.AddDays(-5)))
		if got := p.bedWater(p.bed); !strings.Contains(got.Words, says) {
			t.Errorf("%s: %s", on, got.Words)
		}
	}
}
