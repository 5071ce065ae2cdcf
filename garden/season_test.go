package garden

import (
	"bytes"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// photograph keeps a small JPEG and returns its name.
func (p *fixture) photograph() string {
	p.t.Helper()
	picture := image.NewRGBA(image.Rect(0, 0, 640, 480))
	for i := range picture.Pix {
		picture.Pix[i] = uint8(i * 7)
	}
	picture.Set(1, 1, color.White)
	var out bytes.Buffer
	check(p.t, jpeg.Encode(&out, picture, nil))
	id, err := p.Identity.KeepPhotograph(p.t.Context(), out.Bytes())
	check(p.t, err)
	return id
}

// A look counts the plants: from its day on so many stand, everywhere; taken back, as many as before. A count of an
// earlier day than the last changes nothing of today.
func TestALookThatCountsSaysHowManyStand(t *testing.T) {
	p := newPlot(t)
	before := p.standing(p.planting)
	look := now.ObservationInput{Day: "2031-05-27", Stage: "in bud", Count: "17"}
	seen, err := p.seenSo(p.planting, look)
	check(t, err)
	if got := p.standing(p.planting); got != 17 {
		t.Errorf("%d stand, 17 were counted", got)
	}
	if words := must(p.Place.Planting(t.Context(), p.planting, plot.NoDay)).Looks[0].Words; !strings.Contains(words, "17 plants") {
		t.Errorf("its page says %q", words)
	}
	_, err = p.seenSo(p.planting, now.ObservationInput{Day: "2031-05-20", Stage: "in bud", Count: "9"})
	check(t, err)
	if got := p.standing(p.planting); got != 17 {
		t.Errorf("counted for a week ago, %d stand today", got)
	}
	_, err = p.TakeBack(t.Context(), p.newest().ID)
	check(t, err)
	_, err = p.TakeBack(t.Context(), seen.Entry.ID)
	check(t, err)
	if got := p.standing(p.planting); got != before {
		t.Errorf("taken back, %d stand, not %d", got, before)
	}
	entries := p.entries()
	for _, test := range []struct{ count, words string }{
		{"many", "write for example 7"}, {"0", "mark it as gone"}, {"-3", "between 1 and"}, {"1.5", "write for example 7"}, {"99999999999999999999", "write for example"},
	} {
		look.Count = test.count
		_, err := p.seenSo(p.planting, look)
		p.refused(err, "count", test.words, entries)
	}
}

// What was lifted after the day of a count is gone, though it was noted before the count was.
func TestACountOfLastWeekLeavesOutWhatWasLiftedSince(t *testing.T) {
	p := newPlot(t)
	lovage := p.roots("valerian", 12, "2028-04-10")
	p.on("2031-10-20", func() {
		_, err := p.Gather.NotePicking(t.Context(), lovage, gather.PickingInput{Day: "2031-10-20", Part: "root", Amount: "3 roots"})
		check(t, err)
		_, err = p.seenSo(lovage, now.ObservationInput{Day: "2031-10-12", Stage: "dying back", Count: "10"})
		check(t, err)
		if got := p.standing(lovage); got != 7 {
			t.Errorf("of ten on the 12th three were lifted on the 20th, and %d stand", got)
		}
	})
}

func TestALookCarriesItsPhotographs(t *testing.T) {
	p := newPlot(t)
	photo := p.photograph()
	_, err := p.seenSo(p.planting, now.ObservationInput{Day: "2031-05-27", Stage: "in bud", Photos: []string{photo, photo}, Marks: []string{"rust", "rust"}})
	check(t, err)
	looks := must(p.Place.Planting(t.Context(), p.planting, plot.NoDay)).Looks
	if len(looks) != 1 || !slices.Equal(looks[0].Photos, []string{photo}) || !slices.Equal(looks[0].Marks, []string{"rust"}) {
		t.Fatalf("its looks are %+v", looks)
	}
	for range 2 { // made the first time, kept the second
		small, err := p.Identity.Thumbnail(t.Context(), photo)
		check(t, err)
		picture, err := jpeg.Decode(bytes.NewReader(small))
		check(t, err)
		if b := picture.Bounds(); b.Dx() != 320 || b.Dy() != 240 {
			t.Errorf("made small it is %v", b)
		}
	}
	_, err = p.Identity.Thumbnail(t.Context(), strings.Repeat("0", 64))
	if err == nil {
		t.Error("a picture that is not there was made small")
	}
	entries := p.entries()
	_, err = p.seenSo(p.planting, now.ObservationInput{Day: "2031-05-27", Stage: "in bud", Photos: []string{"nothing"}})
	p.refused(err, "photos", "not kept here", entries)
	var thirteen []string
	for i := range 13 {
		thirteen = append(thirteen, strings.Repeat("0", 63)+fmt.Sprintf("%x", i))
	}
	_, err = p.seenSo(p.planting, now.ObservationInput{Day: "2031-05-27", Stage: "in bud", Photos: thirteen})
	p.refused(err, "photos", "12 photographs are the most", entries)
}

// A page of trouble puts first what the weather of late brings on: after three weeks without rain the causes of a dry
// spell, after a soaking those of the wet.
func TestTroublesPageGoesByTheWeather(t *testing.T) {
	for name, test := range map[string]struct {
		rain          float64
		first, likely string
	}{"dry": {0, "Dry roots", "It was dry"}, "wet": {9, "Grey and furry below", "It was wet"}} {
		t.Run(name, func(t *testing.T) {
			p := newPlot(t)
			p.readWeather(8, 18, func(calendar.Date) float64 { return test.rain })
			v, err := p.Now.Trouble(t.Context(), "mildew", 0)
			check(t, err)
			if !strings.HasPrefix(v.Causes[0].Says, test.first) || !strings.HasPrefix(v.Causes[0].Likely, test.likely) {
				t.Errorf("first is %+v; the weather is %s", v.Causes[0], v.Lately)
			}
			for _, cause := range v.Causes[1:] {
				if cause.Likely != "" {
					t.Errorf("so is %+v", cause)
				}
			}
		})
	}
}

// Every sign has a page that says all of it; one of a plant tells what that plant's own file says.
func TestEverySignOfTroubleHasItsPage(t *testing.T) {
	p := newPlot(t)
	_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "meadowsweet", Plants: 3, StartedOn: "2028-10-02", Origin: "division"})
	check(t, err)
	meadowsweet := p.newest().PlantingID
	marks := marksOf(t, p)
	wanted := []string{"keeling over", "slug holes", "aphids", "rust", "mildew", "wilt", "browned by cold", "rotting root", "browsed", "insects in flowers", "past the edge", "seedlings near", "gone"}
	for _, mark := range wanted {
		if !slices.Contains(marks, mark) {
			t.Errorf("%s is not asked for", mark)
		}
	}
	for _, mark := range marks {
		v, err := p.Now.Trouble(t.Context(), mark, meadowsweet)
		check(t, err)
		if v.Looks == "" || v.Unlike == "" || len(v.Steps) == 0 || len(v.Causes) == 0 || v.Urgent == "" {
			t.Errorf("%s says %+v", mark, v)
		}
		// What its file says of powdery mildew and of its rust stands there, and nothing of them elsewhere.
		own := len(v.Plants) > 0 && v.Plants[0].SpeciesID == "meadowsweet"
		if expected := mark == "mildew" || mark == "rust"; expected && !own {
			t.Errorf("%s tells nothing of meadowsweet's own", mark)
		}
		for _, fault := range v.Plants {
			if strings.Contains(fault.Name, "mildew") != (mark == "mildew") {
				t.Errorf("%s tells of %s", mark, fault.Name)
			}
		}
	}
	if _, err := p.Now.Trouble(t.Context(), "aura", 0); err == nil {
		t.Error("there is a page of aura")
	}
	if _, err := p.Now.Trouble(t.Context(), "rust", 99); err == nil {
		t.Error("there is a page of a planting that is not")
	}
	// What a plant is known to get is asked for first.
	for _, stop := range must(p.Now.Round(t.Context())).Stops {
		if stop.ID == meadowsweet && (!slices.Contains(stop.LikelyMarks, "mildew") || !slices.Contains(stop.LikelyMarks, "rust")) {
			t.Errorf("meadowsweet is asked for %v first", stop.LikelyMarks)
		}
	}
}

// What cannot stand frost is covered on the evening before a night that is likely to bring it, with its chance: as often
// among the seasons that may come as a plain count of their nights says.
func TestACloseColdNightRaisesItsJob(t *testing.T) {
	p := newPlot(t)
	_, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "High Field", Latitude: 46.6, Altitude: "1300 m", ClimateID: "hill-valley", Width: "30 m", Depth: "20 m", Units: "metric"})
	check(t, err)
	_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "lemon-verbena", Plants: 1, StartedOn: "2029-05-27", Origin: "bought"})
	check(t, err)
	verbena := p.newest().PlantingID
	told, silent := 0, 0
	for _, day := range []string{"2031-05-05", "2031-07-20", "2031-09-20", "2031-10-01", "2031-10-08", "2031-10-15", "2031-10-22"} {
		p.on(day, func() {
			s, err := p.Plot.State(t.Context())
			check(t, err)
			v := s.ByID[verbena]
			jobs := about("night-", p.Now.Part().Jobs.Of(s, v, s.Today))
			cold := 0
			ensemble, err := s.Sky.Ensemble(s.Season)
			check(t, err)
			for ahead := 1; ahead <= 3 && cold*5 < ensemble.Size(); ahead++ {
				cold = 0
				for m := range ensemble.Size() {
					if ensemble.Weather(m)[s.Today.AddDays(ahead).DaysSince(ensemble.Season.Start)].TMin <= -1 {
						cold++
					}
				}
			}
			index, _ := v.Now.StageOn(s.Today)
			awake := v.Now.Stages[index].String() != "resting"
			if want := cold*5 >= ensemble.Size() && awake; want != (len(jobs) == 1) {
				t.Errorf("on %s, with %d of %d seasons cold and awake %v, the jobs are %+v", day, cold, ensemble.Size(), awake, jobs)
			} else if want {
				told++
				if j := jobs[0]; j.Last < s.Today || j.Last > s.Today.AddDays(2) || !strings.Contains(j.View.Reason, "in 10 of what may come") {
					t.Errorf("on %s: %+v", day, j)
				}
			} else {
				silent++
			}
		})
	}
	if told == 0 || silent == 0 {
		t.Errorf("told on %d days, silent on %d: the test says nothing", told, silent)
	}
}

// What was brought in in autumn is told no cold night, and is asked to be taken out in spring; taken out, it is told again.
func TestWhatWasShelteredIsTakenOutInSpring(t *testing.T) {
	p := newPlot(t)
	pot := goodBed()
	pot.Name, pot.FormInput = "Pot", place.FormInput{Shape: "round", X: "20 m", Y: "12 m", Width: "60 cm"}
	_, err := p.Place.AddBed(t.Context(), pot)
	check(t, err)
	_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.newest().BedID, SpeciesID: "lemon-verbena", Plants: 1, StartedOn: "2029-05-27", Origin: "bought"})
	check(t, err)
	verbena := p.newest().PlantingID
	jobs := func(part string) []area.Job {
		s, err := p.Plot.State(t.Context())
		check(t, err)
		return about(part, p.Now.Part().Jobs.Of(s, s.ByID[verbena], s.Today))
	}
	p.on("2031-10-01", func() {
		if len(jobs("out:")) != 0 {
			t.Error("what was never brought in is to be taken out")
		}
		shelter := jobs("shelter:")
		if len(shelter) != 1 {
			t.Fatalf("the jobs are %+v", shelter)
		}
		_, err := p.Now.AnswerJob(t.Context(), shelter[0].Key, now.Done)
		check(t, err)
		if len(jobs("night-")) != 0 {
			t.Error("it is told a cold night under its roof")
		}
	})
	p.on("2032-05-10", func() {
		if len(jobs("night-")) != 0 {
			t.Error("it is told a cold night under its roof")
		}
		out := jobs("out:")
		if len(out) != 1 || out[0].View.Verb != "Take out" || out[0].First < calendar.Must(2032, 3, 15) || out[0].BestFirst > calendar.Must(2032, 6, 20) {
			t.Fatalf("the jobs are %+v", out)
		}
		_, err := p.Now.AnswerJob(t.Context(), out[0].Key, now.Done)
		check(t, err)
	})
}

// The same work on several plantings of a kind in a bed is one job, and one answer answers all of it.
func TestTheSameWorkInABedIsOneJob(t *testing.T) {
	p := newPlot(t)
	for _, started := range []string{"2028-04-10", "2028-04-12", "2027-04-12"} {
		_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "garden-sorrel", Plants: 4, StartedOn: started, Origin: "seed"})
		check(t, err)
	}
	stalks := func() (found []area.JobView) {
		v := must(p.Now.Now(t.Context(), plot.NoDay))
		for _, j := range slices.Concat(v.Closing, v.Open) {
			if j.Verb == "Behead" && strings.HasPrefix(j.What, "garden sorrel (unproven)") {
				found = append(found, j)
			}
		}
		return found
	}
	found := stalks()
	if len(found) != 1 || !strings.Contains(found[0].Amount, "in 3 plantings") {
		t.Fatalf("the jobs are %+v", found)
	}
	_, err := p.Now.AnswerJob(t.Context(), found[0].Key, now.Done)
	check(t, err)
	if left := stalks(); len(left) != 0 {
		t.Errorf("answered, there is still %+v", left)
	}
	_, err = p.TakeBack(t.Context(), p.newest().ID)
	check(t, err)
	if back := stalks(); len(back) != 1 {
		t.Errorf("taken back, there is %+v", back)
	}
}

// The week holds no more than the hours that were said, tells what falls off and whether it is lost, and loses nothing:
// each job of the week is on a day, under a roof, or told as fallen off.
func TestTheWeekFitsTheHours(t *testing.T) {
	p := newPlot(t)
	for i, species := range []string{"lovage", "sweet-cicely", "meadowsweet", "valerian", "yarrow", "chives", "elecampane"} {
		_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: species, Plants: 5 + i, StartedOn: "2028-04-10", Origin: "division", Affirmed: nil})
		check(t, err)
	}
	free := must(p.Now.Week(t.Context(), plot.NoDay))
	if free.HoursSaid || len(free.FallOff)+len(free.Waits) != 0 {
		t.Errorf("nobody said how much time there is, and %d fall off", len(free.FallOff))
	}
	all := map[string]bool{}
	v := must(p.Now.Now(t.Context(), plot.NoDay))
	for _, j := range slices.Concat(v.Closing, v.Open, v.Coming) {
		if j.First <= free.First.AddDays(6) {
			all[j.Key] = true
		}
	}
	_, err := p.Now.SetHours(t.Context(), say.AsItStands, now.HoursInput{Minutes: []string{"", "20", "10 min", "", "", "1 h", ""}, NightChance: 2})
	check(t, err)
	week := must(p.Now.Week(t.Context(), plot.NoDay))
	of := map[string]float64{"Tuesday 27 May": 20, "Wednesday 28 May": 10, "Saturday 31 May": 60}
	told := map[string]int{}
	for _, day := range week.Days {
		if day.Used > day.Of || day.Of != of[day.Name] {
			t.Errorf("%s holds %.0f of %.0f min, want of %.0f", day.Name, day.Used, day.Of, of[day.Name])
		}
		for _, stop := range day.Walk {
			for _, j := range stop.Jobs {
				told[j.Key]++
			}
		}
	}
	for _, j := range slices.Concat(week.Rainy, week.FallOff, week.Waits) {
		told[j.Key]++
	}
	if len(week.FallOff)+len(week.Waits) == 0 || !strings.Contains(week.Summary, "no time for") {
		t.Errorf("an hour and a half is enough for %s", week.Summary)
	}
	for key := range all {
		if told[key] != 1 {
			t.Errorf("%s is told %d times", key, told[key])
		}
	}
	if len(told) != len(all) {
		t.Errorf("%d jobs are told, %d are to be done", len(told), len(all))
	}
	entries := p.entries()
	for _, test := range []struct{ text, words string }{{"lots", "write for example 45 min"}, {"25 h", "24 hours"}, {"3 kg", "not a unit of time"}} {
		_, err := p.Now.SetHours(t.Context(), say.AsItStands, now.HoursInput{Minutes: []string{"", test.text, "", "", "", "", ""}, NightChance: 2})
		p.refused(err, "minutes.1", test.words, entries)
	}
	_, err = p.Now.SetHours(t.Context(), "stale", now.HoursInput{Minutes: make([]string, 7), NightChance: 2})
	if err == nil {
		t.Error("hours that changed meanwhile were written over")
	}
	// Taken back and said again, it is kept again.
	_, err = p.TakeBack(t.Context(), p.newest().ID)
	check(t, err)
	_, err = p.Now.SetHours(t.Context(), say.AsItStands, now.HoursInput{Minutes: []string{"5", "", "", "", "", "", ""}, NightChance: 2})
	check(t, err)
}
